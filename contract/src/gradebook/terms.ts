import { Type, type Static } from '@sinclair/typebox';
import { route } from '../shared/route';
import { CourseGrade } from '../outlook/figures';
import { DateOnly, Fraction, Instant, Nullable, Uuid } from '../shared/scalars';
import { Scale } from './basics';
import { TermRef } from './gradebook';

/** How sure a grade of a term is, told apart in words. */
export const gradeStates = [
  /** The term still runs. */
  'running',
  /** The term is over, and the school has not stored a grade for it. */
  'final',
  /** The school's own, stored for good. */
  'stored',
  /** The term is over and there is nothing: the school has not reported. */
  'not-reported',
  /** It has not begun. */
  'ahead',
] as const;
export type GradeState = (typeof gradeStates)[number];

export const TermGrade = Type.Object({
  /** The source's own name of the part: a term, or an exam. */
  part: Type.String(),
  /** How far below the year it stands: a part of a semester of the year is at 2. */
  depth: Type.Integer(),
  /** The title an exam bears; a term has its own. */
  title: Nullable(Type.String()),
  state: Type.Union(gradeStates.map((state) => Type.Literal(state))),
  fraction: Nullable(Fraction),
  /** As the school states it, beside our count where the two differ. */
  grade: CourseGrade,
  /** How it is made, for a composed one. */
  parts: Type.Array(
    Type.Object({
      part: Type.String(),
      title: Nullable(Type.String()),
      weight: Type.Number(),
      fraction: Nullable(Fraction),
      display: Nullable(Type.Number()),
      stored: Type.Boolean(),
    }),
  ),
});
export type TermGrade = Static<typeof TermGrade>;

export const TermCourse = Type.Object({
  courseId: Uuid,
  title: Type.String(),
  teacher: Nullable(Type.String()),
  scale: Scale,
  /** Of this school year: its page can be opened. */
  current: Type.Boolean(),
  credits: Type.Number(),
  creditsEarned: Type.Number(),
  grades: Type.Array(TermGrade),
  remarks: Type.Array(
    Type.Object({
      part: Nullable(Type.String()),
      text: Type.String(),
      author: Type.String(),
      writtenAt: Instant,
    }),
  ),
});
export type TermCourse = Static<typeof TermCourse>;

export const TermNode = Type.Composite([
  TermRef,
  Type.Object({
    part: Type.String(),
    parent: Nullable(Type.String()),
    /** 0 for a year. */
    depth: Type.Integer(),
    /** Ids of the courses that have a grade here or will have one. */
    courseIds: Type.Array(Uuid),
  }),
]);
export type TermNode = Static<typeof TermNode>;

export const ChildTerms = Type.Object({
  studentId: Uuid,
  today: DateOnly,
  /** The tree of the years, newest year first; a parent before its parts, parts by date. */
  terms: Type.Array(TermNode),
  courses: Type.Array(TermCourse),
  /** What the register says of each term that has begun, of a year and a semester as of a quarter. */
  attendance: Type.Array(
    Type.Object({
      part: Type.String(),
      schoolDays: Type.Integer(),
      daysMissed: Type.Integer(),
      lessonsMissed: Type.Integer(),
      late: Type.Integer(),
    }),
  ),
  /** Empty where the school counts no credits. */
  credits: Type.Array(
    Type.Object({
      area: Type.String(),
      earned: Type.Number(),
      inProgress: Type.Number(),
      required: Type.Number(),
      stillNeeded: Type.Number(),
    }),
  ),
  /** Null where the school has no table of grade points. */
  average: Nullable(
    Type.Object({
      table: Type.Array(Type.Object({ letter: Type.String(), points: Type.Number() })),
      /** Over what the school has stored. */
      stored: Nullable(Type.Number()),
      /** With the letters of the running courses. */
      withRunning: Nullable(Type.Number()),
      rows: Type.Array(
        Type.Object({
          courseId: Uuid,
          letter: Nullable(Type.String()),
          credits: Type.Number(),
          bump: Type.Number(),
          stored: Type.Boolean(),
        }),
      ),
    }),
  ),
});
export type ChildTerms = Static<typeof ChildTerms>;

const room = 'gradebook';
export const termRoutes = {
  terms: route({
    method: 'get',
    path: '/api/students/:studentId/terms',
    room,
    access: 'signed-in',
    summary: 'The tree of a child’s school years with every grade, its formula, credits and grade points',
    params: Type.Object({ studentId: Uuid }),
    status: 200,
    answer: ChildTerms,
  }),
  report: route({
    method: 'get',
    path: '/api/students/:studentId/report.pdf',
    room,
    access: 'signed-in',
    heavy: true,
    summary: 'One printed page for a child and a term',
    params: Type.Object({ studentId: Uuid }),
    query: Type.Object({ termId: Type.Optional(Uuid) }),
    status: 200,
    produces: 'application/pdf',
  }),
  cards: route({
    method: 'get',
    path: '/api/students/:studentId/report-cards.pdf',
    room,
    access: 'signed-in',
    heavy: true,
    summary: 'The report cards of a child’s school year as one printed grid, with comments',
    params: Type.Object({ studentId: Uuid }),
    query: Type.Object({ yearId: Type.Optional(Uuid) }),
    status: 200,
    produces: 'application/pdf',
  }),
};
