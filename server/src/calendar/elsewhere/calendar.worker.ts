import { CalendarError, readCalendar, type ReadCalendar } from '@cadro/core/ical';

export interface CalendarAsk {
  readonly text: string;
  readonly timeZone: string;
  /** Rules are followed up to this day. */
  readonly horizon: string;
}

/** What a calendar holds, or why it is none. */
export type CalendarAnswer = ReadCalendar | { readonly refused: string };

export default ({ text, timeZone, horizon }: CalendarAsk): CalendarAnswer => {
  try {
    return readCalendar(text, timeZone, horizon);
  } catch (error) {
    if (error instanceof CalendarError) return { refused: error.message };
    throw error;
  }
};
