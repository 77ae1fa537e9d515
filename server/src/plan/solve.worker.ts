import { proposePlan, type PlanEvening, type PlanTask, type Proposal } from '@cadro/core';
import { packExactly } from './pack';

export interface Question {
  readonly tasks: readonly PlanTask[];
  readonly evenings: readonly PlanEvening[];
}

export const propose = ({ tasks, evenings }: Question): Promise<Proposal> =>
  proposePlan(tasks, evenings, packExactly);
