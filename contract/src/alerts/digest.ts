import { Type, type Static } from '@sinclair/typebox';
import { CourseGrade } from '../outlook/figures';
import { DateOnly, Fraction, Instant, Nullable, Uuid } from '../shared/scalars';
import { AlertReason, AlertSubject } from './alerts';
import { digestRhythms } from './settings';

/** One cause with what is so of it. */
export const DigestEntry = Type.Composite([AlertSubject, Type.Object({ reasons: Type.Array(AlertReason) })]);
export type DigestEntry = Static<typeof DigestEntry>;

/** What a digest says of one child; `more` counts what did not go in. */
export const DigestChild = Type.Object({
  studentId: Uuid,
  givenName: Type.String(),
  timeZone: Type.String(),
  good: Type.Array(DigestEntry),
  needs: Type.Array(DigestEntry),
  /** What was open before the days of this digest already. */
  before: Type.Array(DigestEntry),
  /** Of the next seven days. */
  coming: Type.Object({
    /** How many works are due, of whatever weight. */
    works: Type.Integer(),
    /** Tests, and works that decide much; by the day they are due. */
    big: Type.Array(
      Type.Object({
        itemId: Type.String(),
        courseId: Type.String(),
        courseTitle: Type.String(),
        title: Type.String(),
        dueAt: Instant,
      }),
    ),
  }),
  attendance: Type.Object({
    schoolDays: Type.Integer(),
    /** Days with a lesson missed, whole or in part. */
    daysMissed: Type.Integer(),
    lessonsMissed: Type.Integer(),
    /** Of the lessons missed. */
    unexplained: Type.Integer(),
    late: Type.Integer(),
  }),
  changed: Type.Array(
    Type.Object({
      courseId: Type.String(),
      courseTitle: Type.String(),
      before: Type.Number(),
      now: Type.Number(),
      outOf: Type.Number(),
      decimals: Type.Integer(),
      /** `before` and `now` are by our count; the grade as every page tells it. Missing in older digests. */
      grade: Type.Optional(CourseGrade),
    }),
  ),
  comments: Type.Array(DigestEntry),
  /** What the schools announced, and what they want to hear soon; missing in older digests. */
  school: Type.Optional(Type.Array(DigestEntry)),
  /** What can no longer be turned in since its days began; missing in older digests. */
  closed: Type.Optional(
    Type.Array(
      Type.Object({
        courseId: Type.String(),
        courseTitle: Type.String(),
        titles: Type.Array(Type.String()),
        /** What each counts as, a share of its score. */
        countsAs: Fraction,
      }),
    ),
  ),
  /** How much came in its days; missing in older digests. */
  news: Type.Optional(Type.Object({ scores: Type.Integer(), assigned: Type.Integer() })),
  more: Type.Integer(),
});
export type DigestChild = Static<typeof DigestChild>;

/** All children on one page. */
export const DigestContent = Type.Object({
  fromOn: DateOnly,
  toOn: DateOnly,
  madeAt: Instant,
  children: Type.Array(DigestChild),
});
export type DigestContent = Static<typeof DigestContent>;

export const Digest = Type.Composite([
  DigestContent,
  Type.Object({
    /** Null of one that is only looked at now. */
    id: Nullable(Uuid),
    rhythm: Type.Union(digestRhythms.map((rhythm) => Type.Literal(rhythm))),
  }),
]);
export type Digest = Static<typeof Digest>;
