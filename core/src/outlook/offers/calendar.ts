import { daysAfter, isDate, isWeekend, nextWeekday } from '../../dates';

/** The Monday of the week after. */
export const nextMonday = (date: string): string => nextWeekday(daysAfter(date, 1), 1);

/** Monday to Friday alone count. */
export function addSchoolDays(date: string, days: number): string {
  let [at, left] = [date, days];
  while (left > 0) {
    at = daysAfter(at, 1);
    if (!isWeekend(at)) left--;
  }
  return at;
}

const two = (value: number): string => String(value).padStart(2, '0');

/** Whether numbers that someone wrote name a day of the calendar. */
export const isDay = (year: number, month: number, day: number): boolean =>
  isDate(`${year}-${two(month)}-${two(day)}`);
