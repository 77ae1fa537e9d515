import { createHash } from 'node:crypto';
import { addJobs, type Db, type Job, type Trx } from '../kit';
import { studentsLookedAtBefore } from './watchStore';

/** So many children are looked at together. */
const looksAtOnce = 100;

/** Wishes that children are looked at for those who are told about them; the same children are not asked for twice. */
export async function wantLooks(db: Db | Trx, studentIds: readonly string[]): Promise<void> {
  const ids = [...studentIds].sort();
  const chunks = Array.from({ length: Math.ceil(ids.length / looksAtOnce) }, (_, index) =>
    ids.slice(index * looksAtOnce, (index + 1) * looksAtOnce),
  );
  await addJobs(
    db,
    chunks.map((some): Job => ({
      task: 'lookAtChildren',
      payload: { studentIds: some },
      key: `looks:${createHash('sha1').update(some.join()).digest('hex')}`,
    })),
  );
}

/** Rules count days: who has not been looked at for so long is looked at though nothing has changed. */
const looksLastMs = 6 * 60 * 60 * 1000;

/**
 * After a reading: whose last look was long ago is looked at again, though nothing of their record has changed.
 * @param but children who are looked at anyway.
 */
export async function wantOldLooks(
  db: Db,
  sourceId: string,
  { now, but }: { readonly now: Date; readonly but: ReadonlySet<string> },
): Promise<void> {
  const ids = await studentsLookedAtBefore(db, sourceId, new Date(now.getTime() - looksLastMs));
  await wantLooks(
    db,
    ids.filter((id) => !but.has(id)),
  );
}

/** The queue's wish that what concerns guardians themselves is looked at: silent sources, and looks not taken. */
export const upkeepJob: Job = { task: 'lookAtGuardians', payload: {}, key: 'guardians' };

/** The queue's wish that what is due goes out: digests, and what has waited. */
export const roundsJob: Job = { task: 'alertRounds', payload: {}, key: 'rounds' };
