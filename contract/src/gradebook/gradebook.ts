import { Type, type Static } from '@sinclair/typebox';
import { MarkKindSchema } from '../attendance/attendance';
import { CourseAnswer, CourseFigures, CourseGrade, EndedTerm } from '../outlook/figures';
import { route } from '../shared/route';
import { DateOnly, Fraction, Instant, Nullable, Uuid } from '../shared/scalars';
import { Comment, Freshness, Scale, Teacher } from './basics';
import { ItemDetail, ItemState, ItemSummary } from './items';
import { CoursePolicy, PolicyCorrection, Reconciliation } from './policy';
import { CourseRecord, Level, PolicyRecord } from './record';

export const CourseSummary = Type.Object({
  id: Uuid,
  studentId: Uuid,
  title: Type.String(),
  teacher: Nullable(Teacher),
  scale: Scale,
  /** Null until the figures have been computed for the first time. */
  figures: Nullable(CourseFigures),
  /** The grade of the term it stands in, the school's own where it states one. */
  grade: CourseGrade,
  /** Null once the term has a grade, and where it is the first. */
  ended: Nullable(EndedTerm),
  /** What work that is left counts as by the end of the term, a share of its score. */
  leftAs: Fraction,
  /** The last instant of the term it stands in. */
  termEnd: Instant,
  itemCount: Type.Integer(),
  nextDue: Nullable(Type.Object({ title: Type.String(), dueAt: Instant })),
  /** What the household aims at, on the course's scale. */
  target: Nullable(Type.Number()),
  freshness: Freshness,
});
export type CourseSummary = Static<typeof CourseSummary>;

export const TermRef = Type.Object({
  id: Uuid,
  title: Type.String(),
  startsOn: DateOnly,
  endsOn: DateOnly,
  state: Type.Union([Type.Literal('ahead'), Type.Literal('running'), Type.Literal('closed')]),
});
export type TermRef = Static<typeof TermRef>;

/** A change of the record and what it did to the figure, on the course's scale. */
export const FigureStep = Type.Object({
  itemId: Uuid,
  title: Type.String(),
  possible: Type.Number(),
  at: Instant,
  /** Null where there was no figure before or after. */
  delta: Nullable(Type.Number()),
  posted: Nullable(Type.Number()),
  /** Null where the work had no record before. */
  before: Nullable(ItemState),
  after: ItemState,
});
export type FigureStep = Static<typeof FigureStep>;

export const StandardDetail = Type.Object({
  id: Type.String(),
  title: Type.String(),
  /** What each level looks like, where the school tells. */
  levels: Type.Array(Level),
  /** Oldest first. */
  evidence: Type.Array(
    Type.Object({ itemId: Uuid, title: Type.String(), at: Instant, level: Type.Number() }),
  ),
});
export type StandardDetail = Static<typeof StandardDetail>;

export const CourseAttendance = Type.Object({
  absent: Type.Integer(),
  excused: Type.Integer(),
  unexcused: Type.Integer(),
  tardies: Type.Integer(),
  /** The lessons behind the counts, the latest first. */
  lessons: Type.Array(
    Type.Object({
      on: DateOnly,
      period: Type.String(),
      mark: MarkKindSchema,
      excused: Type.Boolean(),
      /** Who marked it; null where the school does not say. */
      markedBy: Nullable(Type.String()),
      /** What was done in it; null where the teacher does not tell. */
      done: Nullable(Type.String()),
    }),
  ),
});

