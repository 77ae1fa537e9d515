import type { GuestAnswer } from '@cadro/contract';
import type { Db, Trx } from '../kit';

/* Whoever is invited to a meeting, and what they have heard and answered. */

export interface GuestRow {
  readonly id: string;
  readonly meeting_id: string;
  readonly name: string;
  readonly address: string;
  readonly told_sequence: number | null;
  readonly removed: boolean;
  readonly told_removed: boolean;
  readonly came_back: boolean;
  readonly answer: GuestAnswer | null;
  readonly answered_at: Date | null;
  readonly answered_stamp: Date | null;
  readonly answered_by: string | null;
  readonly words: string | null;
  readonly words_by: string | null;
}

/** Everybody who was ever asked to some meetings, in the order in which they were. */
export const guestsOf = (db: Db, meetingIds: readonly string[]): Promise<GuestRow[]> =>
  db('meeting_guests')
    .whereIn('meeting_id', [...meetingIds])
    .orderBy('seq')
    .select<GuestRow[]>('*');

/** @returns whether they were not asked already. */
export async function addGuest(
  trx: Trx,
  row: { meeting_id: string; student_id: string; name: string; address: string },
): Promise<boolean> {
  const [added] = await trx('meeting_guests')
    .insert(row)
    .onConflict(trx.raw('(meeting_id, lower(address)) where not removed'))
    .ignore()
    .returning<{ id: string }[]>('id');
  return added !== undefined;
}

export const removeGuest = async (trx: Trx, meetingId: string, id: string): Promise<boolean> =>
  (await trx('meeting_guests')
    .where({ meeting_id: meetingId, id, removed: false })
    .update({ removed: true })) === 1;

/** A guest as an invitation is to them, whatever became of it. */
export const guestById = (db: Db, id: string): Promise<GuestRow | undefined> =>
  db('meeting_guests').where({ id }).first<GuestRow | undefined>('*');

export async function markGuest(
  db: Db,
  id: string,
  what: Partial<Pick<GuestRow, 'told_sequence' | 'told_removed' | 'came_back'>>,
): Promise<boolean> {
  return (await db('meeting_guests').where({ id }).update(what)) === 1;
}

/** Writes an answer down, unless a later one stands there. */
export async function keepAnswer(
  db: Db,
  id: string,
  said: Pick<GuestRow, 'answer' | 'answered_at' | 'answered_by'> & { readonly answered_stamp: Date },
): Promise<void> {
  await db('meeting_guests')
    .where({ id })
    .whereRaw('(answered_stamp is null or answered_stamp <= ?)', [said.answered_stamp])
    .update(said);
}

export async function keepWords(
  db: Db,
  id: string,
  said: Pick<GuestRow, 'words' | 'words_by'>,
): Promise<void> {
  await db('meeting_guests').where({ id }).update(said);
}

/** Who said yes said it to another time. */
export const forgetAnswers = (trx: Trx, meetingIds: readonly string[]): Promise<number> =>
  trx('meeting_guests')
    .whereIn('meeting_id', [...meetingIds])
    .update({ answer: null, answered_at: null, answered_stamp: null, answered_by: null });
