import { nextWeekday } from '@cadro/core';

const names = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'] as const;

/** A weekday as a recurrence rule names it, 1 for Monday. */
export const byDay = (weekday: number): string => names[weekday - 1] ?? 'SU';

/** The weekday on which a rule of every week falls, 1 for Monday; null of any other rule. */
export function weekdayOfRule(rule: string | null): number | null {
  const day = /^FREQ=WEEKLY;BYDAY=(MO|TU|WE|TH|FR|SA|SU)$/.exec(rule ?? '')?.[1];
  const at = names.findIndex((name) => name === day);
  return at < 0 ? null : at + 1;
}

/** The first such day from today on. */
export const firstOn = (today: string, weekday: number): string => nextWeekday(today, weekday % 7);
