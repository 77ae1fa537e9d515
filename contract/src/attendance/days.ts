import { Type, type Static } from '@sinclair/typebox';
import { Teacher } from '../gradebook/basics';
import { route } from '../shared/route';
import { DateOnly, Nullable, Uuid } from '../shared/scalars';
import { MarkKindSchema } from './attendance';

/** One mark as it is shown: the school's code always, what it means where that is known. */
export const DayMark = Type.Object({
  period: Type.String(),
  courseId: Nullable(Uuid),
  courseTitle: Nullable(Type.String()),
  code: Type.String(),
  /** Null for a code nobody has explained. */
  kind: Nullable(MarkKindSchema),
  excused: Type.Boolean(),
  /** The school's own words for the code; null where it has none. */
  label: Nullable(Type.String()),
  /** Who says so: the school, a file the household read in, or the household's own reading of the code. */
  by: Type.Union([Type.Literal('school'), Type.Literal('household')]),
  note: Nullable(Type.String()),
  markedBy: Nullable(Type.String()),
  /** Codes of other marks for the same lesson, which this newer one stands for. */
  instead: Type.Array(Type.String()),
});
export type DayMark = Static<typeof DayMark>;

/** Counts of a span of days. Days, lessons and late arrivals are never added up. */
export const AttendanceTotals = Type.Object({
  from: DateOnly,
  to: DateOnly,
  schoolDays: Type.Integer(),
  daysAbsent: Type.Integer(),
  lessonsAbsent: Type.Integer(),
  lessonsExplained: Type.Integer(),
  lessonsUnexplained: Type.Integer(),
  lateArrivals: Type.Integer(),
});
export type AttendanceTotals = Static<typeof AttendanceTotals>;

export const patternKinds = ['leaves-early', 'period', 'weekday'] as const;
/** What stands out in the last 20 school days, with the days behind it and whose lessons they were. */
export const AttendancePattern = Type.Object({
  kind: Type.Union(patternKinds.map((kind) => Type.Literal(kind))),
  /** The period's name, the weekday's number (0 = Sunday); null for leaving early. */
  value: Nullable(Type.Union([Type.String(), Type.Integer()])),
  dates: Type.Array(DateOnly),
  lessons: Type.Array(
    Type.Object({
      courseId: Uuid,
      courseTitle: Type.String(),
      missed: Type.Integer(),
      teacher: Nullable(Teacher),
    }),
  ),
  /** The work that was given out or due in these lessons. */
  touched: Type.Array(
    Type.Object({
      itemId: Uuid,
      courseId: Uuid,
      courseTitle: Type.String(),
      title: Type.String(),
      /** Still to be done, or a loose end. */
      open: Type.Boolean(),
    }),
  ),
});
export type AttendancePattern = Static<typeof AttendancePattern>;

export const AttendanceOfCourse = Type.Object({
  courseId: Uuid,
  courseTitle: Type.String(),
  lessons: Type.Integer(),
  absent: Type.Integer(),
  unexplained: Type.Integer(),
  lateArrivals: Type.Integer(),
});
export type AttendanceOfCourse = Static<typeof AttendanceOfCourse>;

export const ChildDays = Type.Object({
  studentId: Uuid,
  today: DateOnly,
  /** Whether the school marks every lesson or the day as a whole. */
  markedBy: Type.Union([Type.Literal('lessons'), Type.Literal('days')]),
  week: AttendanceTotals,
  term: Nullable(Type.Composite([AttendanceTotals, Type.Object({ title: Type.String() })])),
  year: AttendanceTotals,
  /** Share of this year's school days that were missed, and how many more missed days would reach one in ten. */
  share: Type.Object({
    rate: Nullable(Type.Number()),
    reached: Type.Boolean(),
    moreDays: Nullable(Type.Integer()),
  }),
  /** In the current term; of the year where there is none. */
  byCourse: Type.Array(AttendanceOfCourse),
  patterns: Type.Array(AttendancePattern),
  /** Codes nobody has explained, which are shown and not counted. */
  unknownCodes: Type.Array(Type.Object({ code: Type.String(), on: Type.Array(DateOnly) })),
  /** Marks of days outside the school year, which are kept and not counted. */
  outsideYear: Type.Array(DateOnly),
  desk: Nullable(Teacher),
  /** This year's, newest first. */
  days: Type.Array(Type.Object({ on: DateOnly, marks: Type.Array(DayMark) })),
});
export type ChildDays = Static<typeof ChildDays>;

/** What a household has found out about a code. */
export const CodeMeaning = Type.Object({
  code: Type.String({ minLength: 1, maxLength: 40 }),
  kind: MarkKindSchema,
  excused: Type.Boolean(),
});
export type CodeMeaning = Static<typeof CodeMeaning>;

/** A file of marks; columns are in docs/attendance-csv.md. */
export const MarksFile = Type.Object({
  text: Type.String({ minLength: 1, maxLength: 2_000_000 }),
  /** What the file's codes mean, where it does not say so itself. */
  codes: Type.Array(CodeMeaning, { maxItems: 100 }),
  /** Tells what would be read and writes nothing. */
  preview: Type.Boolean(),
});
export type MarksFile = Static<typeof MarksFile>;

export const rowFaults = [
  'date',
  'outside-year',
  'future',
  'period',
  'code',
  'kind',
  'course',
  'twice',
] as const;
export const MarksRead = Type.Object({
  rows: Type.Integer(),
  /** Lessons whose mark is taken in; those the school has marked itself keep the school's. */
  taken: Type.Integer(),
  schoolHas: Type.Integer(),
  unknownCodes: Type.Array(Type.Object({ code: Type.String(), rows: Type.Integer() })),
  /** Row numbers count from the first line below the heading as 2, as a table program shows them. */
  faults: Type.Array(
    Type.Object({
      row: Type.Integer(),
      fault: Type.Union(rowFaults.map((fault) => Type.Literal(fault))),
      value: Type.String(),
    }),
  ),
  sample: Type.Array(
    Type.Object({
      on: DateOnly,
      period: Type.String(),
      code: Type.String(),
      courseTitle: Nullable(Type.String()),
    }),
  ),
  written: Type.Boolean(),
});
export type MarksRead = Static<typeof MarksRead>;

const room = 'attendance';
const OfStudent = Type.Object({ studentId: Uuid });
export const attendanceRoutes = {
  days: route({
    method: 'get',
    path: '/api/days',
    room,
    access: 'signed-in',
    summary: 'Attendance of every linked child: totals, patterns, and this year day by day',
    status: 200,
    answer: Type.Object({ today: DateOnly, children: Type.Array(ChildDays) }),
  }),
  meaning: route({
    method: 'post',
    path: '/api/students/:studentId/attendance/codes',
    room,
    access: 'signed-in',
    summary: 'Say what a code means that the school has not explained',
    params: OfStudent,
    body: CodeMeaning,
    status: 204,
  }),
  readMarks: route({
    method: 'post',
    path: '/api/students/:studentId/attendance/marks',
    room,
    access: 'signed-in',
    takesFile: true,
    summary: 'Read a CSV file of marks in, or tell what would be read',
    params: OfStudent,
    body: MarksFile,
    status: 200,
    answer: MarksRead,
  }),
  marksCsv: route({
    method: 'get',
    path: '/api/students/:studentId/attendance.csv',
    room,
    access: 'signed-in',
    summary: 'This school year’s marks of one child as CSV',
    params: OfStudent,
    status: 200,
    produces: 'text/csv',
  }),
};
