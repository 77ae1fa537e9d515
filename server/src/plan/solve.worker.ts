import { proposePlan, type Proposal } from '@cadro/core';
import { packExactly } from './pack';
import type { Question } from './solving';

export const propose = ({ tasks, evenings }: Question): Promise<Proposal> =>
  proposePlan(tasks, evenings, packExactly);
