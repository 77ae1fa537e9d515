import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { parseISO } from 'date-fns/parseISO';
import { at, calendarDays, lessonTimes, schoolDays, storyEnd, termStart } from './calendar';
import { periodOn, rotationDayOf } from './rotation';
import { schoolEvents } from './schoolLife';
import type { CourseSpec, SchoolSpec } from '../schools/specs';
import type { Records } from '../world';

/** Teachers who write down what was done in each lesson. */
const publishing = ['kelp', 'optics', 'rowing', 'boats', 'ferries'];
const steps = ['began with', 'worked on', 'went on with', 'practised', 'looked back on'];

function putLessons(school: SchoolSpec, course: CourseSpec, records: Records, before: string): void {
  for (const rotationDay of school.rotation) {
    const period = periodOn(course, rotationDay);
    if (period === null) continue;
    const id = rotationDay === '' ? course.id : `${course.id}-${rotationDay}`;
    records.put('timetable', id, before, {
      classId: course.id,
      rotationDay,
      period,
      ...lessonTimes(period),
      room: course.room,
    });
  }
}

function putNotes(school: SchoolSpec, course: CourseSpec, records: Records): void {
  if (!publishing.includes(course.id)) return;
  for (const date of schoolDays(storyEnd)) {
    const period = periodOn(course, rotationDayOf(school, date));
    if (period === null) continue;
    const day = differenceInCalendarDays(parseISO(date), parseISO(termStart));
    const topic = course.topics[Math.floor(day / 7)] ?? '';
    const homework = course.weekly.find(({ assigned, online }) => online && assigned === day % 7);
    records.put('lessonNotes', `${course.id}-${date}`, at(date, lessonTimes(period).endsAt), {
      classId: course.id,
      date,
      done: `We ${steps[day % 7] ?? 'went on with'} ${topic.toLowerCase()}.`,
      ...(homework ? { homework: homework.title(topic) } : {}),
      ...(homework && course.id === 'boats'
        ? { files: [{ title: 'Plan of the keel, one to ten', href: 'files/keel-plan.txt' }] }
        : {}),
    });
  }
}

/** Lessons by rotation day, the calendar that says which day it is, what was done, and what is on. */
export function putTimetable(school: SchoolSpec, records: Records, before: string): void {
  for (const course of school.courses) {
    putLessons(school, course, records, before);
    putNotes(school, course, records);
  }
  for (const { date, closed } of calendarDays()) {
    records.put('schoolDays', date, before, {
      schoolId: school.id,
      date,
      open: closed === null,
      ...(closed === null ? { rotationDay: rotationDayOf(school, date) } : { title: closed }),
    });
  }
  for (const { school: where, id, course, calledOffOn, ...event } of schoolEvents) {
    if (where !== school.id) continue;
    const row = { schoolId: school.id, ...(course ? { classId: course } : {}), ...event };
    records.put('schoolEvents', id, at('2026-09-14', '09:00'), row);
    if (calledOffOn) records.put('schoolEvents', id, at(calledOffOn, '10:00'), { ...row, deleted: true });
  }
}
