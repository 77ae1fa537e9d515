import { proposePlan, type Proposal } from '@cadro/core';
import { packExactly } from './pack';
import type { Question } from './solver';

export default ({ tasks, evenings }: Question): Promise<Proposal> =>
  proposePlan(tasks, evenings, packExactly);
