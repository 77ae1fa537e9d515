import { Type, type Static } from '@sinclair/typebox';
import { AttendanceRecord } from '../attendance/attendance';
import { Fraction, Instant, Nullable } from '../shared/scalars';
import { CourseRecord } from './record';

/* What the figures command reads: one question a case. Optional members default as the core says. */
const optional = <T extends Parameters<typeof Nullable>[0]>(schema: T) => Type.Optional(Nullable(schema));

export const CourseCase = Type.Object({
  record: CourseRecord,
  targets: optional(Type.Array(Type.Number())),
  since: optional(Instant),
});
export type CourseCase = Static<typeof CourseCase>;

export const ComposeCase = Type.Object({
  parts: Type.Array(
    Type.Object({
      weight: optional(Type.Number({ minimum: 0 })),
      fraction: optional(Fraction),
      stored: optional(Fraction),
    }),
  ),
});
export type ComposeCase = Static<typeof ComposeCase>;

export const GpaCase = Type.Object({
  points: Type.Record(Type.String(), Type.Number()),
  courses: Type.Array(
    Type.Object({
      letter: optional(Type.String()),
      credits: optional(Type.Number({ minimum: 0 })),
      bump: optional(Type.Number()),
    }),
  ),
});
export type GpaCase = Static<typeof GpaCase>;

export const AttendanceCase = Type.Object({ record: AttendanceRecord });
export type AttendanceCase = Static<typeof AttendanceCase>;

/** By kind. */
export const figureCases = {
  course: CourseCase,
  compose: ComposeCase,
  gpa: GpaCase,
  attendance: AttendanceCase,
} as const;
