import type { CommentSubject, Offer, ReadOffer } from '@cadro/contract';
import type { CommentFacts } from '@cadro/core';
import type { Db } from '../db';

export interface CommentRow {
  readonly id: string;
  readonly student_id: string;
  readonly course_id: string;
  readonly course_title: string;
  readonly item_id: string | null;
  readonly item_title: string | null;
  readonly subject: CommentSubject;
  readonly text: string;
  readonly author: string;
  readonly written_at: Date;
  readonly offers: readonly Offer[] | null;
  /** The household's answers by the offer's place. */
  readonly answers: Readonly<Record<string, NonNullable<ReadOffer['answer']>>> | null;
}

/** Comments about the given children, with who wrote them about what. */
export const commentQuery = (db: Db, studentIds: readonly string[]) =>
  db('comments as m')
    .join('teachers as p', 'p.id', 'm.author_id')
    .join('courses as c', 'c.id', 'm.course_id')
    .leftJoin('items as i', 'i.id', 'm.item_id')
    .whereIn('m.student_id', [...studentIds]);

export const commentColumns = [
  'm.id',
  'm.student_id',
  'm.course_id',
  'c.title as course_title',
  'm.item_id',
  'i.title as item_title',
  'm.subject',
  'm.text',
  'p.name as author',
  'm.written_at',
  'm.offers',
];

/** Comments about the given children, newest first. */
export const commentsOf = (
  db: Db,
  studentIds: readonly string[],
  where: { guardianId?: string; commentId?: string; courseId?: string; itemId?: string; since?: Date },
): Promise<CommentRow[]> =>
  commentQuery(db, studentIds)
    .modify((query) => {
      if (where.commentId) query.where({ 'm.id': where.commentId });
      if (where.courseId) query.where({ 'm.course_id': where.courseId });
      if (where.itemId) query.where({ 'm.item_id': where.itemId });
      if (where.since) query.where('m.written_at', '>=', where.since);
    })
    .orderBy('m.written_at', 'desc')
    .select<CommentRow[]>(
      ...commentColumns,
      db.raw(
        `(select jsonb_object_agg(a.place, a.answer) from offer_answers a
          join guardians g on g.household_id = a.household_id
          where a.student_id = m.student_id and a.comment_id = m.id and g.id = ?) as answers`,
        [where.guardianId ?? null],
      ),
    );

/** A comment as the Brief and the alerts ask for it. */
export const commentFacts = (row: Omit<CommentRow, 'offers' | 'answers'>): CommentFacts => ({
  studentId: row.student_id,
  courseId: row.course_id,
  courseTitle: row.course_title,
  itemId: row.item_id,
  itemTitle: row.item_title,
  subject: row.subject,
  text: row.text,
  author: row.author,
  writtenAt: row.written_at.toISOString(),
});

export const offersOf = ({ offers, answers }: Pick<CommentRow, 'offers' | 'answers'>): ReadOffer[] =>
  (offers ?? []).map((offer, place) => ({ ...offer, place, answer: answers?.[place] ?? null }));
