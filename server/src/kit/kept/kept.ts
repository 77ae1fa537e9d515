import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { dayMs } from '@cadro/core';
import { houseOf, type Clock, type Db } from '../db';
import { keep, standing, stampFor, type KeptKey } from './keptStore';

/** An answer as it goes out. */
export interface KeptAnswer {
  readonly etag: string;
  /** JSON; null where whoever asks has this one. */
  readonly body: string | null;
}

/** What another program made is not given out by this one. */
const build = createHash('sha256').update(readFileSync(__filename)).digest('base64url').slice(0, 16);

/** By the clock alone an answer stands to the end of a quarter of an hour: days begin with one, wherever they do. */
const quarterMs = 15 * 60_000;
const instant = /"(\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(?:\.\d+)?Z)"/g;

/**
 * ...and no longer than to the next instant that it names, or that lies whole days after one: something is due, begins
 * or ends then, or is no news any more.
 */
function standsUntil(body: string, now: Date): Date {
  const ms = now.getTime();
  const quarter = (Math.floor(ms / quarterMs) + 1) * quarterMs;
  const named = [...body.matchAll(instant)].map(([, at = '']) => Date.parse(at));
  const next = (at: number) => (at > ms ? at : at + (Math.floor((ms - at) / dayMs) + 1) * dayMs);
  return new Date(named.reduce((until, at) => Math.min(until, next(at)), quarter));
}

const etagOf = (body: string): string =>
  `"${createHash('sha256').update(body).digest('base64url').slice(0, 27)}"`;

interface Asked {
  readonly guardianId: string;
  /** Of the page; what is asked for by it in every way has one. */
  readonly name: string;
  /** Tag of the answer that whoever asks has already. */
  readonly has: string | undefined;
}

/** In tests every answer that is given out once more is made anew as well, so that none can be untrue. */
const checkKept = process.env['NODE_ENV'] === 'test';

async function checked(
  house: Db,
  key: KeptKey,
  at: Date,
  make: (clock: Clock) => Promise<string>,
): Promise<void> {
  const fresh = await make({ now: () => Promise.resolve(at) });
  // What was touched meanwhile is no answer's fault.
  const kept = await standing(house, key, { now: at, has: '' });
  if (kept?.body && kept.body !== fresh) throw new Error(`an answer stands that is not true: ${key.name}`);
}

/**
 * What a guardian is answered: as it was made before, while nothing that it is made of has been touched, else anew.
 * @param make takes the clock that the answer is to be made by.
 */
export async function keptAnswer(
  { db, clock }: { readonly db: Db; readonly clock: Clock },
  { guardianId, name, has = '' }: Asked,
  make: (clock: Clock) => Promise<string>,
): Promise<KeptAnswer> {
  const house = houseOf(db);
  const key = { guardianId, name, build };
  const now = await clock.now();
  const kept = await standing(house, key, { now, has });
  if (kept) {
    if (checkKept) await checked(house, key, kept.made_at, make);
    return kept;
  }
  // Counted first: whatever is touched while the answer is made makes the next one.
  const stamped = await stampFor(house, guardianId);
  const body = await make({ now: () => Promise.resolve(now) });
  const etag = etagOf(body);
  await keep(house, key, { ...stamped, made_at: now, until: standsUntil(body, now), etag, body });
  return { etag, body: etag === has ? null : body };
}
