import type { AttendancePattern, Child, TouchedWork } from '@cadro/contract';
import { type Away, awayFrom, dateIn, lessonsOn, touchedWork } from '@cadro/core';
import type { ChildAttendance } from '../../attendance';
import { looseEndsOf } from '../../gradebook';
import { endOfDay, startOfDay, type Db, type Deps } from '../../kit';
import { doubtsOf } from '../../outlook';
import * as timetable from '../../records';
import * as works from '../workStore';

type SchoolDays = ChildAttendance['days'];

/**
 * The work that absences and trips touched, with how it stands now.
 * @param meets the courses that met on a day, for days that are marked as a whole.
 */
export async function touchedBy(
  db: Db,
  { child, householdId }: { readonly child: Child; readonly householdId: string },
  days: SchoolDays,
  meets: (date: string) => readonly string[],
  now: Date,
): Promise<{ away: Away[]; touched: TouchedWork[] }> {
  const away = awayFrom(days, meets);
  const dates = away.map(({ on }) => on).sort();
  const [first, last] = [dates[0], dates.at(-1)];
  if (first === undefined || last === undefined) return { away, touched: [] };
  const [rows, ends] = await Promise.all([
    works.worksBetween(db, [child.id], {
      from: startOfDay(first, child.timeZone),
      to: endOfDay(last, child.timeZone),
      now,
    }),
    looseEndsOf(db, householdId, [child.id]),
  ]);
  const ids = rows.map(({ itemId }) => itemId);
  const [remarked, doubt] = await Promise.all([
    timetable.remarkedWorks(db, [child.id], ids),
    doubtsOf(db, [child.id], ids, now),
  ]);
  const dated = rows.map(({ itemId, courseId, assignedAt, dueAt }) => ({
    itemId,
    courseId,
    assignedOn: dateIn(child.timeZone, assignedAt),
    dueOn: dueAt && dateIn(child.timeZone, dueAt),
  }));
  const byId = new Map(rows.map((row) => [row.itemId, row]));
  const touched = touchedWork(away, dated).flatMap(({ itemId, assigned, due }): TouchedWork[] => {
    const row = byId.get(itemId);
    if (!row) return [];
    const end = ends.get(`${child.id}:${itemId}`);
    const { courseId, courseTitle, title, possible, dueAt, status, earned } = row;
    const doubtful = doubt(child.id, itemId) === 'doubtful';
    return [
      {
        ...{ itemId, courseId, courseTitle, title, possible, assigned, due, status, earned },
        dueAt: dueAt && dueAt.toISOString(),
        kind: end?.kind ?? null,
        remarked: remarked.has(`${child.id}:${itemId}`),
        doubtful,
        // What waits for its score, handed in or taken in class, is the teacher's to do.
        open:
          !doubtful &&
          (end ? end.kind !== 'unmarked' : status === 'open' && (dueAt === null || dueAt >= now)),
        deadline: end?.deadline ?? null,
      },
    ];
  });
  return { away, touched };
}

/** For the pages of attendance: the works that some days touched, each once. */
export const touchedByPattern =
  ({ db, clock }: Deps) =>
  async (householdId: string, child: Child, days: SchoolDays): Promise<AttendancePattern['touched']> => {
    const dates = days.map(({ date }) => date).sort();
    const [from, to] = [dates[0], dates.at(-1)];
    if (from === undefined || to === undefined) return [];
    const now = await clock.now();
    const [lessons, calendar] = await Promise.all([
      timetable.lessonsOf(db, [child.id], now),
      timetable.schoolDaysOf(db, [child.id], { from, to }),
    ]);
    const meets = (date: string) =>
      lessonsOn(calendar.find(({ on }) => on === date) ?? null, lessons).map(({ courseId }) => courseId);
    const { touched } = await touchedBy(db, { child, householdId }, days, meets, now);
    const once = new Map(touched.map((work) => [work.itemId, work]));
    return [...once.values()].map(({ itemId, courseId, courseTitle, title, open }) => ({
      ...{ itemId, courseId, courseTitle, title, open },
    }));
  };
