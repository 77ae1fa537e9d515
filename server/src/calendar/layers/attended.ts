import type { CalendarEvent } from '@cadro/contract';
import type { DateRange } from '@cadro/core';
import { attendanceOf, type ChildAttendance } from '../../attendance';
import type { Db } from '../../kit';
import { eventOf, type Viewer } from '../viewer';

type SchoolDay = ChildAttendance['days'][number];

function marksOf({ lessons }: SchoolDay): NonNullable<CalendarEvent['marks']> {
  const count = (is: (lesson: SchoolDay['lessons'][number]) => boolean) => lessons.filter(is).length;
  return {
    absent: count(({ kind }) => kind === 'absent'),
    unexplained: count(({ kind, excused }) => kind === 'absent' && !excused),
    late: count(({ kind }) => kind === 'tardy'),
    trip: count(({ kind }) => kind === 'activity'),
    // A school that marks days has one mark without a course.
    wholeDay: lessons.length === 1 && lessons[0]?.courseId === null,
  };
}

/** Days on which a child was away or late. */
export async function attendanceEvents(db: Db, viewer: Viewer, range: DateRange): Promise<CalendarEvent[]> {
  const { children, guardianId, now, words } = viewer;
  const all = await attendanceOf(db, { guardianId }, children, now, range);
  return all.flatMap(({ child, days }) =>
    days.flatMap((day) => {
      const marks = marksOf(day);
      if (marks.absent + marks.late + marks.trip === 0) return [];
      return eventOf({
        key: `attendance-${child.id}-${day.date}`,
        layer: 'attendance',
        studentIds: [child.id],
        title: words.attended(marks),
        on: day.date,
        timeZone: child.timeZone,
        settled: true,
        marks,
        link: { to: 'day', studentId: child.id, on: day.date },
      });
    }),
  );
}
