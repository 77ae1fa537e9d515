import { Type, type Static } from '@sinclair/typebox';
import { route } from '../shared/route';
import { DateOnly, Nullable, Uuid } from '../shared/scalars';

export const markKinds = ['present', 'absent', 'tardy', 'activity', 'closed'] as const;
export type MarkKind = (typeof markKinds)[number];
const MarkKindSchema = Type.Union(markKinds.map((kind) => Type.Literal(kind)));

/** Attendance of one child as the computation reads it. */
export const AttendanceRecord = Type.Object({
  asOf: DateOnly,
  dayAbsentFrom: Type.Optional(Nullable(Type.Number())),
  chronicFrom: Type.Optional(Nullable(Type.Number())),
  codes: Type.Record(
    Type.String(),
    Type.Object({ kind: MarkKindSchema, excused: Type.Optional(Nullable(Type.Boolean())) }),
  ),
  days: Type.Array(
    Type.Object({
      date: DateOnly,
      periods: Type.Array(
        Type.Object({
          period: Type.String(),
          courseId: Type.Optional(Nullable(Type.String())),
          code: Type.String(),
        }),
      ),
    }),
  ),
});
export type AttendanceRecord = Static<typeof AttendanceRecord>;

export const DayMark = Type.Object({
  period: Type.String(),
  courseTitle: Nullable(Type.String()),
  kind: MarkKindSchema,
  excused: Type.Boolean(),
  label: Type.String(),
});
export type DayMark = Static<typeof DayMark>;

export const ChildDays = Type.Object({
  studentId: Uuid,
  schoolDays: Type.Integer(),
  daysAbsent: Type.Integer(),
  lessonsAbsent: Type.Integer(),
  lessonsUnexplained: Type.Integer(),
  lateArrivals: Type.Integer(),
  leftEarlyOn: Type.Array(DateOnly),
  /** Newest first. */
  days: Type.Array(Type.Object({ on: DateOnly, marks: Type.Array(DayMark) })),
});
export type ChildDays = Static<typeof ChildDays>;

export const attendanceRoutes = {
  days: route({
    method: 'get',
    path: '/api/days',
    room: 'attendance',
    access: 'signed-in',
    summary: 'Attendance of every linked child, day by day',
    status: 200,
    answer: Type.Object({ today: DateOnly, children: Type.Array(ChildDays) }),
  }),
};
