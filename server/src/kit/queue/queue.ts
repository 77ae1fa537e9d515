import type { Db, Trx } from '../db';

/** A wish for work to be done, in the words of the queue. */
export interface Job {
  readonly task: string;
  readonly payload: Readonly<Record<string, unknown>>;
  /** A later wish with the key of one that waits joins it. */
  readonly key?: string;
  /** Jobs of one queue run one after the other. */
  readonly queue?: string;
  /** So many seconds from now at the earliest. */
  readonly after?: number;
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

export interface QueueState {
  readonly task: string;
  readonly waiting: number;
  /** When the one that waits longest was to run. */
  readonly oldest: Date;
  /** How many have been tried and failed. */
  readonly failed: number;
}

/** What waits in the queue, by the name of the job. */
export async function queueState(db: Db): Promise<QueueState[]> {
  const { rows } = await db.raw<{ rows: QueueState[] }>(
    `select task_identifier as task, count(*) as waiting, min(run_at) as oldest,
       count(*) filter (where last_error is not null) as failed
     from graphile_worker.jobs group by 1 order by 1`,
  );
  return rows;
}

/** How long the job that has waited longest for its turn has waited, in seconds; 0 where none is overdue. */
export async function queueAge(db: Db): Promise<number> {
  const { rows } = await db.raw<{ rows: { seconds: number | null }[] }>(
    `select extract(epoch from now() - min(run_at))::float as seconds from graphile_worker.jobs
     where locked_at is null and run_at < now() and attempts < max_attempts`,
  );
  return rows[0]?.seconds ?? 0;
}

/** Of some queues those of which a job is being done. */
export async function queuesAtWork(db: Db, names: readonly string[]): Promise<ReadonlySet<string>> {
  const { rows } = await db.raw<{ rows: { name: string }[] }>(
    `select queue_name as name from graphile_worker._private_job_queues
     where locked_at is not null and queue_name = any(?::text[])`,
    [[...names]],
  );
  return new Set(rows.map(({ name }) => name));
}
