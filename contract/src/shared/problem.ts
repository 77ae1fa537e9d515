import { Type, type Static } from '@sinclair/typebox';

/** Every error code the server can answer with. Words for each live in the app's catalogues. */
export const problemCodes = [
  'bad-request',
  'not-signed-in',
  'wrong-credentials',
  'second-step',
  'too-many-tries',
  'forbidden',
  'not-found',
  'code-unknown',
  'code-used',
  'code-expired',
  'already-linked',
  'code-not-for-you',
  'link-on-hold',
  'link-over',
  'address-known',
  'weak-password',
  'wrong-code',
  'passkey-refused',
  'edited-meanwhile',
  'too-late',
  'time-taken',
  'teacher-without-contact',
  'unknown-thread',
  'plan-full',
  'off-scale',
  'no-way',
  'unreadable-file',
  'unfit-file',
  'child-not-in-file',
  'several-in-file',
  'nothing-open',
  'foreign-origin',
  'too-large',
  'source-unreachable',
  'database-away',
  'crowded',
  'under-way',
  'key-used',
  'internal',
] as const;
export type ProblemCode = (typeof problemCodes)[number];

/** RFC 9457. `type` is `urn:cadro:problem:<code>`. */
export const Problem = Type.Object({
  type: Type.String(),
  title: Type.String(),
  status: Type.Integer(),
  detail: Type.String(),
  code: Type.Union(problemCodes.map((code) => Type.Literal(code))),
  errors: Type.Optional(Type.Array(Type.Object({ path: Type.String(), message: Type.String() }))),
  /** With `edited-meanwhile`: how it stands now, and what was sent. */
  current: Type.Optional(Type.Unknown()),
  yours: Type.Optional(Type.Unknown()),
  /** With `too-many-tries`, `database-away`, `crowded` and `under-way`: how long to wait. */
  retryAfterSeconds: Type.Optional(Type.Integer()),
});
export type Problem = Static<typeof Problem>;
