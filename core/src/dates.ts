import { addDays, format, getDay, parseISO } from 'date-fns';

/** The calendar date some days after another, or before it: `2026-10-30` and 3 → `2026-11-02`. */
export const daysAfter = (date: string, days: number): string =>
  format(addDays(parseISO(date), days), 'yyyy-MM-dd');

/** The weekday of a calendar date; 0 is Sunday. */
export const weekdayOf = (date: string): number => getDay(parseISO(date));

/** Saturday and Sunday. */
export const isWeekend = (date: string): boolean => weekdayOf(date) % 6 === 0;
