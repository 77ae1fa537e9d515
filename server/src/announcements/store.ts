import type { AnnouncementState, AnswerValue } from '@cadro/contract';
import type { Db, Trx } from '../kit';

export interface StateRow {
  readonly announcement_id: string;
  readonly read: boolean;
  readonly kept: boolean;
  readonly archived: boolean;
}

/** How one guardian has some announcements; one without a row is new to them. */
export const statesOf = (db: Db, guardianId: string, ids: readonly string[]): Promise<StateRow[]> =>
  db('announcement_states')
    .where({ guardian_id: guardianId })
    .whereIn('announcement_id', [...ids])
    .select('announcement_id', 'read', 'kept', 'archived');

/** What a guardian keeps, of whatever age. */
export const keptBy = (db: Db, guardianId: string): Promise<string[]> =>
  db('announcement_states').where({ guardian_id: guardianId, kept: true }).pluck('announcement_id');

export async function putState(
  db: Db,
  guardianId: string,
  announcementId: string,
  state: AnnouncementState,
): Promise<void> {
  await db('announcement_states')
    .insert({ guardian_id: guardianId, announcement_id: announcementId, ...state })
    .onConflict(['guardian_id', 'announcement_id'])
    .merge(state);
}

export interface AnswerRow {
  readonly announcement_id: string;
  readonly student_id: string;
  readonly answer: AnswerValue;
  readonly note: string | null;
  readonly author: string;
  readonly guardian_id: string | null;
  readonly at: Date;
  readonly version: number;
  readonly message_id: string | null;
}

/** What a household has answered. */
export const answersOf = (db: Db | Trx, householdId: string, ids: readonly string[]): Promise<AnswerRow[]> =>
  db('announcement_answers')
    .where({ household_id: householdId })
    .whereIn('announcement_id', [...ids])
    .orderBy('at')
    .select(
      ...(['announcement_id', 'student_id', 'answer', 'note', 'author', 'guardian_id'] as const),
      ...(['at', 'version', 'message_id'] as const),
    );

/** When each household answered about some children. */
export const answersAbout = (
  db: Db,
  studentIds: readonly string[],
): Promise<{ household_id: string; student_id: string; announcement_id: string; at: Date }[]> =>
  db('announcement_answers')
    .whereIn('student_id', [...studentIds])
    .select('household_id', 'student_id', 'announcement_id', 'at');

export interface NewAnswerRow extends Omit<AnswerRow, 'version' | 'message_id'> {
  readonly household_id: string;
}

/**
 * Keeps an answer if nobody has answered since the version it was given on; 0 where there was none.
 * @returns whether it is kept.
 */
export async function keepAnswer(
  trx: Trx,
  { answer, ...row }: NewAnswerRow,
  version: number,
): Promise<boolean> {
  const { household_id, student_id, announcement_id } = row;
  const given = { ...row, answer: JSON.stringify(answer) };
  if (version === 0) {
    const inserted = await trx('announcement_answers')
      .insert(given)
      .onConflict(['household_id', 'student_id', 'announcement_id'])
      .ignore()
      .returning('version');
    return inserted.length === 1;
  }
  const changed = await trx('announcement_answers')
    .where({ household_id, student_id, announcement_id, version })
    .update({ ...given, version: version + 1, message_id: null });
  return changed === 1;
}

export async function setLetter(
  trx: Trx,
  key: { household_id: string; student_id: string; announcement_id: string },
  messageId: string,
): Promise<void> {
  await trx('announcement_answers').where(key).update({ message_id: messageId });
}

export interface TakeRow {
  readonly announcement_id: string;
  readonly part: string;
  readonly entry_id: string;
}

/** What a household has taken out of announcements, and into which entry. */
export const takesOf = (db: Db, householdId: string, ids: readonly string[]): Promise<TakeRow[]> =>
  db('announcement_takes')
    .where({ household_id: householdId })
    .whereIn('announcement_id', [...ids])
    .select('announcement_id', 'part', 'entry_id');

/** Puts down what was taken; a part is in one entry, the newest. */
export async function putTake(db: Db, householdId: string, take: TakeRow): Promise<void> {
  await db('announcement_takes')
    .insert({ household_id: householdId, ...take })
    .onConflict(['household_id', 'announcement_id', 'part'])
    .merge(['entry_id']);
}

export async function dropTake(
  db: Db,
  householdId: string,
  { announcement_id, part }: Pick<TakeRow, 'announcement_id' | 'part'>,
): Promise<void> {
  await db('announcement_takes').where({ household_id: householdId, announcement_id, part }).delete();
}
