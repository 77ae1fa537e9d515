import { addDays } from 'date-fns/addDays';
import { addMonths } from 'date-fns/addMonths';
import { eachDayOfInterval } from 'date-fns/eachDayOfInterval';
import { endOfMonth } from 'date-fns/endOfMonth';
import { endOfWeek } from 'date-fns/endOfWeek';
import { getDay } from 'date-fns/getDay';
import { isValid } from 'date-fns/isValid';
import { lightFormat } from 'date-fns/lightFormat';
import { parseISO } from 'date-fns/parseISO';
import { startOfMonth } from 'date-fns/startOfMonth';
import { startOfWeek } from 'date-fns/startOfWeek';
import { onceEach, remembered } from './onceEach';

/** A day of 24 hours; a calendar day may have 23 or 25. */
export const dayMs = 24 * 60 * 60 * 1000;

/* Calendar dates, `2026-10-30`. They have no zone; only `dateIn` knows of one. */

/** Two dates and all between, both included. */
export interface DateRange {
  readonly from: string;
  readonly to: string;
}

const written = (day: Date): string => lightFormat(day, 'yyyy-MM-dd');

/** Whether a text is a date of the calendar, in full; 29 February is in its leap years. */
export const isDate = (text: string): boolean => /^\d{4}-\d{2}-\d{2}$/.test(text) && isValid(parseISO(text));

/** The date some days after another, or before it: `2026-10-30` and 3 → `2026-11-02`. */
export const daysAfter = (date: string, days: number): string => written(addDays(parseISO(date), days));

/** The same day some months after; the last of a month where there is no such day. */
export const monthsAfter = (date: string, months: number): string =>
  written(addMonths(parseISO(date), months));

/** Every date from one to another, both included; none where the second lies before the first. */
export const datesOf = ({ from, to }: DateRange): string[] =>
  from > to ? [] : eachDayOfInterval({ start: parseISO(from), end: parseISO(to) }).map(written);

/** 0 is Sunday. */
export const weekdayOf = (date: string): number => getDay(parseISO(date));

/** Saturday and Sunday. */
export const isWeekend = (date: string): boolean => weekdayOf(date) % 6 === 0;

/** The first such weekday on or after a date; 0 is Sunday. */
export const nextWeekday = (date: string, weekday: number): string =>
  daysAfter(date, (weekday - weekdayOf(date) + 7) % 7);

const monday = { weekStartsOn: 1 } as const;

/** Monday to Sunday of the week a date lies in. */
export const weekOf = (date: string): DateRange => ({
  from: written(startOfWeek(parseISO(date), monday)),
  to: written(endOfWeek(parseISO(date), monday)),
});

/** The whole weeks, Monday to Sunday, that hold the month a date lies in. */
export const monthWeeksOf = (date: string): DateRange => ({
  from: written(startOfWeek(startOfMonth(parseISO(date)), monday)),
  to: written(endOfWeek(endOfMonth(parseISO(date)), monday)),
});

/** Whether a name is a zone of the IANA database. */
export function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

// Making a formatter takes far longer than using it: each zone's is made once.
const dayFormat = onceEach(
  (timeZone: string) =>
    new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' }),
);
const clockFormat = onceEach(
  (timeZone: string) =>
    new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }),
);

/** Since 1972 every zone's days begin at a whole quarter of an hour, by the clock of the world. */
const quarterMs = 15 * 60 * 1000;
const quartersSinceMs = Date.UTC(1972, 0);
const mostQuarters = 20_000;
// The works of a class are due at the same few instants: each quarter of an hour is formatted once.
const dateOfQuarter = onceEach((timeZone: string) =>
  remembered(mostQuarters, (quarter) => dayFormat(timeZone).format(quarter * quarterMs)),
);

/** The date of an instant where a zone is: the school's zone rules the school's days. */
export function dateIn(timeZone: string, instant: Date): string {
  const ms = instant.getTime();
  return ms >= quartersSinceMs
    ? dateOfQuarter(timeZone)(Math.floor(ms / quarterMs))
    : dayFormat(timeZone).format(instant);
}

/** Minutes after midnight that a clock in a zone shows at an instant. */
export function minuteIn(timeZone: string, instant: Date): number {
  const [hour, minute] = clockFormat(timeZone).format(instant).split(':').map(Number);
  return (hour ?? 0) * 60 + (minute ?? 0);
}
