import type { Message } from '@cadro/contract';
import type { WayLetter } from '@cadro/core';
import { withWords, type Db, type Trx } from '../kit';
import type { FoundRow } from '../followups';
import type { MessageRow } from './store';

/* Letters on their way: in hand, gone, brought back, taken back. */

/** How far some letters are, and where they stand. */
export const letterStates = (
  db: Db,
  ids: readonly string[],
): Promise<Pick<MessageRow, 'id' | 'thread_id' | 'state'>[]> =>
  db('messages')
    .whereIn('id', [...ids])
    .select('id', 'thread_id', 'state');

export interface OutgoingRow {
  readonly id: string;
  readonly thread_id: string;
  readonly author: string;
  readonly subject: string;
  readonly text: string;
  readonly state: Message['state'];
  readonly teacher_name: string;
  readonly teacher_email: string | null;
  readonly last_mime_id: string | null;
}

export const outgoing = (db: Db, id: string): Promise<OutgoingRow | undefined> =>
  db('messages as m')
    .join('threads as t', 't.id', 'm.thread_id')
    .join('school_contacts as p', 'p.teacher_id', 't.teacher_id')
    .where({ 'm.id': id })
    .first<OutgoingRow>(
      'm.id',
      'm.thread_id',
      'm.author',
      'm.subject',
      'm.text',
      'm.state',
      'p.name as teacher_name',
      'p.email as teacher_email',
      db.raw(
        `(select o.mime_id from messages o where o.thread_id = m.thread_id and o.seq < m.seq
           and o.mime_id is not null order by o.seq desc limit 1) as last_mime_id`,
      ),
    );

/** Takes a letter that is to go out in hand. @returns whether there is such a letter. */
export const claim = async (db: Db, id: string): Promise<boolean> =>
  (await db('messages')
    .where({ id })
    .whereIn('state', ['queued', 'sending'])
    .update({ state: 'sending' })) === 1;

/** A letter that nobody has heard of can be taken back again. */
export async function release(db: Db, id: string): Promise<void> {
  await db('messages').where({ id, state: 'sending' }).update({ state: 'queued' });
}

export interface WaitingLetter {
  readonly student_id: string;
  readonly thread_id: string;
  readonly followup_id: string | null;
  readonly teacher_id: string;
  readonly subject: string;
  readonly text: string;
}

/** A letter of the guardian's household that was written here, with who it is to. */
export const letterOf = (db: Db, guardianId: string, id: string): Promise<WaitingLetter | undefined> =>
  db('messages as m')
    .join('threads as t', 't.id', 'm.thread_id')
    .join('guardian_profiles as g', 'g.household_id', 't.household_id')
    .where({ 'm.id': id, 'm.from_teacher': false, 'g.guardian_id': guardianId })
    .first('m.student_id', 'm.thread_id', 'm.followup_id', 't.teacher_id', 'm.subject', 'm.text');

/** Takes a letter out that has not gone. @returns whether it had not. */
export const dropQueued = async (trx: Trx, id: string): Promise<boolean> =>
  (await trx('messages').where({ id, state: 'queued' }).delete()) === 1;

export interface LateLetter {
  readonly teacher_id: string;
  readonly student_id: string;
  readonly author: string;
  readonly subject: string;
  readonly at: Date;
  readonly answered: boolean;
}

/** What a guardian's household wrote to its teachers since an instant, the latest first, and whether they wrote since. */
export const lettersSince = (
  db: Db,
  guardianId: string,
  studentIds: readonly string[],
  since: Date,
): Promise<LateLetter[]> =>
  db('messages as m')
    .join('threads as t', 't.id', 'm.thread_id')
    .join('guardian_profiles as g', 'g.household_id', 't.household_id')
    .where({ 'g.guardian_id': guardianId, 'm.from_teacher': false })
    .whereIn('m.student_id', [...studentIds])
    .where('m.at', '>=', since)
    .whereNot('m.state', 'failed')
    .orderBy('m.seq', 'desc')
    .select(
      ...['t.teacher_id', 'm.student_id', 'm.author', 'm.subject', 'm.at'],
      db.raw(`exists (select from messages a where a.thread_id = m.thread_id and a.seq > m.seq
        and a.from_teacher and not a.automatic and a.doubt is null) as answered`),
    );

export async function markSent(db: Db, id: string, mimeId: string): Promise<void> {
  await db('messages').where({ id }).update({ state: 'sent', mime_id: mimeId });
}

export async function markFailed(db: Db, id: string): Promise<void> {
  await db('messages').where({ id }).update({ state: 'failed' });
}

/** A letter that had gone out and was brought back has failed. @returns whether there is such a letter. */
export async function letterReturned(db: Db, id: string): Promise<boolean> {
  const letter = { id, from_teacher: false };
  await db('messages')
    .where({ ...letter, state: 'sent' })
    .update({ state: 'failed' });
  return Boolean(await db('messages').where(letter).first('id'));
}

/** A household's letters to a teacher, each with the first answer after it. */
export const lettersTo = (
  db: Db,
  householdId: string,
  { studentId, teacherId }: { readonly studentId: string; readonly teacherId: string },
): Promise<WayLetter[]> =>
  db('messages as m')
    .join('threads as t', 't.id', 'm.thread_id')
    .where({ 't.household_id': householdId, 't.student_id': studentId, 't.teacher_id': teacherId })
    .where({ 'm.from_teacher': false, 'm.state': 'sent' })
    .select<WayLetter[]>(
      'm.at',
      db.raw(`(select min(a.at) from messages a where a.thread_id = m.thread_id and a.seq > m.seq
        and a.from_teacher and not a.automatic and a.doubt is null) as "answeredAt"`),
    );

/** The household's letters in which each word stands: in the subject, the words, or the names of the files. */
export const lettersWith = (
  db: Db,
  guardianId: string,
  ask: { readonly studentIds: readonly string[]; readonly words: readonly string[]; readonly most: number },
): Promise<FoundRow[]> =>
  db('messages as m')
    .join('threads as t', 't.id', 'm.thread_id')
    .join('guardian_profiles as g', 'g.household_id', 't.household_id')
    .where({ 'g.guardian_id': guardianId })
    .whereIn('m.student_id', [...ask.studentIds])
    .modify((query) =>
      withWords(
        query,
        `concat_ws(' ', m.author, m.subject, m.text,
          (select string_agg(f.name, ' ') from message_files f where f.message_id = m.id))`,
        ask.words,
      ),
    )
    .orderBy('m.seq', 'desc')
    .limit(ask.most)
    .select<FoundRow[]>('m.thread_id as id', 'm.student_id', 'm.subject as title', 'm.text', 'm.at');
