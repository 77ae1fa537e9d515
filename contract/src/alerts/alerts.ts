import { Type, type Static } from '@sinclair/typebox';
import { balanceKinds } from '../around/balance';
import { wishKinds } from '../announcements/wish';
import { commentSubjects } from '../gradebook/basics';
import { resultStatuses } from '../gradebook/record';
import { CourseGrade, looseEndKinds } from '../outlook/figures';
import { DateOnly, Fraction, Instant, Nullable } from '../shared/scalars';
import { AlertKindSchema } from './rules';

const common = {
  /** The same for the same fact from one look to the next. */
  id: Type.String(),
  /** When it became true, by its source. */
  at: Instant,
  sourceName: Type.String(),
  /** The name of the rule that found it, one of core's. */
  rule: Type.String(),
  /** What the rule was set to when it found this; missing where it has no numbers, and of what older looks found. */
  asked: Type.Optional(
    Type.Object({
      /** In the rule's unit: points of the course's scale, times, or percent of days. */
      amount: Nullable(Type.Number()),
      days: Nullable(Type.Integer()),
    }),
  ),
};

/** A work as an alert names it. */
export const AlertWork = Type.Object({
  itemId: Type.String(),
  title: Type.String(),
  kind: Nullable(Type.Union(looseEndKinds.map((kind) => Type.Literal(kind)))),
  /** What it was before, of work that is settled. */
  was: Nullable(Type.Union(looseEndKinds.map((kind) => Type.Literal(kind)))),
  dueAt: Nullable(Instant),
  /** Last instant at which it can be mended. */
  deadline: Nullable(Instant),
  credit: Nullable(Fraction),
  /** Points of the course's scale. */
  impact: Nullable(Type.Number()),
  earned: Nullable(Type.Number()),
  possible: Type.Number(),
  /** What the classroom system says, where the two stand apart for longer than scores travel. */
  classroom: Type.Optional(
    Type.Object({
      status: Type.Union(resultStatuses.map((status) => Type.Literal(status))),
      earned: Nullable(Type.Number()),
      at: Instant,
    }),
  ),
});
export type AlertWork = Static<typeof AlertWork>;

export const FigureReason = Type.Object({
  ...common,
  about: Type.Literal('figure'),
  /** On the course's scale. `before`: as it was at `since`. */
  before: Nullable(Type.Number()),
  since: Nullable(Instant),
  now: Type.Number(),
  /** The grade as every page tells it; `now` and `before` are by our count. Missing in what older looks found. */
  grade: Type.Optional(CourseGrade),
  ifLeft: Nullable(Type.Number()),
  letterBefore: Nullable(Type.String()),
  letterNow: Nullable(Type.String()),
  /** The threshold that was crossed, on the scale. */
  limit: Nullable(Type.Number()),
  perWeek: Nullable(Type.Number()),
  outOf: Type.Number(),
  decimals: Type.Integer(),
  /** What moved it most, greatest first. */
  moved: Type.Array(
    Type.Object({ itemId: Type.String(), title: Type.String(), at: Instant, delta: Type.Number() }),
  ),
});
export type FigureReason = Static<typeof FigureReason>;

export const WorkReason = Type.Object({
  ...common,
  about: Type.Literal('work'),
  work: AlertWork,
  outOf: Type.Number(),
  decimals: Type.Integer(),
});
export type WorkReason = Static<typeof WorkReason>;

export const CommentReason = Type.Object({
  ...common,
  about: Type.Literal('comment'),
  commentId: Type.String(),
  subject: Type.Union(commentSubjects.map((subject) => Type.Literal(subject))),
  author: Type.String(),
  text: Type.String(),
  itemId: Nullable(Type.String()),
  itemTitle: Nullable(Type.String()),
});
export type CommentReason = Static<typeof CommentReason>;

export const AttendanceReason = Type.Object({
  ...common,
  about: Type.Literal('attendance'),
  /** The days it is about, oldest first. */
  days: Type.Array(DateOnly),
  /** Titles of the lessons concerned. */
  lessons: Type.Array(Type.String()),
  pattern: Nullable(
    Type.Object({
      kind: Type.Union([Type.Literal('leaves-early'), Type.Literal('period'), Type.Literal('weekday')]),
      /** A period's name, or a weekday from 1 (Monday) as text; empty for leaving early. */
      value: Type.String(),
    }),
  ),
  /** Of school days missed, with how many of how many. */
  share: Nullable(Type.Object({ missed: Type.Integer(), of: Type.Integer() })),
});
export type AttendanceReason = Static<typeof AttendanceReason>;

export const TermReason = Type.Object({
  ...common,
  about: Type.Literal('term'),
  term: Type.String(),
  /** Null of a report card as a whole. */
  courseTitle: Nullable(Type.String()),
  figure: Nullable(Type.Number()),
  letter: Nullable(Type.String()),
  /** The grade beside our count of the term, on its scale; missing in what older looks found. */
  grade: Type.Optional(CourseGrade),
  gradeOutOf: Type.Optional(Type.Number()),
  /** What the school had stored before, where it has changed that. */
  was: Type.Optional(Type.Object({ figure: Nullable(Type.Number()), letter: Nullable(Type.String()) })),
});
export type TermReason = Static<typeof TermReason>;

/** What a school announced, or wants to hear by a last day. */
export const SchoolReason = Type.Object({
  ...common,
  about: Type.Literal('school'),
  announcementId: Type.String(),
  title: Type.String(),
  text: Type.String(),
  wish: Type.Union(wishKinds.map((kind) => Type.Literal(kind))),
  /** The last instant for an answer. */
  by: Nullable(Instant),
});
export type SchoolReason = Static<typeof SchoolReason>;

/** Money at school: an account that runs low, or a fee that is due. */
export const BalanceReason = Type.Object({
  ...common,
  about: Type.Literal('balance'),
  kind: Type.Union(balanceKinds.map((kind) => Type.Literal(kind))),
  title: Type.String(),
  amount: Type.Number(),
  currency: Type.String(),
  dueOn: Nullable(DateOnly),
});
export type BalanceReason = Static<typeof BalanceReason>;

export const UpkeepReason = Type.Object({
  ...common,
  about: Type.Literal('upkeep'),
  /** Since when nothing has come, or nobody has looked. */
  since: Instant,
  days: Type.Integer(),
});
export type UpkeepReason = Static<typeof UpkeepReason>;

/** One fact behind an alert, with the rule that asked for it. */
export const AlertReason = Type.Union([
  FigureReason,
  WorkReason,
  CommentReason,
  AttendanceReason,
  TermReason,
  SchoolReason,
  BalanceReason,
  UpkeepReason,
]);
export type AlertReason = Static<typeof AlertReason>;

/** What an alert is about: one cause, told once. */
export const AlertSubject = Type.Object({
  /** The same for the same cause. */
  key: Type.String(),
  kind: AlertKindSchema,
  /** Null for what is about no child. */
  studentId: Nullable(Type.String()),
  courseId: Nullable(Type.String()),
  courseTitle: Nullable(Type.String()),
});
export type AlertSubject = Static<typeof AlertSubject>;
