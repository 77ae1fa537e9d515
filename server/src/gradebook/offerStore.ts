import type { Offer, OfferAnswer } from '@cadro/contract';
import { HttpProblem, type Db, type Trx } from '../kit';

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
}

/** The last days of the offers a guardian's household has confirmed, from one date to another. */
export const offerEnds = (
  db: Db,
  guardianId: string,
  studentIds: readonly string[],
  { from, to }: { readonly from: string; readonly to: string },
): Promise<OfferEnd[]> =>
  db('offer_answers as a')
    .join('guardian_profiles as g', 'g.household_id', 'a.household_id')
    .join('student_comments as m', 'm.comment_id', 'a.comment_id')
    .join('course_items as i', 'i.item_id', 'm.item_id')
    .where({ 'g.guardian_id': guardianId, 'a.answer': 'confirmed' })
    .whereIn('a.student_id', [...studentIds])
    .whereRaw(`a.offer->>'until' between ? and ?`, [from, to])
    .select<OfferEnd[]>(
      'i.item_id as itemId',
      'i.course_id as courseId',
      'a.student_id as studentId',
      'm.course_title as courseTitle',
      'i.title',
      'i.possible',
      'i.counts',
      db.raw(`a.offer->>'until' as until`),
    );

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
