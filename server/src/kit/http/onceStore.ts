import type { Db } from '../db';

/** Whose key it is, and which. */
export interface WriteKey {
  readonly personId: string;
  readonly key: string;
}

interface WrittenRow {
  /** What was asked, by digest. */
  readonly asked: string;
  readonly status: number;
  readonly sealed_answer: string | null;
}

const where = ({ personId, key }: WriteKey) => ({ person_id: personId, key });

/**
 * Takes a key for a write, until the transaction is over; waits for whoever has it.
 * @returns what was written by it before, or null when it is free.
 */
export async function takeKey(house: Db, key: WriteKey, asked: string): Promise<WrittenRow | null> {
  const taken = await house('write_answers')
    .insert({ ...where(key), asked, status: 0 })
    .onConflict(['person_id', 'key'])
    .ignore();
  if ((taken as unknown as { rowCount: number }).rowCount > 0) return null; // as the driver answers what returns nothing
  return (await house('write_answers').where(where(key)).first<WrittenRow | undefined>()) ?? null;
}

export async function keepAnswer(house: Db, key: WriteKey, answer: Omit<WrittenRow, 'asked'>): Promise<void> {
  await house('write_answers').where(where(key)).update(answer);
}

/** A write that was refused has not been done: it may be asked for again by its key. */
export const dropKey = (house: Db, key: WriteKey): Promise<number> =>
  house('write_answers').where(where(key)).delete();

/** Answers are kept for a day. */
export async function forgetAnswers(db: Db): Promise<void> {
  await db('write_answers').where('made_at', '<', db.raw(`now() - interval '1 day'`)).delete();
}
