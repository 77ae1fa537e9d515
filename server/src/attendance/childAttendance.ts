import type { Child } from '@cadro/contract';
import {
  attendanceSummary,
  type AttendanceSummary,
  dateIn,
  type DateRange,
  leftEarlyDays,
  type ReadMark,
  readRegister,
  registerRecord,
  type SchoolDay,
  schoolDaysOf,
} from '@cadro/core';
import type { Db } from '../db';
import { guardianById } from '../household';
import { marksOf, meaningsOf, type MarkRow } from './store';

export type StandingMark = ReadMark<MarkRow>;

export interface ChildAttendance {
  readonly child: Child;
  readonly today: string;
  /** One for each lesson, by day and period; also those whose code nobody has explained. */
  readonly marks: readonly StandingMark[];
  readonly days: readonly SchoolDay[];
  readonly summary: AttendanceSummary;
  readonly leftEarlyOn: readonly string[];
}

/** What days and totals are made of, from marks that stand. */
export function attendanceFrom(child: Child, marks: readonly StandingMark[], today: string): ChildAttendance {
  const record = registerRecord(marks, today);
  const days = schoolDaysOf(record);
  return { child, today, marks, days, summary: attendanceSummary(record), leftEarlyOn: leftEarlyDays(days) };
}

/** A child's marks as they stand in the school's own register, without what any household has added. */
export async function schoolRegister(
  db: Db,
  studentId: string,
  between?: DateRange,
): Promise<StandingMark[]> {
  const [marks, meanings] = await Promise.all([
    marksOf(db, [studentId], null, between),
    meaningsOf(db, [studentId], null),
  ]);
  return readRegister(marks, meanings);
}

/**
 * Attendance of several children as a guardian's household sees it: a handful of queries.
 * @param between two dates, both included, or of all time.
 */
export async function attendanceOf(
  db: Db,
  viewer: { readonly guardianId: string },
  children: readonly Child[],
  now: Date,
  between?: DateRange,
): Promise<ChildAttendance[]> {
  const ids = children.map(({ id }) => id);
  const household = (await guardianById(db, viewer.guardianId))?.household_id ?? null;
  const [marks, meanings] = await Promise.all([
    marksOf(db, ids, household, between),
    meaningsOf(db, ids, household),
  ]);
  return children.map((child) => {
    const of = (each: { studentId: string }) => each.studentId === child.id;
    const standing = readRegister(marks.filter(of), meanings.filter(of));
    return attendanceFrom(child, standing, dateIn(child.timeZone, now));
  });
}
