import type { Deps } from '../../kit';
import type { CalendarEvent } from '@cadro/contract';
import { type DateRange, daysAfter } from '@cadro/core';
import { openFollowUps } from '../../followups';
import { readPlans } from '../../plan';
import { eventOf, zoneOf, type Viewer } from '../viewer';

const within = (on: string | null, { from, to }: DateRange): on is string =>
  on !== null && on >= from && on <= to;

/** Evenings that the household has planned work for. */
export async function planEvents(deps: Deps, viewer: Viewer, range: DateRange): Promise<CalendarEvent[]> {
  const { guardianId, householdId, today, words } = viewer;
  // A plan reaches over the next two weeks and remembers the last one.
  if (range.to < daysAfter(today, -8) || range.from > daysAfter(today, 15)) return [];
  const plans = await readPlans(deps, guardianId, viewer.talk, householdId);
  return viewer.talk.flatMap((child, index) =>
    (plans[index]?.tasks ?? []).flatMap(({ itemId, title, courseTitle, minutes, evening, doneAt }) =>
      within(evening, range)
        ? eventOf({
            key: `plan-${itemId}-${child.id}`,
            layer: 'plan',
            studentIds: [child.id],
            title: words.evening(title, minutes),
            detail: courseTitle,
            on: evening,
            timeZone: child.timeZone,
            settled: doneAt !== null,
            link: { to: 'plan', studentId: child.id },
          })
        : [],
    ),
  );
}

/** Days on which an open follow-up wants to be looked at again. */
export async function lookAgainEvents(
  { db }: Deps,
  viewer: Viewer,
  range: DateRange,
): Promise<CalendarEvent[]> {
  const ids = viewer.talk.map(({ id }) => id);
  const rows = await openFollowUps(db, viewer.guardianId, ids);
  return rows.flatMap(({ id, student_id, title, course_title, look_again_on }) =>
    within(look_again_on, range)
      ? eventOf({
          key: `look-again-${id}`,
          layer: 'look-again',
          studentIds: [student_id],
          title: viewer.words.lookAgain(title),
          detail: course_title,
          on: look_again_on,
          timeZone: zoneOf(viewer, student_id),
          link: { to: 'follow-up', followUpId: id },
        })
      : [],
  );
}
