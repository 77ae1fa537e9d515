import type { Child, ChildDay, LessonOfDay, SchoolEvent } from '@cadro/contract';
import { byCodePoint, byPeriod, daysAfter, lessonsOn, schoolDaysFrom } from '@cadro/core';
import { attendanceOf, markView, teacherView, type ChildAttendance } from '../../attendance';
import { absencesTakenInHand } from '../../followups';
import { filesFrom } from '../../gradebook';
import { householdOf } from '../../household';
import type { Deps } from '../../kit';
import * as timetable from '../../records';
import { sourceStates, type SourceState } from '../../sources';
import { touchedBy } from './touched';

type SourceOf = (sourceId: string) => SourceState;

const unpublished = { done: null, homework: null, files: [] };

/** The day's lessons by the timetable, each with its mark; marks that no lesson was planned for stand by period. */
function lessonsOfDay(
  planned: readonly timetable.PlannedLesson[],
  marks: ChildAttendance['marks'],
  notes: readonly timetable.KeptNote[],
  sourceOf: SourceOf,
): LessonOfDay[] {
  const free = new Set(marks.filter(({ mark }) => mark.period !== wholeDay));
  const lessons = planned.map((lesson): LessonOfDay => {
    const found = [...free].find(
      ({ mark }) =>
        mark.courseId === lesson.courseId || (mark.courseId === null && mark.period === lesson.period),
    );
    if (found) free.delete(found);
    const note = notes.find(({ courseId }) => courseId === lesson.courseId);
    const { period, startsAt, endsAt, courseId, courseTitle, room, teacher } = lesson;
    return {
      ...{ period, startsAt, endsAt, courseId, courseTitle, room, teacher },
      mark: found ? markView(found) : null,
      ...(note
        ? {
            done: note.done,
            homework: note.homework,
            files: filesFrom(sourceOf(note.sourceId).baseUrl, note.files),
          }
        : unpublished),
    };
  });
  const unplanned = [...free].map((each): LessonOfDay => {
    const mark = markView(each);
    const { period, courseId, courseTitle } = mark;
    const when = { startsAt: null, endsAt: null, room: null, teacher: null };
    return { period, courseId, courseTitle, ...when, mark, ...unpublished };
  });
  return [...lessons, ...unplanned].sort((a, b) =>
    a.startsAt && b.startsAt && a.startsAt !== b.startsAt
      ? byCodePoint(a.startsAt, b.startsAt)
      : byPeriod(a.period, b.period),
  );
}

/** The period under which a school marks the day as a whole. */
const wholeDay = 'day';

export const eventView = (row: timetable.KeptSchoolEvent, sourceOf: SourceOf): SchoolEvent => {
  const { kind, title, courseTitle, on, lastOn, startsAt, endsAt, place, href, sourceId } = row;
  const [file] = href ? filesFrom(sourceOf(sourceId).baseUrl, [{ title, href }]) : [];
  return { kind, title, courseTitle, on, lastOn, startsAt, endsAt, place, href: file?.href ?? null };
};

/** Days that can be told of ahead, in one letter. */
const fortnight = 14;

interface Asked {
  readonly guardianId: string;
  readonly child: Child;
  readonly on: string;
  readonly mayTalk: boolean;
}

/** What is kept of a day: the marks, the timetable, what the school has on, what is in hand. */
async function keptOf({ db, clock }: Deps, { guardianId, child, on, mayTalk }: Asked) {
  const now = await clock.now();
  const range = { from: on, to: on };
  const [household, [own], lessons, days, events, desks, inHand, around] = await Promise.all([
    householdOf(db, guardianId),
    attendanceOf(db, { guardianId }, [child], now, range),
    timetable.lessonsOf(db, [child.id], now),
    timetable.schoolDaysOf(db, [child.id], { from: on, to: daysAfter(on, fortnight - 1) }),
    timetable.schoolEventsOf(db, [child.id], range),
    timetable.desksOf(db, [child.id]),
    mayTalk ? absencesTakenInHand(db, guardianId, child.id) : [],
    timetable.neighbours(db, child.id, on),
  ]);
  if (!own) throw new Error(`no attendance of ${child.id}`);
  const day = days.find((each) => each.on === on) ?? null;
  const planned = lessonsOn(day, lessons);
  const courseIds = planned.map(({ courseId }) => courseId);
  const [notes, { away, touched }] = await Promise.all([
    timetable.lessonNotesOf(db, courseIds, on),
    touchedBy(db, { child, householdId: household.id }, own.days, () => courseIds, now),
  ]);
  const ids = [...notes, ...events].map(({ sourceId }) => sourceId);
  const sourceOf = await sourceStates(db, [...new Set(ids)]);
  return {
    ...{ own, day, days, planned, notes, events, sourceOf, away, touched, inHand, around },
    desk: desks.get(child.id),
  };
}
type Kept = Awaited<ReturnType<typeof keptOf>>;

/** Lessons missed, apart by why. */
function missedOf({ own, away }: Kept): ChildDay['missed'] {
  const absent = own.days.flatMap((each) => each.lessons).filter(({ kind }) => kind === 'absent');
  return {
    absent: away.filter(({ trip }) => !trip).length,
    unexplained: absent.filter(({ excused }) => !excused).length,
    trip: away.filter(({ trip }) => trip).length,
  };
}

/** The follow-ups that are about lessons of this day. */
const inHandOn = ({ inHand }: Kept, on: string): ChildDay['inHand'] =>
  inHand.flatMap(({ id, title, absence, step }) =>
    absence?.lessons.some((lesson) => lesson.on === on)
      ? [
          {
            followUpId: id,
            title,
            purpose: absence.purpose,
            open: step !== 'settled',
            lessons: absence.lessons.map(({ on: date, period }) => ({ on: date, period })),
          },
        ]
      : [],
  );

/** One day of a child: what was planned, what happened, and what it touched. */
export async function childDay(deps: Deps, asked: Asked): Promise<ChildDay> {
  const { child, on } = asked;
  const kept = await keptOf(deps, asked);
  const { own, day, days, planned, notes, events, sourceOf, touched, around, desk } = kept;
  const openOn = new Map(days.map((each) => [each.on, each.open]));
  const whole = own.marks.find(({ mark }) => mark.period === wholeDay && mark.courseId === null);
  return {
    studentId: child.id,
    on,
    today: own.today,
    open: day?.open ?? null,
    rotationDay: day?.rotationDay || null,
    closedFor: day?.title ?? null,
    dayMark: whole ? markView(whole) : null,
    lessons: lessonsOfDay(planned, own.marks, notes, sourceOf),
    events: events.map((event) => eventView(event, sourceOf)),
    missed: missedOf(kept),
    touched,
    inHand: inHandOn(kept, on),
    desk: desk ? teacherView(desk) : null,
    ...around,
    ahead: schoolDaysFrom(on, openOn, fortnight).filter((date) => date >= own.today),
  };
}
