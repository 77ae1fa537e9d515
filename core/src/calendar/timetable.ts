import { byPeriod } from '../attendance';

/** A lesson of the timetable; times are of the school's clock, `08:40`. */
export interface TimetableLesson {
  readonly courseId: string;
  /** Empty for a lesson of every day. */
  readonly rotationDay: string;
  readonly period: string;
  readonly startsAt: string;
  readonly endsAt: string;
}
export interface CalendarDay {
  readonly open: boolean;
  readonly rotationDay: string | null;
}

/**
 * The lessons of one day in the order they begin.
 * @param day null where the school's calendar does not say: then only lessons of every day are known.
 */
export function lessonsOn<L extends TimetableLesson>(day: CalendarDay | null, lessons: readonly L[]): L[] {
  if (day && !day.open) return [];
  return lessons
    .filter(({ rotationDay }) => rotationDay === '' || rotationDay === day?.rotationDay)
    .sort((a, b) =>
      a.startsAt < b.startsAt ? -1 : a.startsAt > b.startsAt ? 1 : byPeriod(a.period, b.period),
    );
}
