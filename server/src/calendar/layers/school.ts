import type { CalendarEvent } from '@cadro/contract';
import { type DateRange, daysAfter, isWeekend } from '@cadro/core';
import { groupBy, type Db } from '../../kit';
import * as timetable from '../../records';
import { sourceStates } from '../../sources';
import { eventView } from '../day/day';
import { eventOf, zoneOf, type Viewer } from '../viewer';

/** Longer holidays than this are none of a school year. */
const longestClosure = 100;

/** What is on at the schools, once for all children it is for. */
export async function schoolEvents(db: Db, viewer: Viewer, range: DateRange): Promise<CalendarEvent[]> {
  const ids = viewer.children.map(({ id }) => id);
  const rows = await timetable.schoolEventsOf(db, ids, range);
  const sourceOf = await sourceStates(db, [...new Set(rows.map(({ sourceId }) => sourceId))]);
  const byEvent = groupBy(rows, ({ eventId }) => eventId);
  return [...byEvent].flatMap(([eventId, same]) => {
    const [row] = same;
    if (!row) return [];
    const { kind, title, courseTitle, on, lastOn, startsAt, endsAt, place, href } = eventView(row, sourceOf);
    return eventOf({
      key: `event-${eventId}`,
      layer: kind === 'meeting' ? 'meeting' : 'school',
      studentIds: same.map(({ studentId }) => studentId),
      ...{ title, detail: courseTitle, on, lastOn, startsAt, endsAt, place, href },
      timeZone: zoneOf(viewer, row.studentId),
      link: { to: 'day', studentId: row.studentId, on },
    });
  });
}

interface Closure {
  readonly on: string;
  lastOn: string;
  readonly title: string | null;
}

/** Days without school that follow on one another under one name are one; weekends without a name are none. */
function closuresOf(days: readonly timetable.KeptSchoolDay[]): Closure[] {
  const found: Closure[] = [];
  let last: Closure | null = null;
  for (const { on, open, title } of days) {
    if (open) last = null;
    else if (last && last.title === title) last.lastOn = on;
    else if (title !== null || !isWeekend(on)) found.push((last = { on, lastOn: on, title }));
  }
  return found;
}

/** Holidays and other closures; one that several schools have under one name is one. */
export async function closureEvents(db: Db, viewer: Viewer, range: DateRange): Promise<CalendarEvent[]> {
  const ids = viewer.children.map(({ id }) => id);
  // A closure is known by its first day, which may lie before the days that are looked at.
  const wide = { from: daysAfter(range.from, -longestClosure), to: daysAfter(range.to, longestClosure) };
  const rows = await timetable.schoolDaysOf(db, ids, wide);
  const found = new Map<string, Closure & { readonly studentIds: string[] }>();
  for (const id of ids) {
    for (const closure of closuresOf(rows.filter(({ studentId }) => studentId === id))) {
      const { on, lastOn, title } = closure;
      if (lastOn < range.from || on > range.to) continue;
      const key = `closed-${on}-${lastOn}-${title ?? ''}`;
      const known = found.get(key);
      if (known) known.studentIds.push(id);
      else found.set(key, { ...closure, studentIds: [id] });
    }
  }
  return [...found].map(([key, { on, lastOn, title, studentIds }]) =>
    eventOf({
      ...{ key, layer: 'closed', studentIds, on, lastOn },
      title: title ?? viewer.words.noSchool,
      timeZone: zoneOf(viewer, studentIds[0]),
    }),
  );
}
