import type { CalendarEvent } from '@cadro/contract';
import { meetingTitle, type DateRange } from '@cadro/core';
import { wallTimeIn } from '@cadro/core/ical';
import type { Db } from '../../kit';
import { meetingsBetween } from '../../meetings';
import { anywhere, eventOf, zoneOf, type Viewer } from '../viewer';

/** The family's own meetings at school, by the school's clock; one that does not stand is not there. */
export async function meetingEvents(db: Db, viewer: Viewer, range: DateRange): Promise<CalendarEvent[]> {
  const ids = viewer.talk.map(({ id }) => id);
  if (ids.length === 0) return [];
  const rows = await meetingsBetween(db, viewer.householdId, ids, anywhere(range));
  return rows.flatMap((row) => {
    if (row.state !== 'stands') return [];
    const timeZone = zoneOf(viewer, row.student_id);
    const starts = wallTimeIn(timeZone, row.starts_at.getTime());
    const ends = wallTimeIn(timeZone, row.ends_at.getTime());
    if (starts.on > range.to || ends.on < range.from) return [];
    const child = viewer.talk.find(({ id }) => id === row.student_id)?.givenName ?? '';
    return eventOf({
      key: `meeting-${row.id}`,
      layer: 'meeting',
      studentIds: [row.student_id],
      title: meetingTitle(viewer.language, { teacher: row.teacher_name, child }),
      ...{ on: starts.on, lastOn: ends.on, startsAt: starts.time, endsAt: ends.time, timeZone },
      ...{ place: row.place, href: row.href, settled: row.ends_at <= viewer.now },
      link: { to: 'meeting', meetingId: row.id },
    });
  });
}
