import { ipKeyGenerator } from 'express-rate-limit';
import type { Request, RequestHandler } from 'express';
import type { Db, Trx } from '../db';
import { HttpProblem } from './problems';

/** How many tries of a kind are free, and how the waits grow after them. A key that was quiet is forgotten. */
export interface Patience {
  readonly free: number;
  readonly firstWaitSeconds: number;
  readonly longestWaitSeconds: number;
  readonly forgetSeconds: number;
}

/** What a try is counted by: a kind with its patience, and whose it is. */
export interface Counted {
  readonly kind: string;
  readonly of: string;
  readonly patience: Patience;
}

/** The address a request comes from, a proxy's word taken where it is trusted; of IPv6 the network one household has. */
export const callerOf = ({ ip = '' }: Request): string => ipKeyGenerator(ip, 56);

const keyOf = ({ kind, of }: Counted): string => `${kind}:${of}`.slice(0, 500);

/**
 * Counts a try before it is made, in one statement, so that a thousand at once are a thousand. Nobody waits after a free
 * one, not even who began before it and is counted after it. The wait after try `n` of `free` is the first one, doubled
 * for each further try, up to the longest.
 * @returns how many there have been, or how long to wait when one comes too early; that one is not counted.
 */
async function count(db: Db | Trx, counted: Counted): Promise<{ tries: number } | { waitSeconds: number }> {
  const key = keyOf(counted);
  const { free, firstWaitSeconds, longestWaitSeconds, forgetSeconds } = counted.patience;
  const { rows } = await db.raw<{ rows: { hits: number }[] }>(
    `insert into login_tries as t (key, hits, waits_until, resets_at)
       values (:key, 1, 'epoch', now() + :forget * interval '1 second')
     on conflict (key) do update set
       hits = case when t.resets_at <= now() then 1 else t.hits + 1 end,
       waits_until = case when t.resets_at <= now() or t.hits + 1 <= :free then 'epoch'
         else now() + least(:first * power(2, least(t.hits - :free, 30)), :longest) * interval '1 second' end,
       resets_at = now() + :forget * interval '1 second'
     where t.waits_until <= now()
     returning hits`,
    { key, free, first: firstWaitSeconds, longest: longestWaitSeconds, forget: forgetSeconds },
  );
  if (rows[0]) return { tries: rows[0].hits };
  const waiting = await db('login_tries')
    .where({ key })
    .first<{ seconds: number }>(db.raw('ceil(extract(epoch from waits_until - now()))::int as seconds'));
  return { waitSeconds: Math.max(1, waiting?.seconds ?? 1) };
}

/** What the operator is to know of: more tries of a kind than people make by themselves. */
export type Alarm = (kind: string, tries: number) => void;

/**
 * Counts a try under each of its keys; what is to be done then is done by the caller, who takes the count back with
 * `forgive` when it was right.
 * @throws HttpProblem `too-many-tries` with how long to wait.
 */
export async function takeTry(
  db: Db | Trx,
  keys: readonly Counted[],
  alarm?: { readonly at: number; readonly raise: Alarm },
): Promise<void> {
  for (const counted of keys) {
    const found = await count(db, counted);
    if ('waitSeconds' in found)
      throw new HttpProblem('too-many-tries', { retryAfterSeconds: found.waitSeconds });
    if (alarm && found.tries % alarm.at === 0) alarm.raise(counted.kind, found.tries);
  }
}

/** A right try costs nothing: those who share an address with others do not use up their tries. */
export async function forgive(db: Db, keys: readonly Counted[]): Promise<void> {
  await db('login_tries').whereIn('key', keys.map(keyOf)).where('hits', '>', 0).decrement('hits', 1);
}

/** Everything that was counted under a key is over. */
export async function forgetTries(db: Db, keys: readonly Counted[]): Promise<void> {
  await db('login_tries').whereIn('key', keys.map(keyOf)).delete();
}

/** Lets go of what nobody waits for any more. */
export async function pruneTries(db: Db): Promise<void> {
  await db('login_tries').whereRaw('resets_at <= now()').delete();
}

/** Programs ask for calendars again and again; who guesses asks for what is not there. */
const guessing = { free: 30, firstWaitSeconds: 30, longestWaitSeconds: 900, forgetSeconds: 900 } as const;

/** Secret addresses that were guessed wrongly, per caller; a right one costs nothing. */
export const addressLimit =
  (db: Db): RequestHandler =>
  async (request, response, next) => {
    const keys = [{ kind: 'address', of: callerOf(request), patience: guessing }];
    await takeTry(db, keys);
    response.once('finish', () => {
      // One that is not taken back is a try too many, and no fault.
      if (response.statusCode < 400) void forgive(db, keys).catch(() => undefined);
    });
    next();
  };
