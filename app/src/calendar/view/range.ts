import {
  addDays,
  addMonths,
  endOfMonth,
  endOfWeek,
  format as stamp,
  parseISO,
  startOfMonth,
  startOfWeek,
} from 'date-fns';
import type { Range } from '../calendarApi';

export const viewNames = ['month', 'week', 'day', 'agenda'] as const;
export type ViewName = (typeof viewNames)[number];

const iso = (date: Date): string => stamp(date, 'yyyy-MM-dd');
const monday = { weekStartsOn: 1 } as const;
/** The agenda looks four weeks ahead. */
const agendaDays = 28;

/** The days a view shows around a date; a month shows its whole weeks. */
export function rangeOf(view: ViewName, on: string): Range {
  const day = parseISO(on);
  switch (view) {
    case 'month':
      return {
        from: iso(startOfWeek(startOfMonth(day), monday)),
        to: iso(endOfWeek(endOfMonth(day), monday)),
      };
    case 'week':
      return { from: iso(startOfWeek(day, monday)), to: iso(endOfWeek(day, monday)) };
    case 'day':
      return { from: on, to: on };
    case 'agenda':
      return { from: on, to: iso(addDays(day, agendaDays - 1)) };
  }
}

/** The date one step earlier or later; a month's last day stays within the month it goes to. */
export function moved(view: ViewName, on: string, by: -1 | 1): string {
  const day = parseISO(on);
  switch (view) {
    case 'month':
      return iso(addMonths(day, by));
    case 'week':
      return iso(addDays(day, 7 * by));
    case 'day':
      return iso(addDays(day, by));
    case 'agenda':
      return iso(addDays(day, agendaDays * by));
  }
}

export const datesOf = ({ from, to }: Range): string[] => {
  const dates: string[] = [];
  for (let day = parseISO(from); iso(day) <= to; day = addDays(day, 1)) dates.push(iso(day));
  return dates;
};
