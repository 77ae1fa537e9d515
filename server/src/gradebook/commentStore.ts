import type { CommentSubject, Offer, ReadOffer } from '@cadro/contract';
import type { CommentFacts } from '@cadro/core';
import type { Db } from '../kit';

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

export const commentColumns = [
  'm.comment_id as id',
  'm.student_id',
  'm.course_id',
  'm.course_title',
  'm.item_id',
  'm.item_title',
  'm.subject',
  'm.text',
  'm.author',
  'm.written_at',
  'm.offers',
];

/** Comments about the given children, newest first. */
export const commentsOf = (
  db: Db,
  studentIds: readonly string[],
  where: { guardianId?: string; commentId?: string; courseId?: string; itemId?: string; since?: Date },
): Promise<CommentRow[]> =>
  db('student_comments as m')
    .whereIn('m.student_id', [...studentIds])
    .modify((query) => {
      if (where.commentId) query.where({ 'm.comment_id': where.commentId });
      if (where.courseId) query.where({ 'm.course_id': where.courseId });
      if (where.itemId) query.where({ 'm.item_id': where.itemId });
      if (where.since) query.where('m.written_at', '>=', where.since);
    })
    .orderBy('m.written_at', 'desc')
    .select<CommentRow[]>(
      ...commentColumns,
      db.raw(
        `(select jsonb_object_agg(a.place, a.answer) from offer_answers a
          join guardian_profiles g on g.household_id = a.household_id
          where a.student_id = m.student_id and a.comment_id = m.comment_id and g.guardian_id = ?) as answers`,
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
