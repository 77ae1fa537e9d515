import type { AnswerOf, BodyOf, elsewhereRoutes, SourceFailure } from '@cadro/contract';
import { dateIn } from '@cadro/core';
import { fetchText, followWork, SourceError, type CalendarWork, type OwnDeps } from '../../sources';
import { HttpProblem, houseOf, seal, takeTry, unseal, type Config } from '../../kit';
import { requireChild } from '../../household';
import * as store from './importStore';
import { putCalendar, readingOf, takeCalendar, type Reading } from './imports';

export interface FollowDeps extends OwnDeps {
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
  const { report, events } = await takeCalendar(db, reading, text);
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
  const { report, events } = await takeCalendar(db, reading, text);
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

/**
 * Reads every followed calendar again, each by itself.
 * @returns how many could be read.
 * @throws what went wrong here and not there, once all the others have been read.
 */
export async function readFollowed(deps: FollowDeps): Promise<number> {
  const now = await deps.clock.now();
  const troubles: unknown[] = [];
  let done = 0;
  for (const row of await store.followedCalendars(deps.db)) {
    try {
      await readAgain(deps, row, now);
      await store.tellFollowed(deps.db, row.id, null);
      done += 1;
    } catch (error) {
      const failure = failureOf(error);
      if (failure === null) troubles.push(error);
      else await store.tellFollowed(deps.db, row.id, { failure, now });
    }
  }
  if (troubles.length > 0) throw new AggregateError(troubles, 'followed calendars could not be taken in');
  return done;
}
