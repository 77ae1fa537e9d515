import { Type, type Static } from '@sinclair/typebox';
import { route } from '../shared/route';
import { Instant, Nullable, Uuid } from '../shared/scalars';
import { Bundle, Removal } from '../sources/bundles';
import { sourceFailures, sourceParts, syncFaults, type SourceKind } from '../sources/status';

const strict = { additionalProperties: false };

const one = <T extends string>(of: readonly T[]) => Type.Union(of.map((each) => Type.Literal(each)));

/** What an operator looks after; what families write themselves is theirs. */
const operatorKinds = ['interface', 'bundles'] as const satisfies readonly SourceKind[];

/** A school as it is read. Nothing here is a grade, a comment or a letter of anybody. */
export const OperatorSource = Type.Object({
  id: Uuid,
  name: Type.String(),
  /** A system that is asked, or files that are handed over. */
  kind: one(operatorKinds),
  baseUrl: Type.String(),
  readAt: Nullable(Instant),
  failingSince: Nullable(Instant),
  failure: Nullable(one(sourceFailures)),
  /** What it does not give of what it is asked for apart. */
  untold: Type.Array(one(sourceParts)),
  /** Records that do not fit, or wait for one that has not come. */
  aside: Type.Integer(),
  paused: Type.Boolean(),
  /** How far a reading that is under way has come. */
  progress: Nullable(Type.Object({ collection: Type.String(), records: Type.Integer() })),
  /** What a reading would take away and waits to be asked about. */
  shrinks: Nullable(Removal),
  /** The last files, newest first. */
  bundles: Type.Array(Bundle),
});
export type OperatorSource = Static<typeof OperatorSource>;

const of = { room: 'operator', access: 'operator' } as const;
const base = '/api/operator';
const Name = Type.String({ minLength: 1, maxLength: 120 });
const Source = Type.Object({ sourceId: Uuid });

export const operatorSourceRoutes = {
  addSource: route({
    ...{ ...of, method: 'post', path: `${base}/sources`, status: 204 },
    body: Type.Object(
      {
        ...{ name: Name, baseUrl: Type.String({ format: 'uri', maxLength: 500 }) },
        ...{ clientId: Name, clientSecret: Type.String({ minLength: 1, maxLength: 500 }) },
        /** Where its times are, if it does not say so itself; UTC where this is not said either. */
        timeZone: Type.Optional(Type.String({ minLength: 1, maxLength: 100 })),
      },
      strict,
    ),
    summary: 'Add a school’s system, or change its credentials; it is read at once',
  }),
  addBundleSource: route({
    ...{ ...of, method: 'post', path: `${base}/bundle-sources`, status: 201 },
    body: Type.Object({ name: Name, timeZone: Type.String({ minLength: 1, maxLength: 100 }) }, strict),
    answer: Type.Object({ id: Uuid }),
    summary: 'Add a school that hands over files',
  }),
  readSource: route({
    ...{ ...of, method: 'post', path: `${base}/sources/:sourceId/read`, params: Source, status: 202 },
    summary: 'Read a school’s system now',
  }),
  steerSource: route({
    ...{ ...of, method: 'post', path: `${base}/sources/:sourceId/steer`, params: Source, status: 204 },
    body: Type.Object({ what: one(['pause', 'resume', 'stop', 'let-go'] as const) }, strict),
    summary:
      'Pause a school’s reading or go on, stop one that is under way, or let it take away what it asks about',
  }),
  sourceProblems: route({
    ...{ ...of, method: 'get', path: `${base}/sources/:sourceId/problems`, params: Source, status: 200 },
    answer: Type.Object({
      problems: Type.Array(
        Type.Object({
          ...{ collection: Type.String(), externalId: Type.String(), fault: one(syncFaults) },
          ...{ detail: Type.String(), seenAt: Instant },
        }),
      ),
    }),
    summary: 'What of a school could not be taken in, and why; a hundred at most, without what stands in it',
  }),
  putBundle: route({
    ...{ ...of, method: 'post', path: `${base}/sources/:sourceId/bundles`, params: Source, status: 202 },
    query: Type.Object({ name: Type.String({ minLength: 1, maxLength: 200 }) }, strict),
    takesBytes: 'application/zip',
    answer: Type.Object({
      /** Null where the very same file is there already. */
      id: Nullable(Uuid),
    }),
    summary: 'Hand over a bundle of OneRoster tables; it is read by and by',
  }),
  answerBundle: route({
    ...{ ...of, method: 'post', path: `${base}/bundles/:bundleId`, status: 204 },
    params: Type.Object({ bundleId: Uuid }),
    body: Type.Object({ answer: one(['take', 'stop'] as const) }, strict),
    summary: 'Take a bundle that would take much away, or leave it; stop one that is being read',
  }),
};
