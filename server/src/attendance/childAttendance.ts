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
import { groupBy, together, type Db } from '../kit';
import { guardianById } from '../household';
import { schoolTerms } from '../records';
import { withPresence } from './presence';
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

/** Children's marks as they stand in their schools' own registers, without what any household has added. */
export async function schoolRegisters(
  db: Db,
  studentIds: readonly string[],
  between?: DateRange,
): Promise<ReadonlyMap<string, StandingMark[]>> {
  const [marks, meanings] = await together(db, [
    () => marksOf(db, studentIds, null, between),
    () => meaningsOf(db, studentIds, null),
  ]);
  return registersIn(studentIds, marks, meanings);
}

/** The marks that stand of each child, by day and period. */
function registersIn(
  studentIds: readonly string[],
  marks: readonly MarkRow[],
  meanings: Awaited<ReturnType<typeof meaningsOf>>,
): Map<string, StandingMark[]> {
  const marksBy = groupBy(marks, ({ studentId }) => studentId);
  const meaningsBy = groupBy(meanings, ({ studentId }) => studentId);
  return new Map(studentIds.map((id) => [id, readRegister(marksBy.get(id) ?? [], meaningsBy.get(id) ?? [])]));
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
  const [marks, meanings, terms] = await together(db, [
    () => marksOf(db, ids, household, between),
    () => meaningsOf(db, ids, household),
    () => schoolTerms(db, ids),
  ]);
  const all = children.flatMap(({ id, timeZone, byHand }) => {
    const own = marks.filter(({ studentId }) => studentId === id);
    // A part of a year may hold a family's marks alone though its school keeps a register.
    if (between && !byHand) return own;
    return withPresence(
      own,
      terms.filter(({ studentId }) => studentId === id),
      dateIn(timeZone, now),
    ).filter(({ on }) => !between || (on >= between.from && on <= between.to));
  });
  const registers = registersIn(ids, all, meanings);
  return children.map((child) =>
    attendanceFrom(child, registers.get(child.id) ?? [], dateIn(child.timeZone, now)),
  );
}
