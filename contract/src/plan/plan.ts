import { Type, type Static } from '@sinclair/typebox';
import { OpenKindSchema } from '../outlook/figures';
import { route } from '../shared/route';
import { DateOnly, Instant, Nullable, Uuid } from '../shared/scalars';
import { Minutes, mostPlanEvenings, mostPlanTasks } from './cases';

export const Evening = Type.Object({
  date: DateOnly,
  minutes: Minutes,
  /** Whether it differs from the pattern of its weekday. */
  exception: Type.Boolean(),
});
export type Evening = Static<typeof Evening>;

/** A work that was chosen for the evenings. */
export const PlannedTask = Type.Object({
  itemId: Uuid,
  courseId: Uuid,
  courseTitle: Type.String(),
  title: Type.String(),
  /** What it is as a loose end; null for work to come. */
  kind: Nullable(OpenKindSchema),
  minutes: Minutes,
  /** Hundredths of its course's scale, so that courses can be summed; 0 where nothing can be said. */
  gain: Type.Number(),
  deadline: Nullable(DateOnly),
  notBefore: Nullable(DateOnly),
  /** Null while it stands on no evening. */
  evening: Nullable(DateOnly),
  /** The evening it stood on and was not done. */
  movedFrom: Nullable(DateOnly),
  doneAt: Nullable(Instant),
});
export type PlannedTask = Static<typeof PlannedTask>;

export const Plan = Type.Object({
  today: DateOnly,
  /** Minutes by weekday, Sunday first. */
  pattern: Type.Array(Minutes, { minItems: 7, maxItems: 7 }),
  /** The coming fortnight. */
  evenings: Type.Array(Evening),
  tasks: Type.Array(PlannedTask),
  /** The greatest gain these tasks can bring in these evenings; null until one was proposed for them. */
  best: Nullable(Type.Object({ gain: Type.Number(), proven: Type.Boolean() })),
});
export type Plan = Static<typeof Plan>;

export const EveningsBody = Type.Object({
  pattern: Type.Optional(Type.Array(Minutes, { minItems: 7, maxItems: 7 })),
  /** Null takes an exception back. */
  exceptions: Type.Optional(
    Type.Array(Type.Object({ date: DateOnly, minutes: Nullable(Minutes) }), {
      minItems: 1,
      maxItems: mostPlanEvenings,
    }),
  ),
});
export type EveningsBody = Static<typeof EveningsBody>;

export const ChosenBody = Type.Object({
  tasks: Type.Array(Type.Object({ itemId: Uuid, minutes: Type.Optional(Minutes) }), {
    minItems: 1,
    maxItems: mostPlanTasks,
  }),
});
export type ChosenBody = Static<typeof ChosenBody>;

export const TaskChange = Type.Object({
  evening: Type.Optional(Nullable(DateOnly)),
  minutes: Type.Optional(Minutes),
  done: Type.Optional(Type.Boolean()),
});
export type TaskChange = Static<typeof TaskChange>;

const room = 'plan';
const access = 'signed-in' as const;
const studentParams = Type.Object({ studentId: Uuid });
const taskParams = Type.Object({ studentId: Uuid, itemId: Uuid });
const path = '/api/students/:studentId/plan';
export const planRoutes = {
  read: route({
    method: 'get',
    path,
    room,
    access,
    summary: 'The evenings of the coming fortnight and what is planned for them',
    params: studentParams,
    status: 200,
    answer: Plan,
  }),
  evenings: route({
    method: 'post',
    path: `${path}/evenings`,
    room,
    access,
    summary: 'Set the free minutes by weekday, and single evenings that differ',
    params: studentParams,
    body: EveningsBody,
    status: 200,
    answer: Plan,
  }),
  choose: route({
    method: 'post',
    path: `${path}/tasks`,
    room,
    access,
    summary: 'Choose work for the evenings',
    params: studentParams,
    body: ChosenBody,
    status: 200,
    answer: Plan,
  }),
  change: route({
    method: 'patch',
    path: `${path}/tasks/:itemId`,
    room,
    access,
    summary: 'Move a task, change its minutes, tick it off',
    params: taskParams,
    body: TaskChange,
    status: 200,
    answer: Plan,
  }),
  drop: route({
    method: 'delete',
    path: `${path}/tasks/:itemId`,
    room,
    access,
    summary: 'Take a task out of the plan',
    params: taskParams,
    status: 200,
    answer: Plan,
  }),
  propose: route({
    method: 'post',
    path: `${path}/propose`,
    room,
    access,
    summary: 'Place the open tasks so that the summed gain is greatest',
    params: studentParams,
    status: 200,
    answer: Plan,
  }),
};
