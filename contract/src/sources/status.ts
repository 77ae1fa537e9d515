import { Type } from '@sinclair/typebox';
import { route } from '../shared/route';
import { Instant, Nullable, Uuid } from '../shared/scalars';

/** Why a record was set aside: it does not fit its documented shape, or names one that the source has not given. */
export const syncFaults = ['misfit', 'unknown-reference'] as const;
export type SyncFault = (typeof syncFaults)[number];

export const SourceStatus = Type.Object({
  id: Uuid,
  name: Type.String(),
  readAt: Nullable(Instant),
  failingSince: Nullable(Instant),
  /** Records that could not be taken in, each with its reason; the others went in. */
  problems: Type.Array(
    Type.Object({
      collection: Type.String(),
      externalId: Nullable(Type.String()),
      fault: Type.Union(syncFaults.map((fault) => Type.Literal(fault))),
      /** What of its shape does not fit, for who mends it. */
      detail: Type.String(),
      seenAt: Instant,
    }),
  ),
});

const room = 'sources';
export const sourceRoutes = {
  sources: route({
    method: 'get',
    path: '/api/sources',
    room,
    access: 'signed-in',
    summary: 'Where the linked children’s records come from, and how old they are',
    status: 200,
    answer: Type.Object({ sources: Type.Array(SourceStatus) }),
  }),
  moveDemoClock: route({
    method: 'post',
    path: '/api/demo/next-day',
    room,
    access: 'demo',
    summary: 'Demo only: a day passes at the schools, and every source is read again',
    status: 200,
    answer: Type.Object({ now: Instant }),
  }),
};
