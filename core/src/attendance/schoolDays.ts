import type { AttendanceRecord, MarkKind } from '@cadro/contract';
import { byCodePoint } from '../gradebook';

export interface Lesson {
  readonly period: string;
  readonly courseId: string | null;
  readonly kind: MarkKind;
  readonly excused: boolean;
}
export interface SchoolDay {
  readonly date: string;
  /** Scheduled lessons only, in order. */
  readonly lessons: readonly Lesson[];
  readonly absent: boolean;
}

/** The days of a record that were school days by its `asOf`, oldest first. A trip (`activity`) is presence. */
export function schoolDaysOf(record: AttendanceRecord): SchoolDay[] {
  const absentFrom = record.dayAbsentFrom ?? 0.5;
  return record.days
    .filter(({ date }) => date <= record.asOf)
    .sort((a, b) => byCodePoint(a.date, b.date))
    .flatMap(({ date, periods }): SchoolDay[] => {
      const lessons = periods.flatMap(({ period, courseId, code }): Lesson[] => {
        const meaning = record.codes[code];
        if (!meaning || meaning.kind === 'closed') return [];
        return [
          { period, courseId: courseId ?? null, kind: meaning.kind, excused: meaning.excused ?? false },
        ];
      });
      if (lessons.length === 0) return [];
      const absences = lessons.filter(({ kind }) => kind === 'absent').length;
      return [{ date, lessons, absent: absences / lessons.length >= absentFrom }];
    });
}
