import type { Withheld } from '@cadro/contract';
import type { Db } from '../../kit';

export interface Told {
  readonly studentId: string;
  readonly personId: string | null;
  readonly what: Withheld;
  readonly courseId: string | null;
}

/** What a source holds back, from people known here: who is named and not linked yet is held back from when they are. */
export const toldBy = (db: Db, sourceId: string): Promise<Told[]> =>
  db('school_restrictions as r')
    .leftJoin('guardian_links as l', (on) =>
      on
        .on('l.student_id', 'r.student_id')
        .andOn('l.named_as', 'r.agent')
        .andOn(db.raw('l.ended_at is null')),
    )
    .where({ 'r.source_id': sourceId })
    .whereRaw('(r.agent is null or l.guardian_id is not null)')
    // A course is named where a course is meant, and nowhere else.
    .whereRaw(`(r.what = 'course') = (r.course_id is not null)`)
    .select('r.student_id as studentId', 'l.guardian_id as personId', 'r.what', 'r.course_id as courseId');

/** What is held back because a source said so. */
export const heldBy = (db: Db, sourceId: string): Promise<(Told & { readonly id: string })[]> =>
  db('restrictions')
    .where({ source_id: sourceId })
    .select('id', 'student_id as studentId', 'guardian_id as personId', 'what', 'course_id as courseId');
