import { Type, type Static } from '@sinclair/typebox';
import { Instant, Nullable } from '../shared/scalars';
import { PolicyRecord } from './record';

/** What a guardian assumes of a course instead of what its source says; a member that is absent stays the source's. */
export const PolicyCorrection = Type.Object(
  {
    outOf: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 1000 })),
    letters: Type.Optional(
      Type.Array(
        Type.Object({
          letter: Type.String({ minLength: 1, maxLength: 12 }),
          from: Type.Number({ minimum: 0, maximum: 2 }),
        }),
        { maxItems: 30 },
      ),
    ),
    missingCounts: Type.Optional(
      Type.Union([Type.Literal('zero'), Type.Literal('floor'), Type.Literal('not')]),
    ),
    incompleteCounts: Type.Optional(Type.Union([Type.Literal('zero'), Type.Literal('not')])),
    floor: Type.Optional(Type.Number({ minimum: 0, maximum: 1 })),
    categories: Type.Optional(
      Type.Array(
        Type.Object(
          {
            id: Type.String({ maxLength: 100 }),
            weight: Type.Optional(Type.Number({ minimum: 0, maximum: 1000 })),
            dropLowest: Type.Optional(Type.Integer({ minimum: 0, maximum: 100 })),
          },
          { additionalProperties: false },
        ),
        { maxItems: 100 },
      ),
    ),
  },
  { additionalProperties: false, minProperties: 1 },
);
export type PolicyCorrection = Static<typeof PolicyCorrection>;

/** Why the school's own figure may differ from the one computed here; the likeliest first. */
export const ReconcileReason = Type.Union([
  /** As of the school's figure the two agree; these works have changed since. */
  Type.Object({ kind: Type.Literal('later-mark'), itemIds: Type.Array(Type.String()) }),
  /** With this policy the two agree. */
  Type.Object({ kind: Type.Literal('policy'), correction: PolicyCorrection }),
  /** The school seems to count work as nothing that nobody has marked. */
  Type.Object({ kind: Type.Literal('overdue-as-zero') }),
  /** The household counts what the school has not entered. */
  Type.Object({ kind: Type.Literal('own-entries') }),
  /** What the school states cannot be meant on the scale of this course. */
  Type.Object({ kind: Type.Literal('another-scale') }),
  /** Nothing published explains it: a weight that is not published, or a mark that has not been passed on. */
  Type.Object({ kind: Type.Literal('not-published') }),
]);
export type ReconcileReason = Static<typeof ReconcileReason>;

/** The school's own figure beside ours, on the course's scale. */
export const Reconciliation = Type.Object({
  stated: Type.Number(),
  letter: Nullable(Type.String()),
  at: Instant,
  /** Stored for good, after the term. */
  final: Type.Boolean(),
  ours: Nullable(Type.Number()),
  ourLetter: Nullable(Type.String()),
  /** `rounded`: the school shows fewer decimals, and so rounded they are the same. */
  verdict: Type.Union([Type.Literal('same'), Type.Literal('rounded'), Type.Literal('differs')]),
  /** Empty unless they differ. */
  reasons: Type.Array(ReconcileReason),
});
export type Reconciliation = Static<typeof Reconciliation>;

export const CorrectionEntry = Type.Object({
  at: Instant,
  author: Type.String(),
  /** Null: back to the source's. */
  correction: Nullable(PolicyCorrection),
});
export type CorrectionEntry = Static<typeof CorrectionEntry>;

/** The policy the figures are computed with. */
export const CoursePolicy = Type.Object({
  /** As the source says. */
  published: PolicyRecord,
  /** With the household's correction. */
  assumed: PolicyRecord,
  categories: Type.Array(
    Type.Object({
      id: Type.String(),
      title: Type.String(),
      counts: Type.Boolean(),
      published: Type.Object({ weight: Type.Number(), dropLowest: Type.Integer() }),
      assumed: Type.Object({ weight: Type.Number(), dropLowest: Type.Integer() }),
    }),
  ),
  correction: Nullable(PolicyCorrection),
  /** Newest first. */
  history: Type.Array(CorrectionEntry),
});
export type CoursePolicy = Static<typeof CoursePolicy>;
