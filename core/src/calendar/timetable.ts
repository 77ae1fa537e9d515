import { byPeriod } from '../attendance';
import { daysAfter, isWeekend } from '../dates';
import { byCodePoint } from '../gradebook';

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
    .sort((a, b) => byCodePoint(a.startsAt, b.startsAt) || byPeriod(a.period, b.period));
}

/**
 * The days with school from a date on.
 * @param open what the school's calendar says, by date; of a day it does not name, its weekday decides.
 * @param within how many days are looked through, the first one among them.
 */
export function schoolDaysFrom(from: string, open: ReadonlyMap<string, boolean>, within: number): string[] {
  const dates = Array.from({ length: within }, (_, ahead) => daysAfter(from, ahead));
  return dates.filter((date) => open.get(date) ?? !isWeekend(date));
}
