import { Type, type Static } from '@sinclair/typebox';
import { Nullable } from '../shared/scalars';

/** A fact by which a follow-up comes back: its assignment has been graded. */
export const lookFacts = ['graded'] as const;
export const LookFact = Type.Union(lookFacts.map((fact) => Type.Literal(fact)));
export type LookFact = Static<typeof LookFact>;

/** It comes back week after week. */
export const Repeats = Type.Object(
  {
    /** 1 for Monday to 7 for Sunday. */
    weekday: Type.Integer({ minimum: 1, maximum: 7 }),
    /** On the scale of its course: once the grade is so high, it is settled; null where it goes on until somebody ends it. */
    untilAtLeast: Nullable(Type.Number({ minimum: 0, maximum: 1000 })),
  },
  { additionalProperties: false },
);
export type Repeats = Static<typeof Repeats>;

/** What worked for this child before: what had been done last, and how many days later the record showed it. */
export const WorkedBefore = Type.Object({
  title: Type.String(),
  courseTitle: Nullable(Type.String()),
  after: Type.Union([Type.Literal('letter'), Type.Literal('talk'), Type.Literal('agreed')]),
  days: Type.Integer({ minimum: 0 }),
});
export type WorkedBefore = Static<typeof WorkedBefore>;
