const dayMs = 24 * 60 * 60 * 1000;
const msOf = (date: string): number => Date.parse(`${date}T00:00:00Z`);

/** `2026-10-30` and 3 → `2026-11-02`. */
export const addDays = (date: string, days: number): string =>
  new Date(msOf(date) + days * dayMs).toISOString().slice(0, 10);

/** 0 is Sunday. */
export const weekdayOf = (date: string): number => new Date(msOf(date)).getUTCDay();

/** The first such weekday on or after a date. */
export const nextWeekday = (date: string, weekday: number): string =>
  addDays(date, (weekday - weekdayOf(date) + 7) % 7);

/** The Monday of the week after. */
export const nextMonday = (date: string): string => addDays(date, 7 - ((weekdayOf(date) + 6) % 7));

/** Monday to Friday alone count. */
export function addSchoolDays(date: string, days: number): string {
  let [at, left] = [date, days];
  while (left > 0) {
    at = addDays(at, 1);
    if (weekdayOf(at) % 6 !== 0) left--;
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
