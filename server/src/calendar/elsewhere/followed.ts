import type { AnswerOf, BodyOf, elsewhereRoutes, SourceFailure } from '@cadro/contract';
import { dateIn } from '@cadro/core';
import { fetchText, followWork, SourceError, type CalendarWork, type OwnDeps } from '../../sources';
import { HttpProblem, houseOf, seal, takeTry, unseal, type Config, type Db } from '../../kit';
import { requireChild } from '../../household';
import * as store from './importStore';
import type { CalendarDeps } from '../apart';
import { putCalendar, readingOf, takeCalendar, type Reading } from './imports';

export interface FollowDeps extends OwnDeps, Pick<CalendarDeps, 'threads'> {
  readonly config: Pick<Config, 'secret' | 'sourceTimeoutMs' | 'privateSources'>;
}

/** More addresses than a family follows; each costs a request that somebody else answers. */
const followPatience = { free: 20, firstWaitSeconds: 60, longestWaitSeconds: 3600, forgetSeconds: 3600 };

/** `webcal` is what programs call an address of a calendar. */
const addressOf = (url: string): URL => {
  const plain = url.replace(/^webcal:/, 'https:');
  if (!URL.canParse(plain)) throw new SourceError('source-elsewhere', 'is no address', false);
  return new URL(plain);
};

const fetched = ({ config }: FollowDeps, url: string): Promise<string> =>
  fetchText(addressOf(url), { timeoutMs: config.sourceTimeoutMs, allowPrivate: config.privateSources });

type Events = Awaited<ReturnType<typeof takeCalendar>>['events'];
/** What is on one day is due then; what goes on for days, or comes again and again, is no work. */
const worksOf = (events: Events): CalendarWork[] =>
  events.flatMap(({ uid, title, firstOn, lastOn }) =>
    lastOn === firstOn && title.trim() !== '' ? [{ uid, title, dueOn: firstOn }] : [],
  );

/**
 * Reads a calendar at an address in, and has it read again every hour.
 * @throws HttpProblem 422 where it is no calendar, `source-unreachable` where it cannot be had.
 */
export async function followCalendar(
  deps: FollowDeps,
  guardianId: string,
  { url, asWork, ...of }: BodyOf<typeof elsewhereRoutes.follow>,
): Promise<AnswerOf<typeof elsewhereRoutes.follow>> {
  const { db, config } = deps;
  const reading = await readingOf(deps, guardianId, of);
  if (asWork) {
    if (of.studentId === null) throw new HttpProblem('bad-request');
    await requireChild(db, guardianId, of.studentId, 'write-record');
  }
  await takeTry(db, [{ kind: 'follow', of: guardianId, patience: followPatience }]);
  const text = await fetched(deps, url).catch((cause: unknown) => {
    throw cause instanceof SourceError ? new HttpProblem('source-unreachable', { cause }) : cause;
  });
  const { report, events } = await takeCalendar(deps, reading, text);
  const id = await db.transaction(async (trx) => {
    const importId = await putCalendar(trx, reading, report, events);
    await store.followAt(trx, importId, { sealed: seal(config.secret, url), asWork });
    return importId;
  });
  const house = { ...deps, db: houseOf(db) };
  const { householdId } = reading.key;
  const works =
    asWork && of.studentId !== null
      ? await followWork(house, { studentId: of.studentId, householdId }, `ics:${id}`, worksOf(events))
      : 0;
  return { report, works };
}

async function readAgain(deps: FollowDeps, row: store.FollowedRow, now: Date): Promise<void> {
  const { db, config } = deps;
  const timeZone = row.time_zone ?? 'UTC';
  const key = { householdId: row.household_id, studentId: row.student_id, name: row.name };
  const reading: Reading = { key, author: row.author, now, today: dateIn(timeZone, now), timeZone };
  const text = await fetched(deps, unseal(config.secret, row.address_sealed ?? ''));
  const { report, events } = await takeCalendar(deps, reading, text);
  await db.transaction((trx) => putCalendar(trx, reading, report, events));
  if (row.as_work && row.student_id !== null)
    await followWork(
      deps,
      { studentId: row.student_id, householdId: row.household_id },
      `ics:${row.id}`,
      worksOf(events),
    );
}

/** Why a calendar could not be read; null where the trouble is Cadro's own. */
function failureOf(error: unknown): SourceFailure | null {
  if (error instanceof SourceError) return error.code;
  return error instanceof HttpProblem ? 'source-nonsense' : null;
}

/** The calendars that are followed: each is read by itself, so that a slow one delays nobody. */
export const followedIds = async (db: Db): Promise<string[]> =>
  (await store.followedCalendars(db)).map(({ id }) => id);

/**
 * Reads a followed calendar again.
 * @returns whether it could be read; what is wrong with it or its address is told where it is shown.
 * @throws what went wrong here and not there.
 */
export async function readFollowed(deps: FollowDeps, importId: string): Promise<boolean> {
  const now = await deps.clock.now();
  const [row] = await store.followedCalendars(deps.db, importId);
  if (!row) return false;
  try {
    await readAgain(deps, row, now);
  } catch (error) {
    const failure = failureOf(error);
    if (failure === null) throw error;
    await store.tellFollowed(deps.db, row.id, { failure, now });
    return false;
  }
  await store.tellFollowed(deps.db, row.id, null);
  return true;
}
