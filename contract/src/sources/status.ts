import { Type } from '@sinclair/typebox';
import { route } from '../shared/route';
import { Instant, Nullable, Uuid } from '../shared/scalars';

/** What is wrong with a record. All but the zone keep it out; the others of its source go in all the same. */
export const syncFaults = [
  /** It does not fit its documented shape. */
  'misfit',
  /** It names one that the source has not given. */
  'unknown-reference',
  /** It fits its shape, and cannot be kept. */
  'unstorable',
  /** Another school has given the same code: it opens nothing. */
  'code-taken',
  /** It names another child by now: whose it was keeps its record, and nobody follows it over. */
  'id-passed',
  /** Its zone is none of the calendar's: that of its source is taken. */
  'unknown-zone',
] as const;
export type SyncFault = (typeof syncFaults)[number];

/** Why a school's system could not be read. */
export const sourceFailures = [
  'source-down',
  'source-refuses',
  'source-nonsense',
  /** More than anybody's school can have: pages, bytes, or time. */
  'source-too-much',
  /** Its address leads where Cadro does not go. */
  'source-elsewhere',
  /** It would take much away: somebody is asked first. */
  'source-shrinks',
  /** Somebody has stopped it. */
  'source-stopped',
] as const;
export type SourceFailure = (typeof sourceFailures)[number];

/** What a school is asked for apart. Without its roster it tells nothing; the others it may have or not. */
export const sourceParts = ['roster', 'demographics', 'feed'] as const;
export type SourcePart = (typeof sourceParts)[number];

/** A system that is asked, files that are handed over, or what a family writes itself. */
export const sourceKinds = ['interface', 'bundles', 'own'] as const;
export type SourceKind = (typeof sourceKinds)[number];

export const SourceStatus = Type.Object({
  id: Uuid,
  name: Type.String(),
  kind: Type.Union(sourceKinds.map((kind) => Type.Literal(kind))),
  /** The linked children whose records come from here. */
  studentIds: Type.Array(Uuid),
  /** What it does not give of what it is asked for apart. */
  untold: Type.Array(Type.Union(sourceParts.map((part) => Type.Literal(part)))),
  readAt: Nullable(Instant),
  /** When it is read by itself again; null for what is not. */
  nextAt: Nullable(Instant),
  failingSince: Nullable(Instant),
  /** Whether it is not read for now; and how many records have come of a reading that is under way. */
  ...{ paused: Type.Boolean(), coming: Nullable(Type.Integer()) },
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
  read: route({
    method: 'post',
    path: '/api/sources/:sourceId/read',
    params: Type.Object({ sourceId: Uuid }),
    room,
    access: 'signed-in',
    summary: 'Read a linked child’s school once more, now; a guardian, and not too often',
    status: 202,
  }),
  feedSchema: route({
    method: 'get',
    path: '/api/feed/v1/schema.json',
    room,
    access: 'public',
    summary:
      'What a school’s feed may tell beside OneRoster, as JSON Schema; a change that breaks it has another number',
    status: 200,
    answer: Type.Object({
      ...{ $schema: Type.String(), $id: Type.String(), title: Type.String() },
      definitions: Type.Record(Type.String(), Type.Unknown()),
    }),
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
