import type { Repeats } from '@cadro/contract';
import { daysAfter, nextWeekday } from '../dates';

/** The next day after today on which a follow-up of every week comes back. */
export const nextLook = ({ weekday }: Repeats, today: string): string =>
  nextWeekday(daysAfter(today, 1), weekday % 7);

/** Whether a course stands where a follow-up of every week is to end. @param display its figure on the course's scale. */
export const hasReached = ({ untilAtLeast }: Repeats, display: number | null): boolean =>
  untilAtLeast !== null && display !== null && display >= untilAtLeast;
