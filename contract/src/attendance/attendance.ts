import { Type, type Static } from '@sinclair/typebox';
import { DateOnly, Nullable } from '../shared/scalars';

export const markKinds = ['present', 'absent', 'tardy', 'activity', 'closed'] as const;
export type MarkKind = (typeof markKinds)[number];
export const MarkKindSchema = Type.Union(markKinds.map((kind) => Type.Literal(kind)));

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
