import type { Db } from '../kit';
import type { KeptState } from './resultStore';

/* What a source tells of one child, to be read into another record of the same child. */

export interface ToldState extends KeptState {
  readonly itemId: string;
}

/** All that a source's gradebook has said of a child's work, oldest first. */
export const statesOf = (db: Db, studentId: string, sourceId: string): Promise<ToldState[]> =>
  db('results as r')
    .join('items as i', 'i.id', 'r.item_id')
    .where({ 'r.student_id': studentId, 'i.source_id': sourceId })
    .orderBy([{ column: 'r.at' }, { column: 'r.seq' }])
    .select<ToldState[]>('r.item_id as itemId', 'r.status', 'r.at', 'r.earned', 'r.late', 'r.levels');

export interface ToldRemark {
  readonly id: string;
  readonly courseId: string;
  readonly itemId: string | null;
  readonly subject: string;
  readonly text: string;
  readonly writtenAt: Date;
  readonly authorId: string | null;
  readonly author: string | null;
}

/** All that a source's teachers have said of a child. */
export const remarksOf = (db: Db, studentId: string, sourceId: string): Promise<ToldRemark[]> =>
  db('comments as m')
    .leftJoin('teachers as p', 'p.id', 'm.author_id')
    .where({ 'm.student_id': studentId, 'm.source_id': sourceId })
    .orderBy(['m.written_at', 'm.id'])
    .select<ToldRemark[]>(
      ...['m.id', 'm.course_id as courseId', 'm.item_id as itemId', 'm.subject', 'm.text'],
      ...['m.written_at as writtenAt', 'm.author_id as authorId', 'p.name as author'],
    );
