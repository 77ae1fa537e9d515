import type { doubts, Message } from '@cadro/contract';
import type { Db, Trx } from '../kit';

export interface ThreadRow {
  readonly id: string;
  readonly student_id: string;
  readonly teacher_id: string;
  readonly teacher_name: string;
  readonly teacher_email: string | null;
  readonly course_title: string | null;
}

/** Threads of the guardian's household about the given children. */
export const threadsOf = (db: Db, guardianId: string, studentIds: readonly string[]): Promise<ThreadRow[]> =>
  db('threads as t')
    .join('guardian_profiles as g', 'g.household_id', 't.household_id')
    .join('school_contacts as p', 'p.teacher_id', 't.teacher_id')
    .where({ 'g.guardian_id': guardianId })
    .whereIn('t.student_id', [...studentIds])
    .select<ThreadRow[]>(
      't.id',
      't.student_id',
      't.teacher_id',
      'p.name as teacher_name',
      'p.email as teacher_email',
      db.raw(
        `(select string_agg(c.title, ', ' order by c.title) from student_courses c
          where c.student_id = t.student_id and c.teacher_id = t.teacher_id) as course_title`,
      ),
    );

/** The thread a household has with a teacher about a child; null where they have not written yet. */
export const threadWith = async (
  db: Db,
  about: { readonly householdId: string; readonly studentId: string; readonly teacherId: string },
): Promise<string | null> => {
  const row = await db('threads')
    .where({
      household_id: about.householdId,
      student_id: about.studentId,
      teacher_id: about.teacherId,
    })
    .first<{ id: string } | undefined>('id');
  return row?.id ?? null;
};

/** The follow-ups that were written about in a thread. */
export const followUpsOfThread = (trx: Trx, threadId: string): Promise<string[]> =>
  trx('messages').where({ thread_id: threadId }).whereNotNull('followup_id').distinct().pluck('followup_id');

export interface MessageRow {
  readonly id: string;
  readonly thread_id: string;
  readonly from_teacher: boolean;
  readonly author: string;
  readonly text: string;
  readonly at: Date;
  readonly state: Message['state'];
  readonly doubt: (typeof doubts)[number] | null;
  /** Who said that it is not the teacher. */
  readonly doubt_settled_by: string | null;
  readonly sender: string | null;
  readonly automatic: boolean;
  readonly goes_at: Date | null;
}

/** With its place in the order in which letters came. */
export type SeqRow = MessageRow & { readonly seq: number };

const messageColumns = [
  ...(['id', 'thread_id', 'from_teacher', 'author', 'text', 'at', 'state'] as const),
  ...(['doubt', 'doubt_settled_by', 'sender', 'automatic', 'goes_at'] as const),
] as const;

/** So many letters of a thread are read at once. */
const page = 100;

/**
 * The latest letters of a thread, or those before one, the oldest first.
 * @returns `earlier` whether there are more before them; `answersUpTo` up to where the school's last word answers letters.
 */
export async function messagesOf(
  db: Db,
  threadId: string,
  before: string | null,
): Promise<{ messages: SeqRow[]; earlier: boolean; answersUpTo: number }> {
  const [rows, last] = await Promise.all([
    db('messages')
      .where({ thread_id: threadId })
      .modify((query) => {
        if (before !== null)
          void query.where(
            'seq',
            '<',
            db('messages').where({ thread_id: threadId, id: before }).select('seq'),
          );
      })
      .orderBy('seq', 'desc')
      .limit(page + 1)
      .select<SeqRow[]>(...messageColumns, 'seq'),
    db('messages')
      .where({ thread_id: threadId, from_teacher: true, automatic: false })
      .whereNull('doubt')
      .max<{ max: number | null }[]>('seq as max'),
  ]);
  const messages = rows.slice(0, page).reverse();
  return { messages, earlier: rows.length > page, answersUpTo: last[0]?.max ?? 0 };
}

/** A letter of a thread that is held, because it is not confirmed to be from the teacher. */
export const heldIn = (
  db: Db,
  threadId: string,
  messageId: string,
): Promise<(MessageRow & { readonly student_id: string }) | undefined> =>
  db('messages')
    .where({ thread_id: threadId, id: messageId, from_teacher: true })
    .whereNotNull('doubt')
    .first(...messageColumns, 'student_id');

export async function confirmSender(trx: Trx, id: string): Promise<void> {
  await trx('messages').where({ id }).update({ doubt: null, doubt_settled_by: null });
}

export async function denySender(trx: Trx, id: string, by: string): Promise<void> {
  await trx('messages').where({ id }).update({ doubt_settled_by: by });
}

/** Every letter of some threads whole, the first written first. */
export const lettersOf = (
  db: Db,
  threadIds: readonly string[],
): Promise<(MessageRow & { readonly subject: string; readonly mime_id: string | null })[]> =>
  db('messages')
    .whereIn('thread_id', [...threadIds])
    .orderBy('seq')
    .select(...messageColumns, 'subject', 'mime_id');

