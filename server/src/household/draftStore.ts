import type { KeptDraft } from '@cadro/contract';
import type { Db } from '../kit';

export interface DraftRow extends Omit<KeptDraft, 'studentId'> {
  readonly student_id: string;
  readonly saved_at: Date;
}

/** So many beginnings of one guardian are kept; the oldest go. */
const most = 60;

/** What a guardian has begun about children whose record may still be talked about, the latest first. */
export const draftsOf = (db: Db, guardianId: string, studentIds: readonly string[]): Promise<DraftRow[]> =>
  db('drafts')
    .where({ guardian_id: guardianId })
    .whereIn('student_id', [...studentIds])
    .orderBy([{ column: 'saved_at', order: 'desc' }, { column: 'key' }])
    .select<DraftRow[]>('key', 'student_id', 'kind', 'title', 'place', 'fields', 'saved_at');

/** Keeps one beginning in the place of its last version: one statement, and one that lets go of the oldest. */
export async function keepDraft(db: Db, guardianId: string, draft: KeptDraft, at: Date): Promise<void> {
  const { studentId, fields, ...rest } = draft;
  await db('drafts')
    .insert({
      ...rest,
      ...{ guardian_id: guardianId, student_id: studentId, fields: JSON.stringify(fields), saved_at: at },
    })
    .onConflict(['guardian_id', 'key'])
    .merge();
  await db('drafts')
    .where({ guardian_id: guardianId })
    .whereNotIn(
      'key',
      db('drafts').where({ guardian_id: guardianId }).orderBy('saved_at', 'desc').limit(most).select('key'),
    )
    .delete();
}

export async function dropDraft(db: Db, guardianId: string, key: string): Promise<void> {
  await db('drafts').where({ guardian_id: guardianId, key }).delete();
}
