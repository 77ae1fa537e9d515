import { datesOf, daysAfter, isWeekend } from '../dates';

/**
 * School days on which an answer could have come: those after the day a letter went out, up to today.
 * @param closed days on which the school is shut, `YYYY-MM-DD`, beside weekends.
 */
export function schoolDaysWaited(sentOn: string, today: string, closed: ReadonlySet<string>): number {
  if (today <= sentOn) return 0;
  return datesOf({ from: daysAfter(sentOn, 1), to: today }).filter(
    (date) => !isWeekend(date) && !closed.has(date),
  ).length;
}

/** So many school days without an answer a reminder is due. */
export const daysUntilReminder = 3;
