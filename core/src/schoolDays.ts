import { datesOf, daysAfter, isWeekend } from './dates';

/**
 * School days after one day, up to another: those on which an answer to a letter could have come.
 * @param closed days on which the school is shut, `YYYY-MM-DD`, beside weekends.
 */
export function schoolDaysWaited(from: string, to: string, closed: ReadonlySet<string>): number {
  if (to <= from) return 0;
  return datesOf({ from: daysAfter(from, 1), to }).filter((date) => !isWeekend(date) && !closed.has(date))
    .length;
}
