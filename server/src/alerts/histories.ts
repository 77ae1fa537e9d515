import { dateIn, dayMs, factsAt, type ChildFacts, type ChildHistory } from '@cadro/core';
import { announcementsSeen } from '../announcements';
import { balancesSeen } from '../around';
import { registersOf } from '../attendance';
import { commentsSeen, courseHistories, figuresOfNow, gradesSeen } from '../gradebook';
import { together, type Db } from '../kit';
import type { Watch } from './watchStore';

/** No rehearsal begins earlier, and no rule asks of older words. */
const commentDays = 150;

function once<T>(keyOf: (watch: Watch) => string, make: (watch: Watch) => T): (watch: Watch) => T {
  const made = new Map<string, T>();
  return (watch) => {
    const key = keyOf(watch);
    const known = made.get(key) ?? make(watch);
    made.set(key, known);
    return known;
  };
}
/** Guardians of one household read a child in one way. */
const byHousehold = ({ studentId, settings: { householdId } }: Watch): string =>
  `${studentId}:${householdId}`;

/** The histories of several children as their households read them: nineteen queries, however many children. */
export async function historiesOf(
  db: Db,
  studentIds: readonly string[],
  now: Date,
): Promise<(watch: Watch) => ChildHistory> {
  const since = new Date(now.getTime() - commentDays * dayMs);
  const [courses, comments, grades, announcements, balances, registers] = await together(db, [
    () => courseHistories(db, studentIds),
    () => commentsSeen(db, studentIds, since),
    () => gradesSeen(db, studentIds, since),
    () => announcementsSeen(db, studentIds, since),
    () => balancesSeen(db, studentIds),
    () => registersOf(db, studentIds, dateIn('UTC', now)),
  ]);
  return once(byHousehold, ({ studentId, timeZone, sourceName, settings: { householdId } }) => ({
    studentId,
    timeZone,
    attendanceSource: sourceName,
    courses: courses(studentId, householdId),
    comments: comments(studentId, householdId),
    grades: grades(studentId),
    announcements: announcements(studentId, householdId),
    balances: balances(studentId),
    ...registers(studentId, householdId),
  }));
}

/**
 * What is known of several children now, with the figures that have been computed for them already.
 * @param newsMs what has happened is news for this long; by the rules' own measure where it is left out.
 */
export async function factsNow(
  db: Db,
  studentIds: readonly string[],
  now: Date,
  newsMs?: number,
): Promise<(watch: Watch) => ChildFacts> {
  const [historyOf, figures] = await together(db, [
    () => historiesOf(db, studentIds, now),
    () => figuresOfNow(db, studentIds, now),
  ]);
  return once(byHousehold, (watch) => {
    const figuresAt = figures(watch.studentId, watch.settings.householdId);
    return factsAt(historyOf(watch), now.getTime(), {
      figuresAt,
      ...(newsMs === undefined ? {} : { newsMs }),
    });
  });
}
