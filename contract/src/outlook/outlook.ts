import { Type, type Static } from '@sinclair/typebox';
import { Freshness } from '../gradebook/gradebook';
import { route } from '../shared/route';
import { DateOnly, Instant, Nullable, Uuid } from '../shared/scalars';
import { looseEndKinds } from './figures';
import { ComingDay, GoodNews, Matter, NamedLooseEnd } from './matters';

export const Brief = Type.Object({
  asOf: Instant,
  today: DateOnly,
  matters: Type.Array(Matter),
  /** Matters someone has taken in hand and that come back on their date. */
  inHand: Type.Array(
    Type.Object({ followUpId: Uuid, studentId: Uuid, title: Type.String(), lookAgainOn: Nullable(DateOnly) }),
  ),
  goodNews: Type.Array(GoodNews),
  coming: Type.Array(ComingDay),
  freshness: Type.Array(Type.Composite([Freshness, Type.Object({ studentIds: Type.Array(Uuid) })])),
});
export type Brief = Static<typeof Brief>;

export const OpenWork = Type.Composite([
  NamedLooseEnd,
  Type.Object({
    studentId: Uuid,
    courseId: Uuid,
    courseTitle: Type.String(),
    outOf: Type.Number(),
    decimals: Type.Integer(),
    possible: Type.Number(),
    recoverable: Type.Boolean(),
    followUpId: Nullable(Uuid),
  }),
]);
export type OpenWork = Static<typeof OpenWork>;

export const Work = Type.Object({
  today: DateOnly,
  looseEnds: Type.Array(OpenWork),
  coming: Type.Array(ComingDay),
});
export type Work = Static<typeof Work>;
export const workKinds = looseEndKinds;

const room = 'outlook';
export const outlookRoutes = {
  brief: route({
    method: 'get',
    path: '/api/brief',
    room,
    access: 'signed-in',
    summary: 'What deserves this guardian now, over all linked children',
    status: 200,
    answer: Brief,
  }),
  work: route({
    method: 'get',
    path: '/api/work',
    room,
    access: 'signed-in',
    summary: 'Loose ends in make-up order and what is coming',
    status: 200,
    answer: Work,
  }),
};
