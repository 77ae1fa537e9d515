import { createHash } from 'node:crypto';
import { addJobs, type Db, type Job, type Trx } from '../kit';
import { isWhole, joined, studentsIn, wholeOf, type PartOfRecord } from '../records';
import { studentsNotLookedAtToday, takeDueLooks } from './lookStore';

/** So many children are looked at together, and so many parts of records. */
const looksAtOnce = { whole: 50, parts: 300 } as const;

/**
 * Wishes that what is meant of children is looked at for those who are told about them; the same is not asked for twice.
 * Whoever stands next to each other is looked at together.
 */
export async function wantLooks(db: Db | Trx, parts: readonly PartOfRecord[]): Promise<void> {
  const ofSize = (some: readonly PartOfRecord[], size: number) =>
    Array.from({ length: Math.ceil(some.length / size) }, (_, index) =>
      some.slice(index * size, (index + 1) * size),
    );
  const chunks = [
    ...ofSize(parts.filter(isWhole), looksAtOnce.whole),
    ...ofSize(
      parts.filter((part) => !isWhole(part)),
      looksAtOnce.parts,
    ),
  ];
  await addJobs(
    db,
    chunks.map((some): Job => {
      const payload = {
        studentIds: studentsIn(some.filter(isWhole)),
        parts: some.filter((part) => !isWhole(part)),
      };
      const key = createHash('sha1').update(JSON.stringify(payload)).digest('hex');
      return { task: 'lookAtChildren', payload, key: `looks:${key}` };
    }),
  );
}

/**
 * Rules count days, so that everybody is looked at once on each day of the school's, though nothing of
 * their record has changed; and earlier where a rule has something to say by the clock alone.
 * @param but children who are looked at anyway.
 */
export async function wantOldLooks(
  db: Db,
  sourceIds: readonly string[],
  { now, but }: { readonly now: Date; readonly but: ReadonlySet<string> },
): Promise<void> {
  await db.transaction(async (trx) => {
    const ids = await studentsNotLookedAtToday(trx, sourceIds, now);
    const due = await takeDueLooks(trx, sourceIds, now);
    await wantLooks(
      trx,
      joined([...wholeOf(ids), ...due]).filter(({ studentId }) => !but.has(studentId)),
    );
  });
}

/** The queue's wish that what concerns guardians themselves is looked at: silent sources, and looks not taken. */
export const upkeepJob: Job = { task: 'lookAtGuardians', payload: {}, key: 'guardians' };

/** The queue's wish that what is due goes out: digests, and what has waited. */
export const roundsJob: Job = { task: 'alertRounds', payload: {}, key: 'rounds' };
