import { ReadOffer } from '../outlook/offers';
import { Type, type Static } from '@sinclair/typebox';
import {
  CourseAnswer,
  CourseFigures,
  CourseGrade,
  EndedTerm,
  looseEndKinds,
  LooseEndFigure,
  SecondChanceFigure,
} from '../outlook/figures';
import { route } from '../shared/route';
import { DateOnly, Fraction, Instant, Nullable, Uuid } from '../shared/scalars';
import { CoursePolicy, PolicyCorrection, Reconciliation } from './policy';
import { CourseRecord, LetterGrade, Level, methods, PolicyRecord, resultStatuses } from './record';

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

/** How an item stands, in the record's words. */
export const ItemState = Type.Object({
  status: Type.Union(resultStatuses.map((status) => Type.Literal(status))),
  at: Nullable(Instant),
  earned: Nullable(Type.Number()),
  late: Type.Boolean(),
  levels: Type.Record(Type.String(), Type.Number()),
});
export type ItemState = Static<typeof ItemState>;

/** What the classroom system says of a work, and how that stands to the gradebook. */
export const ClassroomSays = Type.Object({
  status: Type.Union(resultStatuses.map((status) => Type.Literal(status))),
  earned: Nullable(Type.Number()),
  at: Instant,
  /** Still within the time marks travel, or apart for longer. */
  doubt: Type.Union([Type.Literal('doubtful'), Type.Literal('apart')]),
});
export type ClassroomSays = Static<typeof ClassroomSays>;

export const ItemSummary = Type.Object({
  id: Uuid,
  title: Type.String(),
  categoryId: Uuid,
  possible: Type.Number(),
  counts: Type.Boolean(),
  extraCredit: Type.Boolean(),
  assignedAt: Nullable(Instant),
  dueAt: Nullable(Instant),
  state: ItemState,
  looseEnd: Nullable(LooseEndFigure),
  /** Scored work that may be done again; null where it may not. */
  chance: Nullable(SecondChanceFigure),
  /** Since when it waits for its score: handed in, or done in class on its day; null where it does not. */
  waitingSince: Nullable(Instant),
  /** An agenda or a notice among the work: it asks for nothing. */
  notice: Type.Boolean(),
  /** What the classroom system says of it, where that is more than the gradebook knows. */
  classroom: Nullable(ClassroomSays),
  /** The loose end that its last change tied up. */
  was: Nullable(Type.Union(looseEndKinds.map((kind) => Type.Literal(kind)))),
  /** The part of the course it belongs to. */
  unit: Nullable(Type.String()),
  commentCount: Type.Integer(),
  /** Whether a teacher's words or rubric levels speak of what was handed in. */
  remarked: Type.Boolean(),
});
export type ItemSummary = Static<typeof ItemSummary>;

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

/** What one work means to the overall figure, in points of the course's scale. */
export const ItemWorth = Type.Object({
  /** Between nothing and full: how much of the figure it decides. */
  decides: Nullable(Type.Number()),
  /** What the figure is now, less what it would be without this work. */
  now: Nullable(Type.Number()),
});
export type ItemWorth = Static<typeof ItemWorth>;

export const ItemDetail = Type.Composite([
  ItemSummary,
  Type.Object({
    course: Type.Object({ id: Uuid, studentId: Uuid, title: Type.String(), teacher: Nullable(Teacher) }),
    categoryTitle: Type.String(),
    multiplier: Type.Number(),
    scale: Scale,
    figures: Nullable(CourseFigures),
    grade: CourseGrade,
    policy: PolicyRecord,
    worth: ItemWorth,
    kind: Nullable(Type.String()),
    instructions: Nullable(Type.String()),
    where: Nullable(Type.String()),
    supplies: Type.Array(Type.String()),
    files: Type.Array(Type.Object({ title: Type.String(), href: Type.String() })),
    rubric: Type.Array(
      Type.Object({
        id: Type.String(),
        title: Type.String(),
        levels: Type.Array(Level),
        reached: Nullable(Type.Number()),
      }),
    ),
    /** Those it is evidence for, or has a level in. */
    standards: Type.Array(
      Type.Object({ id: Type.String(), title: Type.String(), level: Nullable(Type.Number()) }),
    ),
    redo: Nullable(Type.Union([Type.Literal('yes'), Type.Literal('no'), Type.Literal('ask')])),
    acceptedUntil: Nullable(Instant),
    history: Type.Array(ItemState),
    comments: Type.Array(Comment),
    followUpId: Nullable(Uuid),
    freshness: Freshness,
  }),
]);
export type ItemDetail = Static<typeof ItemDetail>;

const CoursePlace = Type.Object({ studentId: Uuid, courseId: Uuid });
const AskedTerm = Type.Object({ termId: Type.Optional(Uuid) });

const room = 'gradebook';
export const gradebookRoutes = {
  courses: route({
    method: 'get',
    path: '/api/courses',
    room,
    access: 'signed-in',
    summary: 'The courses of every linked child with their current figures',
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