export const lastMessages = (db: Db, threadIds: readonly string[]): Promise<MessageRow[]> =>
  db('messages')
    .whereIn('thread_id', [...threadIds])
    .distinctOn('thread_id')
    .orderBy([{ column: 'thread_id' }, { column: 'seq', order: 'desc' }])
    .select<MessageRow[]>(...messageColumns);

/** Each guardian reads for themself: what one has read is still new to the other. */
const unreadBy = (db: Db, guardianId: string) =>
  db('messages as m')
    .leftJoin('thread_reads as r', (on) =>
      on
        .on('r.student_id', 'm.student_id')
        .andOn('r.thread_id', 'm.thread_id')
        .andOnVal('r.guardian_id', guardianId),
    )
    .where({ 'm.from_teacher': true })
    .whereRaw('m.seq > coalesce(r.read_to, 0)');

export const unreadThreads = async (
  db: Db,
  guardianId: string,
  threadIds: readonly string[],
): Promise<Set<string>> =>
  new Set(
    await unreadBy(db, guardianId)
      .whereIn('m.thread_id', [...threadIds])
      .distinct()
      .pluck('m.thread_id'),
  );

/** All of a thread up to a message counts as read. */
export async function markReadTo(db: Db, guardianId: string, messageId: string): Promise<void> {
  await db.raw(
    `insert into thread_reads (student_id, thread_id, guardian_id, read_to)
     select student_id, thread_id, :guardianId, seq from messages where id = :messageId
     on conflict (student_id, thread_id, guardian_id) do update
       set read_to = greatest(thread_reads.read_to, excluded.read_to)`,
    { guardianId, messageId },
  );
}

/** Finds or makes the one thread of a household, child and teacher. */
export async function threadFor(
  trx: Trx,
  key: { householdId: string; studentId: string; teacherId: string },
): Promise<string> {
  const where = { household_id: key.householdId, student_id: key.studentId, teacher_id: key.teacherId };
  await trx('threads').insert(where).onConflict(['household_id', 'student_id', 'teacher_id']).ignore();
  const row = await trx('threads').where(where).first<{ id: string }>('id');
  return row.id;
}

/** About which children a household's threads with some people are, the one last written in first. */
export const lastThreadsWith = (
  db: Db,
  householdId: string,
  teacherIds: readonly string[],
): Promise<string[]> =>
  db('threads as t')
    .join('messages as m', 'm.thread_id', 't.id')
    .where({ 't.household_id': householdId })
    .whereIn('t.teacher_id', [...teacherIds])
    .groupBy('t.student_id')
    .orderByRaw('max(m.seq) desc')
    .pluck('t.student_id');

export async function insertMessage(
  trx: Trx,
  row: {
    student_id: string;
    thread_id: string;
    followup_id: string | null;
    from_teacher: boolean;
    author: string;
    subject: string;
    text: string;
    at: Date;
    state: Message['state'];
    mime_id: string | null;
    doubt?: MessageRow['doubt'];
    sender?: string | null;
    automatic?: boolean;
    goes_at?: Date | null;
  },
): Promise<string | null> {
  const [inserted] = await trx('messages')
    .insert(row)
    .onConflict('mime_id')
    .ignore()
    .returning<{ id: string }[]>('id');
  return inserted?.id ?? null;
}

export const threadById = (trx: Trx, id: string) =>
  trx('threads as t')
    .join('school_contacts as p', 'p.teacher_id', 't.teacher_id')
    .where({ 't.id': id })
    .first<
      { id: string; student_id: string; teacher_name: string; teacher_email: string | null } | undefined
    >('t.id', 't.student_id', 'p.name as teacher_name', 'p.email as teacher_email');

/** The household's threads about a child, by whom they are with. */
export const threadsAbout = async (
  db: Db,
  guardianId: string,
  studentId: string,
): Promise<Map<string, string>> => {
  const rows = await db('threads as t')
    .join('guardian_profiles as g', 'g.household_id', 't.household_id')
    .where({ 'g.guardian_id': guardianId, 't.student_id': studentId })
    .select<{ id: string; teacher_id: string }[]>('t.id', 't.teacher_id');
  return new Map(rows.map(({ id, teacher_id }) => [teacher_id, id]));
};

/** The last unread answer of each of the household's threads: a teacher's own, not what only says to be one. */
export const unreadOf = (db: Db, guardianId: string, studentIds: readonly string[]) => {
  const last = unreadBy(db, guardianId)
    .whereRaw('m.thread_id = t.id')
    .where({ 'm.automatic': false })
    .whereNull('m.doubt')
    .orderBy('m.seq', 'desc')
    .limit(1)
    .select('m.id', 'm.author', 'm.text', 'm.at');
  return db('threads as t')
    .join('guardian_profiles as g', 'g.household_id', 't.household_id')
    .join(db.raw<never>('lateral (?) last', [last]), db.raw('true'))
    .where({ 'g.guardian_id': guardianId })
    .whereIn('t.student_id', [...studentIds])
    .select<{ id: string; student_id: string; thread_id: string; author: string; text: string; at: Date }[]>(
      'last.id',
      't.student_id',
      't.id as thread_id',
      'last.author',
      'last.text',
      'last.at',
    );
};
