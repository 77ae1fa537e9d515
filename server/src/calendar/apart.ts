import { join } from 'node:path';
import type { Occurrence, ReadCalendar } from '@cadro/core/ical';
import { HttpProblem, threadKind, TooMuch, type Deps, type ServerDeps } from '../kit';
import type { AgainAsk, CalendarAnswer, CalendarAsk, EventsAsk, WriteAsk } from './elsewhere/calendar.worker';
import type * as program from './elsewhere/calendar.worker';

/* Calendars, and the rules by which things come again, are read and followed apart: a line of a rule can cost seconds. */

/** Each view of the days asks; a page with several of them open waits, and is not refused. */
const following = threadKind<typeof program>(join(__dirname, 'elsewhere'), 'calendar.worker', {
  ...{ memoryMb: 192, patienceMs: 20_000, mostOfOne: 20, mostWaiting: 200, threads: 2 },
});

/** What reads calendars, beside what else there is. */
export interface CalendarDeps extends Deps, Pick<ServerDeps, 'threads'> {}
type With = Pick<CalendarDeps, 'threads'>;

/** @throws HttpProblem 422 for a text that is no whole calendar, or takes too much to be read. */
export async function readApart({ threads }: With, whose: string, ask: CalendarAsk): Promise<ReadCalendar> {
  const answer = await threads
    .of(following)
    .run('read', ask, { whose })
    .catch((cause: unknown): CalendarAnswer => {
      if (!(cause instanceof TooMuch)) throw cause;
      return { refused: cause.message };
    });
  if (!('refused' in answer)) return answer;
  throw new HttpProblem('unreadable-file', { errors: [{ path: '/text', message: answer.refused }] });
}

/** Whether a rule can be followed. */
export const isRule = async ({ threads }: With, whose: string, rule: string): Promise<boolean> =>
  (await threads.of(following).run('faultOf', rule, { whose })) === null;

/** The days of each of the things that come again. */
export const daysAgain = async (
  { threads }: With,
  whose: string,
  asked: readonly AgainAsk[],
): Promise<string[][]> => (asked.length === 0 ? [] : threads.of(following).run('days', asked, { whose }));

/** The occurrences of each event of a calendar that was read in. */
export const expandedApart = async (
  { threads }: With,
  whose: string,
  ask: EventsAsk,
): Promise<Occurrence[][]> =>
  ask.events.length === 0 ? [] : threads.of(following).run('expanded', ask, { whose });

/** A calendar as a file. */
export const writtenApart = ({ threads }: With, whose: string, ask: WriteAsk): Promise<string> =>
  threads.of(following).run('write', ask, { whose });
