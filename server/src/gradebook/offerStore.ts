import type { Offer, OfferAnswer, OfferStanding } from '@cadro/contract';
import { HttpProblem, type Db, type Trx } from '../kit';
import { commentsOf, offersOf } from './commentStore';

export interface OfferEnd {
  readonly courseId: string;
  readonly itemId: string;
  readonly studentId: string;
  readonly courseTitle: string;
  readonly title: string;
  readonly possible: number;
  readonly counts: boolean;
  /** A calendar date. */
  readonly until: string;
  readonly standing: OfferStanding;
}

/** The last days of the offers a guardian's household has confirmed, from one date to another. */
export async function offerEnds(
  db: Db,
  guardianId: string,
  studentIds: readonly string[],
  { from, to, now }: { readonly from: string; readonly to: string; readonly now: Date },
): Promise<OfferEnd[]> {
  const comments = await commentsOf(db, studentIds, { guardianId, answered: true });
  return comments.flatMap((row) =>
    offersOf(row, now).flatMap(({ answer, until, standing }): OfferEnd[] => {
      const { item_id: itemId, item_title: title, possible, counts } = row;
      if (answer !== 'confirmed' || until === null || until < from || until > to) return [];
      if (itemId === null || title === null || possible === null || counts === null) return [];
      return [
        {
          ...{ courseId: row.course_id, studentId: row.student_id, courseTitle: row.course_title },
          ...{ itemId, title, possible, counts, until, standing },
        },
      ];
    }),
  );
}

/** Those of some comments whose offers a household has answered. */
export async function answeredComments(
  db: Db | Trx,
  comments: readonly { readonly studentId: string; readonly id: string }[],
): Promise<ReadonlySet<string>> {
  if (comments.length === 0) return new Set();
  const ids = await db('offer_answers')
    .whereIn('student_id', [...new Set(comments.map(({ studentId }) => studentId))])
    .whereIn(
      'comment_id',
      comments.map(({ id }) => id),
    )
    .distinct()
    .pluck<string[]>('comment_id');
  return new Set(ids);
}

interface CommentOfferRow {
  readonly course_id: string;
  readonly item_id: string | null;
  readonly offers: Offer[] | null;
}

/**
 * Keeps a household's answer to an offer of a comment; null takes it back.
 * @returns the offer and what it is about.
 * @throws HttpProblem 404 when there is no such comment on the child, or no such offer in it.
 */
export async function saveOfferAnswer(
  trx: Trx,
  ask: { readonly studentId: string; readonly commentId: string; readonly householdId: string },
  { place, answer }: OfferAnswer,
  by: { readonly at: Date; readonly author: string },
): Promise<{ offer: Offer; courseId: string; itemId: string | null }> {
  const { studentId, commentId, householdId } = ask;
  const row = await trx('student_comments')
    .where({ student_id: studentId, comment_id: commentId })
    .first<CommentOfferRow | undefined>('course_id', 'item_id', 'offers');
  const offer = row?.offers?.[place];
  if (!row || !offer) throw new HttpProblem('not-found');
  const key = { student_id: studentId, household_id: householdId, comment_id: commentId, place };
  if (answer === null) await trx('offer_answers').where(key).delete();
  else {
    await trx('offer_answers')
      .insert({ ...key, offer: JSON.stringify(offer), answer, at: by.at, author: by.author })
      .onConflict(['student_id', 'household_id', 'comment_id', 'place'])
      .merge();
  }
  return { offer, courseId: row.course_id, itemId: row.item_id };
}
