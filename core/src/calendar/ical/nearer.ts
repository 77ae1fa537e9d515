import type ICAL from 'ical.js';
import { dayMs } from '../../dates';

const daysOf: Readonly<Record<string, number>> = { DAILY: 1, WEEKLY: 7 };
const dayOf = (on: string): number => Date.parse(`${on.slice(0, 10)}T00:00:00Z`) / dayMs;

/**
 * From where a rule can be followed so that it gives the same days from `on` at the latest, without all those before it:
 * whole periods after its start. Rules that count their days, and those by month and year, are followed from the start.
 * What is given as the start is taken for one of the days, and lies before `on`.
 */
export function nearerStart(rule: ICAL.Recur, start: ICAL.Time, on: string): ICAL.Time {
  const each = daysOf[rule.freq];
  if (each === undefined || rule.count) return start;
  const period = each * rule.interval;
  const periods = Math.floor((dayOf(on) - dayOf(start.toString())) / period) - 1;
  if (periods <= 0) return start;
  const nearer = start.clone();
  nearer.adjust(periods * period, 0, 0, 0);
  return nearer;
}
