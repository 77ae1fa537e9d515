import { dateIn, dayMs, factsAt, type ChildFacts, type ChildHistory } from '@cadro/core';
import { announcementsSeen } from '../announcements';
import { balancesSeen } from '../around';
import { registersOf } from '../attendance';
import { commentsSeen, courseHistories, figuresOfNow, gradesSeen } from '../gradebook';
import { together, type Db } from '../kit';
import { hasCourses, isWhole, studentsIn, type PartOfRecord } from '../records';
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

/** Asks for what is wanted of some children only where there are any. */
const ofAny =
  <T>(some: readonly unknown[], none: T, ask: () => PromiseLike<T>) =>
  (): PromiseLike<T> =>
    some.length > 0 ? ask() : Promise.resolve(none);

/**
 * What is meant of several children's histories, as their households read them: nineteen queries, however many children.
 * What a look at a part may ask is there: of courses what is said in them and stated of them; of attendance, the register.
 */
export async function historiesOf(
  db: Db,
  parts: readonly PartOfRecord[],
  now: Date,
): Promise<(watch: Watch) => ChildHistory> {
  const since = new Date(now.getTime() - commentDays * dayMs);
  const whole = studentsIn(parts.filter(isWhole));
  const inCourses = parts.filter(hasCourses);
  const ids = studentsIn(inCourses);
  const attending = studentsIn(parts.filter((part) => isWhole(part) || part.attendance));
  const nothing = () => [];
  const [courses, comments, grades, announcements, balances, registers] = await together(db, [
    ofAny(ids, nothing, () => courseHistories(db, inCourses)),
    ofAny(ids, nothing, () => commentsSeen(db, ids, since)),
    ofAny(ids, nothing, () => gradesSeen(db, ids, since)),
    ofAny(whole, nothing, () => announcementsSeen(db, whole, since)),
    ofAny(whole, nothing, () => balancesSeen(db, whole)),
    ofAny(
      attending,
      () => ({ marks: [], meanings: [] }),
      () => registersOf(db, attending, dateIn('UTC', now)),
    ),
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
 * What is known now of what is meant of several children, with the figures that have been computed for them already.
 * @param newsMs what has happened is news for this long; by the rules' own measure where it is left out.
 */
export async function factsNow(
  db: Db,
  parts: readonly PartOfRecord[],
  now: Date,
  newsMs?: number,
): Promise<(watch: Watch) => ChildFacts> {
  const [historyOf, figures] = await together(db, [
    () => historiesOf(db, parts, now),
    () => figuresOfNow(db, parts.filter(hasCourses), now),
  ]);
  return once(byHousehold, (watch) => {
    const figuresAt = figures(watch.studentId, watch.settings.householdId);
    return factsAt(historyOf(watch), now.getTime(), {
      figuresAt,
      ...(newsMs === undefined ? {} : { newsMs }),
    });
  });
}
