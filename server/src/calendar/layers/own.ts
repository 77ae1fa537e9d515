import type { CalendarEvent } from '@cadro/contract';
import { type DateRange, daysAfter } from '@cadro/core';
import { wallTimeIn } from '@cadro/core/ical';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { parseISO } from 'date-fns/parseISO';
import { daysAgain, type CalendarDeps } from '../apart';
import { entriesFor, type EntryRow } from '../entryStore';
import { eventOf, zoneOf, type Viewer } from '../viewer';

/** The day of an entry that hangs on a work: so many days before it is due where the child's school is. */
export function dayBeforeDue(viewer: Viewer, entry: EntryRow): string | null {
  if (!entry.due_at) return null;
  const { on } = wallTimeIn(zoneOf(viewer, entry.item_student_id), entry.due_at.getTime());
  return daysAfter(on, -(entry.days_before ?? 0));
}

/** The day of an entry that is there once, if it touches the range. */
function onceWithin(viewer: Viewer, entry: EntryRow, { from, to }: DateRange): string[] {
  const on = entry.item_id ? dayBeforeDue(viewer, entry) : entry.on_date;
  if (on === null) return [];
  const length = entry.last_on ? differenceInCalendarDays(parseISO(entry.last_on), parseISO(on)) : 0;
  return on >= daysAfter(from, -length) && on <= to ? [on] : [];
}

type Again = EntryRow & { readonly rule: string; readonly on_date: string };
/** A work's day is told by when it is due, and is one. */
const comesAgain = (entry: EntryRow): entry is Again =>
  entry.rule !== null && entry.on_date !== null && entry.item_id === null;

/** The first days of the occurrences that touch a range, for each of some entries. */
export async function daysOf(
  deps: CalendarDeps,
  viewer: Viewer,
  entries: readonly EntryRow[],
  range: DateRange,
): Promise<Map<EntryRow, string[]>> {
  const again = entries.filter(comesAgain);
  const asked = again.map(({ on_date: on, rule, skipped }) => ({ on, rule, skipped, ...range }));
  const found = await daysAgain(deps, viewer.guardianId, asked);
  const ofAgain = new Map<EntryRow, string[]>(again.map((entry, at) => [entry, found[at] ?? []]));
  return new Map(entries.map((entry) => [entry, ofAgain.get(entry) ?? onceWithin(viewer, entry, range)]));
}

/** What the household has written into the calendar itself. */
export async function ownEvents(
  deps: CalendarDeps,
  viewer: Viewer,
  range: DateRange,
): Promise<CalendarEvent[]> {
  const days = await daysOf(deps, viewer, await entriesFor(deps.db, viewer), range);
  return [...days].flatMap(([entry, found]) =>
    found.map((on) =>
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
