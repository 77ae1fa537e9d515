import { createHash } from 'node:crypto';
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

/** So many children are looked at together. */
const looksAtOnce = 100;

/** Looks at children for those who are told about them; the same children are not asked for twice. */
export async function enqueueLooks(db: Db | Trx, studentIds: readonly string[]): Promise<void> {
  const ids = [...studentIds].sort();
  for (let from = 0; from < ids.length; from += looksAtOnce) {
    const some = ids.slice(from, from + looksAtOnce);
    await addJob(
      db,
      'lookAtChildren',
      { studentIds: some },
      { key: `looks:${createHash('sha1').update(some.join()).digest('hex')}` },
    );
  }
}

/** What concerns guardians themselves: silent sources, and looks that were not taken. */
export const enqueueUpkeep = (db: Db | Trx): Promise<void> =>
  addJob(db, 'lookAtGuardians', {}, { key: 'guardians' });

/** What is due to go out: digests, and what has waited. */
export const enqueueRounds = (db: Db | Trx): Promise<void> =>
  addJob(db, 'alertRounds', {}, { key: 'rounds' });

/** When it is tried again is kept with what is to be delivered: the queue only takes it there. */
export const enqueueDelivery = (db: Db | Trx, deliveryId: string): Promise<void> =>
  addJob(db, 'deliver', { deliveryId }, { key: `deliver:${deliveryId}` });
