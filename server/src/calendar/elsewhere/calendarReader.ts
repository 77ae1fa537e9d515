import type { ReadCalendar } from '@cadro/core/ical';
import { Apart, HttpProblem, threadProgram, TooMuch } from '../../kit';
import type { CalendarAnswer, CalendarAsk } from './calendar.worker';

/** Reads calendars, with all their rules for what comes again, in a thread of its own. */
export class CalendarReader {
  private readonly thread = new Apart(threadProgram(__dirname, 'calendar.worker'), {
    ...{ memoryMb: 192, patienceMs: 10_000, mostWaiting: 50 },
  });

  /** @throws HttpProblem 422 for a text that is no whole calendar, or takes too much to be read. */
  async read(ask: CalendarAsk): Promise<ReadCalendar> {
    const answer = await this.thread.run<CalendarAnswer>(ask).catch((cause: unknown) => {
      if (!(cause instanceof TooMuch)) throw cause;
      return { refused: cause.message };
    });
    if (!('refused' in answer)) return answer;
    throw new HttpProblem('unreadable-file', { errors: [{ path: '/text', message: answer.refused }] });
  }

  close(): Promise<void> {
    return this.thread.close();
  }
}
