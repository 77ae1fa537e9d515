import { Type, type Static } from '@sinclair/typebox';
import { DateOnly, Nullable } from '../shared/scalars';

/** Up to here a plan is the best there is, found while somebody waits. */
export const mostPlanTasks = 40;
export const mostPlanEvenings = 14;

/** Whole minutes; a day has no more. */
export const Minutes = Type.Integer({ minimum: 0, maximum: 24 * 60 });

export const PlanTask = Type.Object({
  id: Type.String({ minLength: 1 }),
  minutes: Minutes,
  gain: Type.Number(),
  deadline: Type.Optional(Nullable(DateOnly)),
  notBefore: Type.Optional(Nullable(DateOnly)),
});
export const PlanEvening = Type.Object({ date: DateOnly, minutes: Minutes });

/** What the plan command reads: one question a case. */
export const PlanCase = Type.Object({
  id: Type.Union([Type.String(), Type.Number()]),
  tasks: Type.Array(PlanTask, { maxItems: mostPlanTasks }),
  evenings: Type.Array(PlanEvening, { maxItems: mostPlanEvenings }),
});
export type PlanCase = Static<typeof PlanCase>;
