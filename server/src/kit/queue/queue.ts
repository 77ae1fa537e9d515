import type { Db, Trx } from '../db';

/** A wish for work to be done, in the words of the queue. */
export interface Job {
  readonly task: string;
  readonly payload: Readonly<Record<string, unknown>>;
  /** A later wish with the key of one that waits joins it. */
  readonly key?: string;
  /** Jobs of one queue run one after the other. */
  readonly queue?: string;
}

/**
 * Puts jobs into the queue, in the transaction that gives the reason for them: one statement, however many. Of several
 * with one key the last counts.
 */
export async function addJobs(db: Db | Trx, jobs: readonly Job[]): Promise<void> {
  if (jobs.length === 0) return;
  const once = new Map(jobs.map((job, index) => [job.key ?? `#${index}`, job]));
  await db.raw('select cadro_add_jobs(?::json)', [JSON.stringify([...once.values()])]);
}
