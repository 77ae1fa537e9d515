import { createHmac } from 'node:crypto';
import type { Request } from 'express';
import { houseOf, inOneTransaction, isLockedLong, type Db } from '../db';
import type { ServerDeps } from '../deps';
import { seal, unseal } from '../seal';
import { dropKey, keepAnswer, takeKey, type WriteKey } from './onceStore';
import { HttpProblem } from './problems';

/** As a string of RFC 8941, or bare. */
const keyPattern = /^(?:"([\x21\x23-\x5b\x5d-\x7e]{8,120})"|([\w.:-]{8,120}))$/;
const waitMs = 2_000;
const askAgainSeconds = 2;

/**
 * The key under which a write is done once (draft-ietf-httpapi-idempotency-key-header); null where it has none.
 * @throws HttpProblem `bad-request`.
 */
export function idempotencyKey(request: Request): string | null {
  const text = request.get('idempotency-key');
  if (text === undefined) return null;
  const [, quoted, bare] = keyPattern.exec(text.trim()) ?? [];
  const key = quoted ?? bare;
  if (key !== undefined) return key;
  const message = 'must be 8 to 120 letters, digits and marks, in quotation marks';
  throw new HttpProblem('bad-request', { errors: [{ path: '/idempotency-key', message }] });
}

/** What a request asks for, in a form that gives nothing of it away. */
export const askedBy = (request: Request, secret: string): string =>
  createHmac('sha256', `asked:${secret}`)
    .update(JSON.stringify([request.method, request.originalUrl, request.body ?? null]))
    .digest('base64url');

/** A write that was refused: what it has counted stays, as a wrong password does. */
interface Refused {
  readonly problem: HttpProblem;
}
type Outcome = { readonly answer: unknown } | Refused;

async function writtenIn(trx: Db, work: (db: Db) => Promise<unknown>): Promise<Outcome> {
  try {
    return { answer: await work(trx) };
  } catch (error) {
    if (error instanceof HttpProblem) return { problem: error };
    throw error;
  }
}

export interface OneWrite extends WriteKey {
  readonly asked: string;
  /** With which it is answered. */
  readonly status: number;
}

/**
 * Does a write once for its key: what it writes and what it answers are kept in one transaction, so that whoever asks
 * again, because the answer was lost, because the process was killed or by clicking twice, gets the first answer.
 * @throws HttpProblem `under-way` while it is being done, `key-used` where the key was another write's.
 */
export async function once(
  { config }: Pick<ServerDeps, 'config'>,
  db: Db,
  write: OneWrite,
  work: (db: Db) => Promise<unknown>,
): Promise<unknown> {
  const outcome = await inOneTransaction(db, async (trx): Promise<Outcome> => {
    const house = houseOf(trx);
    await trx.raw(`set local lock_timeout = ${waitMs}`);
    const before = await takeKey(house, write, write.asked);
    await trx.raw('set local lock_timeout = 0');
    if (before) {
      if (before.asked !== write.asked) return { problem: new HttpProblem('key-used') };
      const sealed = before.sealed_answer;
      return { answer: sealed === null ? undefined : JSON.parse(unseal(config.secret, sealed)) };
    }
    const done = await writtenIn(trx, work);
    if ('problem' in done) await dropKey(house, write);
    else {
      const text = JSON.stringify(done.answer);
      const sealed_answer = text === undefined ? null : seal(config.secret, text);
      await keepAnswer(house, write, { status: write.status, sealed_answer });
    }
    return done;
  }).catch((error: unknown): Outcome => {
    if (!isLockedLong(error)) throw error;
    return { problem: new HttpProblem('under-way', { retryAfterSeconds: askAgainSeconds }) };
  });
  if ('problem' in outcome) throw outcome.problem;
  return outcome.answer;
}
