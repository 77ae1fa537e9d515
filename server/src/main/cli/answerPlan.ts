import { PlanCase } from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import { planFault, proposePlan } from '@cadro/core';
import { packExactly } from '../../plan';
import { answerOrFault, FaultyCase, idOf } from './cases';

/** The answer to one question of the plan command. */
export async function answerPlan(asked: unknown): Promise<unknown> {
  const answer = await answerOrFault(async () => {
    const { tasks, evenings } = parse('case', PlanCase, asked);
    const fault = planFault(tasks, evenings);
    if (fault) throw new FaultyCase(fault);
    return (await proposePlan(tasks, evenings, packExactly)).plan;
  });
  return { ...idOf(asked), ...answer };
}
