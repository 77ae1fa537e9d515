import { Type, type Static } from '@sinclair/typebox';
import { route } from '../shared/route';
import { Instant, Nullable, Uuid } from '../shared/scalars';

/** A score tried out, in points of the work. */
export const TriedScore = Type.Object({
  itemId: Uuid,
  earned: Type.Number({ minimum: 0, maximum: 1_000_000 }),
});

/** A try that was kept: scores under a name. What comes of it is computed where it is shown. */
export const Try = Type.Object({
  id: Uuid,
  name: Type.String(),
  scores: Type.Array(TriedScore),
  at: Instant,
  author: Type.String(),
});
export type Try = Static<typeof Try>;

/** One side's target on the course's scale, and the tries it has kept, the newest first. */
const Aims = { target: Nullable(Type.Number()), tries: Type.Array(Try) };

export const Tries = Type.Object({
  /** Of who asks: the family's, or the child's own. */
  ...Aims,
  /** To the family what the child shows it of its own; null where it shows nothing, and to the child. */
  childs: Nullable(Type.Object(Aims)),
});
export type Tries = Static<typeof Tries>;

export const NewTry = Type.Object({
  name: Type.String({ minLength: 1, maxLength: 80 }),
  scores: Type.Array(TriedScore, { minItems: 1, maxItems: 1000 }),
});
export type NewTry = Static<typeof NewTry>;

/** Above what a scale gives a target makes no sense even with extra credit: twice the scale is the limit. */
export const TargetBody = Type.Object({ target: Nullable(Type.Number({ minimum: 0, maximum: 10_000 })) });

const room = 'outlook';
const access = 'signed-in' as const;
const courseParams = Type.Object({ studentId: Uuid, courseId: Uuid });
const path = '/api/students/:studentId/courses/:courseId';
export const tryRoutes = {
  tries: route({
    method: 'get',
    path: `${path}/tries`,
    room,
    access,
    summary: 'The household’s target for a course and the tries it has kept',
    params: courseParams,
    status: 200,
    answer: Tries,
  }),
  keep: route({
    method: 'post',
    path: `${path}/tries`,
    room,
    access,
    summary: 'Keep a try under a name; the same name is written over',
    params: courseParams,
    body: NewTry,
    status: 200,
    answer: Tries,
  }),
  forget: route({
    method: 'delete',
    path: `${path}/tries/:tryId`,
    room,
    access,
    summary: 'Forget a try',
    params: Type.Object({ studentId: Uuid, courseId: Uuid, tryId: Uuid }),
    status: 200,
    answer: Tries,
  }),
  target: route({
    method: 'post',
    path: `${path}/target`,
    room,
    access,
    summary: 'Set or clear the target for a course',
    params: courseParams,
    body: TargetBody,
    status: 200,
    answer: Tries,
  }),
};
