import { dateIn } from '@cadro/core';
import { splitTitle } from '@cadro/core/own';
import { dueOnOf, openCourses } from './ownCourse';
import { takeBack, takeRows, type NamedRow } from './ownWork';
import { openOwn, type OwnDeps } from './writeOwn';

/** Work of a calendar: by the calendar's name for it, with its day. */
export interface CalendarWork {
  readonly uid: string;
  readonly title: string;
  readonly dueOn: string;
}

const fromCalendar = ({ uid, title, dueOn }: CalendarWork, calendar: string, work: string): NamedRow => ({
  ...{ itemId: null, key: `${calendar}:${uid}`.slice(0, 300), title: (work || title).slice(0, 300), dueOn },
  ...{
    category: null,
    earned: null,
    possible: null,
    percent: null,
    letter: null,
    status: 'open',
    comment: null,
  },
});

/**
 * Takes the work of a calendar into the courses its titles name: what has moved moves, and what it names no longer and is
 * still to come goes. What names no course is left to the calendar.
 * @param calendar by what the calendar is known here; its work bears it.
 * @returns how many of its entries name a course.
 */
export async function followWork(
  deps: OwnDeps,
  { studentId, householdId }: { readonly studentId: string; readonly householdId: string },
  calendar: string,
  works: readonly CalendarWork[],
): Promise<number> {
  const own = await openOwn(deps, studentId, householdId);
  if (!own) return 0;
  const courses = await openCourses(own);
  const titles = courses.map(({ course }) => course.title);
  const split = works.map((entry) => ({ entry, ...splitTitle(entry.title, titles) }));
  const today = dateIn(own.child.school.timeZone, own.now);
  for (const [at, kept] of courses.entries()) {
    const rows = split.flatMap((each) =>
      each.course === at ? [fromCalendar(each.entry, calendar, each.work)] : [],
    );
    if (rows.length > 0) await takeRows(kept, rows);
    const named = new Set(rows.map(({ key }) => key));
    const gone = kept.items.filter((item) => {
      const isOurs = item.externalId.startsWith(`${calendar}:`) && !item.removed;
      const due = dueOnOf(item, own.child.school.timeZone);
      // What is over stays, and so does what has been handed in or scored.
      return (
        isOurs &&
        !named.has(item.externalId) &&
        (due === null || due >= today) &&
        (item.status ?? 'open') === 'open'
      );
    });
    await takeBack(kept, gone);
  }
  return split.filter(({ course }) => course !== null).length;
}