export const CourseDetail = Type.Composite([
  CourseSummary,
  Type.Object({
    asOf: Instant,
    term: TermRef,
    /** All terms of the course, by date. */
    terms: Type.Array(TermRef),
    room: Nullable(Type.String()),
    period: Nullable(Type.String()),
    /** As the figures are computed; with the household's correction where there is one. */
    policy: PolicyRecord,
    corrected: Type.Boolean(),
    /** Whether the source tells how the course is graded; else it is assumed. */
    policyTold: Type.Boolean(),
    categories: Type.Array(
      Type.Object({
        id: Uuid,
        title: Type.String(),
        weight: Type.Number(),
        dropLowest: Type.Integer(),
        counts: Type.Boolean(),
      }),
    ),
    standards: Type.Array(StandardDetail),
    items: Type.Array(ItemSummary),
    /** Of the term, by time. */
    moved: Type.Array(FigureStep),
    /** What moved it in the terms of the year before this one, by date; the figure begins anew with each. */
    earlier: Type.Array(Type.Object({ term: TermRef, moved: Type.Array(FigureStep) })),
    /** What the next steps of the scale ask of the work still to come, the nearest first. */
    needed: CourseAnswer.properties.needed,
    toCome: CourseAnswer.properties.toCome,
    reconciliation: Nullable(Reconciliation),
    /** What of the fall is in doubt: if left without the works that the classroom knows more of; null where none is. */
    doubtful: Nullable(Type.Object({ ifLeft: Nullable(Type.Number()), itemIds: Type.Array(Uuid) })),
    /** Lessons of this course; null where the school tells none. */
    attendance: Nullable(CourseAttendance),
    comments: Type.Array(Comment),
  }),
]);
export type CourseDetail = Static<typeof CourseDetail>;

const CoursePlace = Type.Object({ studentId: Uuid, courseId: Uuid });
const AskedTerm = Type.Object({ termId: Type.Optional(Uuid) });

const room = 'gradebook';
export const gradebookRoutes = {
  recording: route({
    method: 'get',
    path: '/api/students/:studentId/comments/:commentId/recording',
    room,
    access: 'signed-in',
    summary: 'A teacher’s spoken words, as the school keeps them',
    params: Type.Object({ studentId: Uuid, commentId: Uuid }),
    status: 200,
    produces: 'audio/*',
  }),
  courses: route({
    method: 'get',
    path: '/api/courses',
    room,
    access: 'signed-in',
    summary: 'The courses of every linked child with their current figures',
    stands: true,
    status: 200,
    answer: Type.Object({ courses: Type.Array(CourseSummary) }),
  }),
  course: route({
    method: 'get',
    path: '/api/students/:studentId/courses/:courseId',
    room,
    access: 'signed-in',
    summary: 'One course of one child in one of its terms: what counts how much, what moved it, the work',
    params: CoursePlace,
    query: AskedTerm,
    status: 200,
    answer: CourseDetail,
  }),
  item: route({
    method: 'get',
    path: '/api/students/:studentId/items/:itemId',
    room,
    access: 'signed-in',
    summary: 'One assignment of one child with its whole story',
    params: Type.Object({ studentId: Uuid, itemId: Uuid }),
    status: 200,
    answer: ItemDetail,
  }),
  courseRecord: route({
    method: 'get',
    path: '/api/students/:studentId/courses/:courseId/record',
    room,
    access: 'signed-in',
    summary: 'The whole record of a course as the figures command reads it, with the policy that is assumed',
    params: CoursePlace,
    query: AskedTerm,
    status: 200,
    answer: CourseRecord,
  }),
  policy: route({
    method: 'get',
    path: '/api/students/:studentId/courses/:courseId/policy',
    room,
    access: 'signed-in',
    summary: 'The policy a course is computed with: the source’s, the household’s correction, its history',
    params: CoursePlace,
    status: 200,
    answer: CoursePolicy,
  }),
  previewPolicy: route({
    method: 'post',
    path: '/api/students/:studentId/courses/:courseId/policy/preview',
    room,
    access: 'signed-in',
    summary: 'What a corrected policy would make of the figures; nothing is kept',
    params: CoursePlace,
    body: Type.Object({ correction: Nullable(PolicyCorrection) }),
    status: 200,
    answer: Type.Object({
      now: CourseFigures,
      then: CourseFigures,
      /** The grade as it would be told, the school's own where it states one. */
      grade: CourseGrade,
      reconciliation: Nullable(Reconciliation),
    }),
  }),
  correctPolicy: route({
    method: 'post',
    path: '/api/students/:studentId/courses/:courseId/policy',
    room,
    access: 'signed-in',
    summary: 'Assume another policy than the source’s, or go back to it (null); for this household alone',
    params: CoursePlace,
    body: Type.Object({ correction: Nullable(PolicyCorrection) }),
    status: 200,
    answer: CoursePolicy,
  }),
};
