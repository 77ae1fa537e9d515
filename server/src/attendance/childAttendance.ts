import type { AttendanceRecord, Child } from '@cadro/contract';
import {
  attendanceSummary,
  leftEarlyDays,
  schoolDaysOf,
  type AttendanceSummary,
  type SchoolDay,
} from '@cadro/core';
import type { Db } from '../db';
import { dateIn } from '../household';
import { marksOf, type DateRange, type MarkRow } from './store';

export interface ChildAttendance {
  readonly child: Child;
  readonly marks: readonly MarkRow[];
  readonly days: readonly SchoolDay[];
  readonly summary: AttendanceSummary;
  readonly leftEarlyOn: readonly string[];
}

/** The marks of one child in the core's shape; a code means what its own mark says. */
export function attendanceRecord(marks: readonly MarkRow[], asOf: string): AttendanceRecord {
  const codes: AttendanceRecord['codes'] = {};
  const days = new Map<string, AttendanceRecord['days'][number]['periods']>();
  for (const { on_date, period, course_id, code, kind, excused } of marks) {
    const meaning = `${code}/${kind}/${excused}`;
    codes[meaning] = { kind, excused };
    days.set(on_date, [...(days.get(on_date) ?? []), { period, courseId: course_id, code: meaning }]);
  }
  return { asOf, codes, days: [...days].map(([date, periods]) => ({ date, periods })) };
}

/** Attendance of several children with one query; `between` two dates, both included, or of all time. */
export async function attendanceOf(
  db: Db,
  children: readonly Child[],
  now: Date,
  between?: DateRange,
): Promise<ChildAttendance[]> {
  const marks = await marksOf(
    db,
    children.map(({ id }) => id),
    between,
  );
  return children.map((child) => {
    const own = marks.filter(({ student_id }) => student_id === child.id);
    const record = attendanceRecord(own, dateIn(child.timeZone, now));
    const days = schoolDaysOf(record);
    return { child, marks: own, days, summary: attendanceSummary(record), leftEarlyOn: leftEarlyDays(days) };
  });
}
