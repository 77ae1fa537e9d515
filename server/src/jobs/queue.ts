import type { Db, Trx } from '../db';

/** Jobs go into the queue in the transaction that gives the reason for them. */
async function addJob(
  db: Db | Trx,
  task: string,
  payload: Record<string, unknown>,
  options: { key?: string; queue?: string } = {},
): Promise<void> {
  await db.raw('select graphile_worker.add_job(?, ?::json, queue_name := ?, job_key := ?)', [
    task,
    JSON.stringify(payload),
    options.queue ?? null,
    options.key ?? null,
  ]);
}

/** Later wishes for a child whose figures wait to be computed join the one that waits. */
export async function enqueueFigures(db: Db | Trx, studentIds: readonly string[]): Promise<void> {
  for (const studentId of studentIds) {
    await addJob(db, 'computeFigures', { studentId }, { key: `figures:${studentId}` });
  }
}

/** One source is never read twice at once. */
export const enqueueSync = (db: Db | Trx, sourceId: string): Promise<void> =>
  addJob(db, 'syncSource', { sourceId }, { key: `sync:${sourceId}`, queue: `source:${sourceId}` });

export const enqueueMail = (db: Db | Trx, messageId: string): Promise<void> =>
  addJob(db, 'sendMail', { messageId }, { key: `mail:${messageId}` });
