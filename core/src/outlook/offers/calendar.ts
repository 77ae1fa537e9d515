import { daysAfter, isWeekend, weekdayOf } from '../../dates';

/** The first such weekday on or after a date. */
export const nextWeekday = (date: string, weekday: number): string =>
  daysAfter(date, (weekday - weekdayOf(date) + 7) % 7);

/** The Monday of the week after. */
export const nextMonday = (date: string): string => daysAfter(date, 7 - ((weekdayOf(date) + 6) % 7));

/** Monday to Friday alone count. */
export function addSchoolDays(date: string, days: number): string {
  let [at, left] = [date, days];
  while (left > 0) {
    at = daysAfter(at, 1);
    if (!isWeekend(at)) left--;
  }
  return at;
}

/** Whether a day is on the calendar; 29 February is in its leap years. */
export function isDate(year: number, month: number, day: number): boolean {
  const date = new Date(Date.UTC(year, month - 1, day));
  return date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
}

export function isTimeZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone });
    return true;
  } catch {
    return false;
  }
}

/** The calendar date of an instant in a zone. */
export const dateIn = (zone: string, instant: string): string =>
  new Intl.DateTimeFormat('en-CA', {
    timeZone: zone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
  }).format(new Date(instant));
