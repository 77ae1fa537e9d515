import { setTimeout as wait } from 'node:timers/promises';
import type { Db } from '../db';

const askEveryMs = 50;

/** Waits until no job waits for its first try. A job that failed tries again later and is not waited for. */
export async function untilIdle(db: Db, timeoutMs: number): Promise<boolean> {
  for (let waitedMs = 0; waitedMs < timeoutMs; waitedMs += askEveryMs) {
    const { rows } = await db.raw<{ rows: { waiting: boolean }[] }>(
      `select exists (select from graphile_worker.jobs
        where last_error is null and run_at <= now() + interval '1 second') as waiting`,
    );
    if (rows[0]?.waiting === false) return true;
    await wait(askEveryMs);
  }
  return false;
}
