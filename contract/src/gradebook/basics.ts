import { Type, type Static } from '@sinclair/typebox';
import { ReadOffer } from '../outlook/offers';
import { Instant, Nullable, Uuid } from '../shared/scalars';
import { LetterGrade, methods } from './record';

export const commentSubjects = ['score', 'work', 'rubric', 'course', 'report-card'] as const;
export type CommentSubject = (typeof commentSubjects)[number];

export const Teacher = Type.Object({ id: Uuid, name: Type.String(), contactable: Type.Boolean() });

export const Comment = Type.Object({
  id: Uuid,
  /** The work it is about; null where it is about the course. */
  itemId: Nullable(Uuid),
  subject: Type.Union(commentSubjects.map((subject) => Type.Literal(subject))),
  text: Type.String(),
  author: Type.String(),
  writtenAt: Instant,
  /** What was read out of it that can still be done. */
  offers: Type.Array(ReadOffer),
});
export type Comment = Static<typeof Comment>;

/** How old what is shown is, and where it came from. `failingSince` is set while the source cannot be read. */
export const Freshness = Type.Object({
  sourceName: Type.String(),
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
