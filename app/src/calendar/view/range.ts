import { daysAfter, monthsAfter, monthWeeksOf, weekOf, type DateRange } from '@cadro/core';

export const viewNames = ['month', 'week', 'day', 'agenda'] as const;
export type ViewName = (typeof viewNames)[number];

/** The agenda looks four weeks ahead. */
const agendaDays = 28;

/** The days a view shows around a date; a month shows its whole weeks. */
export function rangeOf(view: ViewName, on: string): DateRange {
  switch (view) {
    case 'month':
      return monthWeeksOf(on);
    case 'week':
      return weekOf(on);
    case 'day':
      return { from: on, to: on };
    case 'agenda':
      return { from: on, to: daysAfter(on, agendaDays - 1) };
  }
}

/** The date one step earlier or later; a month's last day stays within the month it goes to. */
export function moved(view: ViewName, on: string, by: -1 | 1): string {
  switch (view) {
    case 'month':
      return monthsAfter(on, by);
    case 'week':
      return daysAfter(on, 7 * by);
    case 'day':
      return daysAfter(on, by);
    case 'agenda':
      return daysAfter(on, agendaDays * by);
  }
}
