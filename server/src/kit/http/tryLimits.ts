import { rateLimit, type ClientRateLimitInfo, type Store } from 'express-rate-limit';
import type { Request } from 'express';
import type { Db } from '../db';
import { HttpProblem } from './problems';

const windowMs = 15 * 60 * 1000;
const triesPerWindow = { signIn: 10, address: 30 } as const;

/** Counts tries in PostgreSQL, so that several server processes count together. */
class TriesInDatabase implements Store {
  constructor(private readonly db: Db) {}

  async increment(key: string): Promise<ClientRateLimitInfo> {
    const { rows } = await this.db.raw<{ rows: { hits: number; resets_at: Date }[] }>(
      `insert into login_tries as t (key, hits, resets_at)
         values (:key, 1, now() + :windowMs * interval '1 millisecond')
       on conflict (key) do update set
         hits = case when t.resets_at <= now() then 1 else t.hits + 1 end,
         resets_at = case when t.resets_at <= now() then excluded.resets_at else t.resets_at end
       returning hits, resets_at`,
      { key, windowMs },
    );
    const row = rows[0];
    return { totalHits: row?.hits ?? 1, resetTime: row?.resets_at };
  }

  async decrement(key: string): Promise<void> {
    await this.db('login_tries').where({ key }).where('hits', '>', 0).decrement('hits', 1);
  }

  async resetKey(key: string): Promise<void> {
    await this.db('login_tries').where({ key }).delete();
  }
}

const limited = (db: Db, limit: number, keyOf: (request: Request) => string) =>
  rateLimit({
    windowMs,
    limit,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    store: new TriesInDatabase(db),
    keyGenerator: keyOf,
    handler: (_request, _response, next) => next(new HttpProblem('too-many-tries')),
  });

/** Failed tries per address and account; a right password costs nothing. */
export const loginLimit = (db: Db) =>
  limited(db, triesPerWindow.signIn, (request) => {
    const body: unknown = request.body;
    const email = typeof body === 'object' && body && 'email' in body ? String(body.email) : '';
    return `${request.socket.remoteAddress}:${email.toLowerCase().slice(0, 320)}`;
  });

/** Secret addresses that were guessed wrongly, per caller; a right one costs nothing. */
export const addressLimit = (db: Db) =>
  limited(db, triesPerWindow.address, ({ socket }) => `address:${socket.remoteAddress}`);
