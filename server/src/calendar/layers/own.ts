import type { CalendarEvent } from '@cadro/contract';
import { type DateRange, daysAfter } from '@cadro/core';
import { occurrences, wallTimeIn } from '@cadro/core/ical';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { parseISO } from 'date-fns/parseISO';
import type { Db } from '../../kit';
import { entriesFor, type EntryRow } from '../entryStore';
import { eventOf, zoneOf, type Viewer } from '../viewer';

/** The day of an entry that hangs on a work: so many days before it is due where the child's school is. */
export function dayBeforeDue(viewer: Viewer, entry: EntryRow): string | null {
  if (!entry.due_at) return null;
  const { on } = wallTimeIn(zoneOf(viewer, entry.item_student_id), entry.due_at.getTime());
  return daysAfter(on, -(entry.days_before ?? 0));
}

/** The first days of an entry's occurrences that touch the range. */
export function daysOf(viewer: Viewer, entry: EntryRow, { from, to }: DateRange): string[] {
  const on = entry.item_id ? dayBeforeDue(viewer, entry) : entry.on_date;
  if (on === null) return [];
  const length = entry.last_on ? differenceInCalendarDays(parseISO(entry.last_on), parseISO(on)) : 0;
  const { rule, skipped } = entry;
  return occurrences({ on, rule, skipped }, daysAfter(from, -length), to);
}

/** What the household has written into the calendar itself. */
export async function ownEvents(db: Db, viewer: Viewer, range: DateRange): Promise<CalendarEvent[]> {
  const rows = await entriesFor(db, viewer);
  return rows.flatMap((entry) =>
    daysOf(viewer, entry, range).map((on) =>
      eventOf({
        key: entry.rule ? `entry-${entry.id}-${on}` : `entry-${entry.id}`,
        layer: 'own',
        studentIds: entry.student_ids,
        title: entry.title,
        detail: entry.item_title ?? entry.text,
        on,
        lastOn: entry.rule ? on : (entry.last_on ?? on),
        startsAt: entry.starts_at,
        endsAt: entry.ends_at,
        timeZone: entry.time_zone,
        settled: entry.done.includes(on),
        link: { to: 'entry', entryId: entry.id },
      }),
    ),
  );
}
