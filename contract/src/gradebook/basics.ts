import { Type, type Static } from '@sinclair/typebox';
import { ReadOffer } from '../outlook/offers';
import { Instant, Nullable, Uuid } from '../shared/scalars';
import { LetterGrade, methods } from './record';

export const commentSubjects = ['score', 'work', 'rubric', 'course', 'report-card'] as const;
export type CommentSubject = (typeof commentSubjects)[number];

export const Teacher = Type.Object({ id: Uuid, name: Type.String(), contactable: Type.Boolean() });

/** What exactly of a work a teacher's words are about: one answer of a quiz, or a place in the file that was handed in. */
export const CommentAbout = Type.Union([
  Type.Object({ kind: Type.Literal('answer'), title: Type.String({ minLength: 1 }) }),
  Type.Object({
    kind: Type.Literal('file'),
    title: Type.String({ minLength: 1 }),
    place: Nullable(Type.String()),
  }),
]);
export type CommentAbout = Static<typeof CommentAbout>;

/** Words that were spoken. */
export const Recording = Type.Object({
  /** Its length. */
  seconds: Type.Integer({ minimum: 0 }),
  /** What is said, where the school gives it. */
  text: Nullable(Type.String()),
});

/** What was handed in at once. */
export const HandInTry = Type.Object({
  at: Instant,
  /** Empty: nothing was attached. */
  files: Type.Array(Type.String()),
});
export type HandInTry = Static<typeof HandInTry>;

export const Comment = Type.Object({
  id: Uuid,
  /** The work it is about; null where it is about the course. */
  itemId: Nullable(Uuid),
  subject: Type.Union(commentSubjects.map((subject) => Type.Literal(subject))),
  text: Type.String(),
  author: Type.String(),
  writtenAt: Instant,
  about: Nullable(CommentAbout),
  recording: Nullable(Recording),
  /** Where the words are, if they are in another system; an address. */
  elsewhere: Nullable(Type.String()),
  /** What was read out of it that can still be done. */
  offers: Type.Array(ReadOffer),
});
export type Comment = Static<typeof Comment>;

/** How old what is shown is, and where it came from. `failingSince` is set while the source cannot be read. */
export const Freshness = Type.Object({
  sourceName: Type.String(),
  /** Whether the family writes it down itself; `readAt` is then when it last did. */
  byHand: Type.Boolean(),
  readAt: Nullable(Instant),
  failingSince: Nullable(Instant),
});
export type Freshness = Static<typeof Freshness>;

export const Scale = Type.Object({
  method: Type.Union(methods.map((method) => Type.Literal(method))),
  outOf: Type.Number(),
  decimals: Type.Integer(),
  letters: Type.Array(LetterGrade),
});
export type Scale = Static<typeof Scale>;
