import type { Pool } from 'pg';
import type { Db } from '../db';

/** A worker that has not said for so long that it lives is taken for dead: its jobs are another's. */
const deadAfterSeconds = 30;

/** Says that a worker lives, and under which names it takes jobs. */
export async function sayAlive(
  pool: Pool,
  id: string,
  { names, mailFailingSince }: { names: readonly string[]; mailFailingSince: Date | null },
): Promise<void> {
  await pool.query(
    `insert into worker_processes (id, worker_ids, mail_failing_since) values ($1, $2, $3)
     on conflict (id) do update set beat_at = now(), worker_ids = excluded.worker_ids,
       mail_failing_since = excluded.mail_failing_since`,
    [id, names, mailFailingSince],
  );
}

export async function sayGone(pool: Pool, id: string): Promise<void> {
  await pool.query('delete from worker_processes where id = $1', [id]);
}

/*
 * A job that is freed has not had its try. One that a later wish of its key was to replace has none left, by the queue's
 * own doing, and would lie there for good: it is done once more than needed.
 */
const freeJobs = `update graphile_worker._private_jobs
  set locked_at = null, locked_by = null, attempts = greatest(attempts - 1, 0)`;
const freeQueues = 'update graphile_worker._private_job_queues set locked_at = null, locked_by = null';
const longerThan = (seconds: number): string => `locked_at < now() - ${seconds} * interval '1 second'`;

/**
 * Frees what nobody works at any more: jobs, and queues of jobs, held under a name that is no living worker's. They were
 * taken long enough ago that a worker which has just begun has said its names.
 * @returns how many jobs are free again.
 */
export async function freeLocks(pool: Pool): Promise<number> {
  await pool.query(`delete from worker_processes where beat_at < now() - $1 * interval '1 second'`, [
    deadAfterSeconds,
  ]);
  const dead = `${longerThan(deadAfterSeconds)}
    and locked_by not in (select unnest(worker_ids) from worker_processes)`;
  const { rowCount } = await pool.query(
    `with queues as (${freeQueues} where ${dead}) ${freeJobs} where ${dead}`,
  );
  return rowCount ?? 0;
}

/** Longer than the answer to a taken job is on its way. */
const lostAfterSeconds = 10;

/** A name under which jobs are taken, and the one that is being done under it. */
export interface Taking {
  readonly name: string;
  readonly jobId: string | null;
}

/** Frees what was taken under names of one's own and never heard of: the answer was lost, or could not be given back. */
export async function freeOwnLocks(pool: Pool, taking: readonly Taking[]): Promise<void> {
  const idle = taking.filter(({ jobId }) => jobId === null).map(({ name }) => name);
  const done = taking.flatMap(({ jobId }) => (jobId === null ? [] : [jobId]));
  const names = taking.map(({ name }) => name);
  const long = longerThan(lostAfterSeconds);
  await pool.query(
    `with lost as (${freeJobs} where locked_by = any ($1) and ${long} and not id = any ($2::bigint[]))
     ${freeQueues} where locked_by = any ($3) and ${long}`,
    [names, done, idle],
  );
}

export interface WorkersState {
  /** How long ago one said last that it lives; null: none ever did. */
  readonly silentSeconds: number | null;
  /** For how long the mail server has taken nothing from one that lives; 0 while it does. */
  readonly mailFailingSeconds: number;
}

/** How the workers are, whichever machines they are on. */
export async function workersState(db: Db): Promise<WorkersState> {
  const row = await db('worker_processes').first<WorkersState | undefined>(
    db.raw(`extract(epoch from now() - max(beat_at))::float as "silentSeconds"`),
    db.raw(`coalesce(extract(epoch from now() - min(mail_failing_since)), 0)::float as "mailFailingSeconds"`),
  );
  return row ?? { silentSeconds: null, mailFailingSeconds: 0 };
}
