import type { CalendarEvent } from '@cadro/contract';
import type { DateRange } from '@cadro/core';
import { expandEvent } from '@cadro/core/ical';
import type { Db } from '../../kit';
import { importedBetween } from '../elsewhere/importStore';
import { eventOf, zoneOf, type Viewer } from '../viewer';

/** Calendars of elsewhere that the household has read in. */
export async function importedEvents(db: Db, viewer: Viewer, range: DateRange): Promise<CalendarEvent[]> {
  const rows = await importedBetween(db, viewer, range);
  return rows.flatMap(({ importId, studentId, uid, name, component }) => {
    const timeZone = zoneOf(viewer, studentId);
    return expandEvent(component, range.from, range.to, timeZone).map(
      ({ planned, title, place, text, href, on, lastOn, startsAt, endsAt }) =>
        eventOf({
          key: `imported-${importId}-${uid}-${planned}`,
          layer: 'imported',
          studentIds: studentId ? [studentId] : [],
          title: title || viewer.words.untitled,
          detail: text ? `${name}: ${text}` : name,
          ...{ on, lastOn, startsAt, endsAt, place, href, timeZone },
        }),
    );
  });
}
