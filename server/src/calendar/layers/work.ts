import type { CalendarEvent } from '@cadro/contract';
import { isTest, type DateRange } from '@cadro/core';
import { wallTimeIn } from '@cadro/core/ical';
import { offerEnds } from '../../gradebook';
import type { Db } from '../../kit';
import { isOpen } from '../../records';
import { anywhere, eventOf, zoneOf, type Viewer } from '../viewer';
import { ownDated, worksDue } from '../workStore';

/** Due at the end of a day is due on that day, at no hour. */
const endOfTheDay = '23:59';

/** Due work and tests. */
export async function workEvents(db: Db, viewer: Viewer, range: DateRange): Promise<CalendarEvent[]> {
  const ids = viewer.children.map(({ id }) => id);
  const rows = await worksDue(db, ids, { ...anywhere(range), now: viewer.now });
  return rows.flatMap(({ studentId, courseId, courseTitle, itemId, title, itemKind, dueAt, status }) => {
    if (!dueAt) return [];
    const timeZone = zoneOf(viewer, studentId);
    const { on, time } = wallTimeIn(timeZone, dueAt.getTime());
    if (on < range.from || on > range.to) return [];
    return eventOf({
      key: `due-${itemId}-${studentId}`,
      layer: isTest(itemKind) ? 'test' : 'due',
      studentIds: [studentId],
      title,
      detail: courseTitle,
      on,
      startsAt: time === endOfTheDay ? null : time,
      timeZone,
      settled: !isOpen(status),
      link: { to: 'item', studentId, courseId, itemId },
    });
  });
}

/** The last days of the offers that the household has confirmed. */
export async function offerEvents(db: Db, viewer: Viewer, range: DateRange): Promise<CalendarEvent[]> {
  const ids = viewer.talk.map(({ id }) => id);
  const rows = await offerEnds(db, viewer.guardianId, ids, { ...range, now: viewer.now });
  return rows.map((row) =>
    eventOf({
      key: `offer-${row.itemId}-${row.studentId}`,
      layer: 'offer',
      studentIds: [row.studentId],
      title: viewer.words.offerEnds(row.title),
      detail: row.courseTitle,
      on: row.until,
      timeZone: zoneOf(viewer, row.studentId),
      settled: row.standing !== 'open',
      link: { to: 'item', studentId: row.studentId, courseId: row.courseId, itemId: row.itemId },
    }),
  );
}

/** Undated work that the household has given a day of its own. */
export async function ownDateEvents(db: Db, viewer: Viewer, range: DateRange): Promise<CalendarEvent[]> {
  const ids = viewer.talk.map(({ id }) => id);
  const rows = await ownDated(db, ids, viewer.householdId, viewer.now);
  return rows
    .filter(({ ownDate }) => ownDate !== null && ownDate >= range.from && ownDate <= range.to)
    .map(({ studentId, courseId, courseTitle, itemId, title, status, ownDate }) =>
      eventOf({
        key: `own-date-${itemId}-${studentId}`,
        layer: 'own',
        studentIds: [studentId],
        title,
        detail: courseTitle,
        on: ownDate ?? '',
        timeZone: zoneOf(viewer, studentId),
        settled: !isOpen(status),
        link: { to: 'item', studentId, courseId, itemId },
      }),
    );
}
