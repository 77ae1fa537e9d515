import { Type, type Static } from '@sinclair/typebox';
import { Asked, Owner } from '../followups/handing';
import { Freshness } from '../gradebook/basics';
import { route } from '../shared/route';
import { DateOnly, Instant, Nullable, Uuid } from '../shared/scalars';
import { ClosedDoor, ComingDay, GoodNews, Matter } from './matters';

export const Brief = Type.Object({
  asOf: Instant,
  today: DateOnly,
  matters: Type.Array(Matter),
  /** Matters someone has taken in hand and that come back on their date. */
  inHand: Type.Array(
    Type.Object({
      followUpId: Uuid,
      studentId: Uuid,
      title: Type.String(),
      lookAgainOn: Nullable(DateOnly),
      owner: Owner,
      asked: Nullable(Asked),
    }),
  ),
  goodNews: Type.Array(GoodNews),
  /** What came since the guardian last looked at what is new, by child; an announcement counts for each it is for. */
  fresh: Type.Object({
    since: Instant,
    looked: Type.Boolean(),
    counts: Type.Array(Type.Object({ studentId: Uuid, count: Type.Integer() })),
  }),
  /** What can no longer be turned in, since a few days. */
  closed: Type.Array(ClosedDoor),
  coming: Type.Array(ComingDay),
  freshness: Type.Array(Type.Composite([Freshness, Type.Object({ studentIds: Type.Array(Uuid) })])),
});
export type Brief = Static<typeof Brief>;

const room = 'outlook';
export const outlookRoutes = {
  brief: route({
    method: 'get',
    path: '/api/brief',
    room,
    access: 'signed-in',
    summary: 'What deserves this guardian now, over all linked children',
    stands: true,
    status: 200,
    answer: Brief,
  }),
};
