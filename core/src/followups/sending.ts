import { TZDate } from '@date-fns/tz';
import { dateIn, daysAfter, isWeekend, minuteIn, nextWeekday } from '../dates';

/** Minutes of a day between which nobody is written to. */
const [nightFrom, nightTo] = [21 * 60, 6 * 60];

/** Whether it is night where the school is: no hour for a letter. */
export function isNight(timeZone: string, at: Date): boolean {
  const minute = minuteIn(timeZone, at);
  return minute >= nightFrom || minute < nightTo;
}

/** The morning of the next weekday, at half past seven where the school is; an instant. */
export function nextMorning(timeZone: string, now: Date): string {
  const tomorrow = daysAfter(dateIn(timeZone, now), 1);
  const on = isWeekend(tomorrow) ? nextWeekday(tomorrow, 1) : tomorrow;
  const [year = 0, month = 1, day = 1] = on.split('-').map(Number);
  return new Date(new TZDate(year, month - 1, day, 7, 30, timeZone).getTime()).toISOString();
}
