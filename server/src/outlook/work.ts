import { rolesAllowed, type Child, type OpenWork, type Work } from '@cadro/contract';
import type { Clock, Db } from '../db';
import { openFollowUps } from '../followups';
import { dateIn } from '../household';
import { comingDays, namedCourses } from './family';

const comingDaysAhead = 14;

/** Across courses: what gains the greatest share of its scale first, then what ends first; waiting last. */
function acrossCourses(a: OpenWork, b: OpenWork): number {
  if ((a.kind === 'unmarked') !== (b.kind === 'unmarked')) return a.kind === 'unmarked' ? 1 : -1;
  return (
    (b.impact ?? 0) / b.outOf - (a.impact ?? 0) / a.outOf ||
    (a.deadline ?? '9').localeCompare(b.deadline ?? '9') ||
    a.title.localeCompare(b.title)
  );
}

/** Every loose end of every child in make-up order, and what is coming. */
export async function workOf(
  { db, clock }: { db: Db; clock: Clock },
  guardianId: string,
  children: readonly Child[],
): Promise<Work> {
  const now = await clock.now();
  const talkIds = children.filter(({ role }) => rolesAllowed('read-talk').includes(role)).map(({ id }) => id);
  const [courses, coming, followUps] = await Promise.all([
    namedCourses(db, guardianId, children, now),
    comingDays(db, children, now, comingDaysAhead),
    openFollowUps(db, guardianId, talkIds),
  ]);
  const taken = new Map(followUps.map((row) => [`${row.student_id}:${row.item_id}`, row.id]));
  const looseEnds = courses.flatMap((course) =>
    course.looseEnds.map((end): OpenWork => ({
      ...end,
      studentId: course.studentId,
      courseId: course.id,
      courseTitle: course.title,
      outOf: course.outOf,
      decimals: course.decimals,
      possible: course.possibleOf.get(end.itemId) ?? 0,
      recoverable: course.recoverable.has(end.itemId),
      followUpId: taken.get(`${course.studentId}:${end.itemId}`) ?? null,
    })),
  );
  return {
    today: dateIn(children[0]?.timeZone ?? 'UTC', now),
    looseEnds: looseEnds.sort(acrossCourses),
    coming,
  };
}
