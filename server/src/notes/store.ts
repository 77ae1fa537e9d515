import type { WantAspect } from '@cadro/contract';
import { withWords, type Db, type Trx } from '../kit';

export interface NoteRow {
  readonly id: string;
  readonly student_id: string;
  readonly course_id: string | null;
  readonly course_title: string | null;
  readonly on_date: string;
  readonly text: string;
  readonly guardian_id: string;
  readonly author: string;
  readonly shared: boolean;
  readonly changed_at: Date;
  readonly version: number;
}

export interface NotesAsked {
  readonly studentIds: readonly string[];
  readonly courseId?: string | undefined;
  /** Each word must stand in a note. */
  readonly words: readonly string[];
  /** All of them, however many. */
  readonly whole?: boolean;
}

/** So many notes are read at once. */
export const mostNotes = 200;

const columns = [
  ...['n.id', 'n.student_id', 'n.course_id', 'c.title as course_title', 'n.on_date', 'n.text'],
  ...['n.guardian_id', 'n.author', 'n.shared', 'n.changed_at', 'n.version'],
];

/** The household's notes that a guardian may read, the latest day first; one more than is read at once. */
export const notesOf = (
  db: Db,
  who: { readonly householdId: string; readonly guardianId: string },
  { studentIds, courseId, words, whole = false }: NotesAsked,
): Promise<NoteRow[]> =>
  db('notes as n')
    .leftJoin('school_courses as c', 'c.course_id', 'n.course_id')
    .where('n.household_id', who.householdId)
    .where((query) => void query.where('n.shared', true).orWhere('n.guardian_id', who.guardianId))
    .whereIn('n.student_id', [...studentIds])
    .modify((query) => {
      if (courseId) void query.where('n.course_id', courseId);
      withWords(query, 'n.text', words);
      if (!whole) void query.limit(mostNotes + 1);
    })
    .orderBy([
      { column: 'n.on_date', order: 'desc' },
      { column: 'n.seq', order: 'desc' },
    ])
    .select<NoteRow[]>(...columns);

export const noteOf = (
  db: Db,
  { householdId, id }: { readonly householdId: string; readonly id: string },
): Promise<NoteRow | undefined> =>
  db('notes as n')
    .leftJoin('school_courses as c', 'c.course_id', 'n.course_id')
    .where({ 'n.household_id': householdId, 'n.id': id })
    .first(...columns);

export async function addNote(
  trx: Db | Trx,
  row: Omit<NoteRow, 'id' | 'course_title' | 'version'> & { household_id: string },
): Promise<string> {
  const [{ id }] = (await trx('notes').insert(row).returning('id')) as [{ id: string }];
  return id;
}

/** @returns whether it stood as it was read. */
export const changeNote = async (
  trx: Db | Trx,
  { id, version, guardianId }: { id: string; version: number; guardianId: string },
  change: Partial<Pick<NoteRow, 'on_date' | 'text' | 'shared'>> & { changed_at: Date },
): Promise<boolean> =>
  (await trx('notes')
    .where({ id, version, guardian_id: guardianId })
    .update({ ...change, version: version + 1 })) === 1;

export const dropNote = async (
  trx: Db | Trx,
  { id, guardianId }: { id: string; guardianId: string },
): Promise<boolean> => (await trx('notes').where({ id, guardian_id: guardianId }).delete()) === 1;

export interface WantRow {
  readonly aspect: WantAspect;
  readonly text: string;
  readonly author: string;
  readonly at: Date;
  readonly version: number;
}

interface WantKey {
  readonly household_id: string;
  readonly student_id: string;
  readonly teacher_id: string;
}

export const wantsOf = (db: Db, key: WantKey): Promise<WantRow[]> =>
  db('teacher_wants')
    .where({ ...key })
    .orderBy('aspect')
    .select('aspect', 'text', 'author', 'at', 'version');

/** Puts down what a teacher wants. @returns whether it stood as it was read; version 0 is nothing. */
export async function sayWant(trx: Db | Trx, key: WantKey, want: WantRow): Promise<boolean> {
  const { version, ...row } = want;
  if (version === 0)
    return (
      (
        await trx('teacher_wants')
          .insert({ ...key, ...row })
          .onConflict(['household_id', 'student_id', 'teacher_id', 'aspect'])
          .ignore()
          .returning('aspect')
      ).length === 1
    );
  const known = trx('teacher_wants').where({ ...key, aspect: want.aspect, version });
  if (row.text === '') return (await known.delete()) === 1;
  return (await known.update({ ...row, version: version + 1 })) === 1;
}
