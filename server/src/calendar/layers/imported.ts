import type { CalendarEvent } from '@cadro/contract';
import type { DateRange } from '@cadro/core';
import { expandedApart, type CalendarDeps } from '../apart';
import { importedBetween } from '../elsewhere/importStore';
import { eventOf, zoneOf, type Viewer } from '../viewer';

/** Calendars of elsewhere that the household has read in. */
export async function importedEvents(
  deps: CalendarDeps,
  viewer: Viewer,
  range: DateRange,
): Promise<CalendarEvent[]> {
  const rows = await importedBetween(deps.db, viewer, range);
  const zoned = rows.map((row) => ({ ...row, timeZone: zoneOf(viewer, row.studentId) }));
  const occurrences = await expandedApart(deps, viewer.guardianId, {
    ...range,
    events: zoned.map(({ component, timeZone, firstOn, lastOn }) => ({
      component,
      timeZone,
      firstOn,
      lastOn,
    })),
  });
  return zoned.flatMap(({ importId, studentId, uid, name, timeZone }, at) =>
    (occurrences[at] ?? []).map(({ planned, title, place, text, href, on, lastOn, startsAt, endsAt }) =>
      eventOf({
        key: `imported-${importId}-${uid}-${planned}`,
        layer: 'imported',
        studentIds: studentId ? [studentId] : [],
        title: title || viewer.words.untitled,
        detail: text ? `${name}: ${text}` : name,
        ...{ on, lastOn, startsAt, endsAt, place, href, timeZone },
      }),
    ),
  );
}
