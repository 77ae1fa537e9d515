import type { Offer, OfferAnswer } from '@cadro/contract';
import type { ConfirmedOffer } from '@cadro/core';
import { languageOf, readOffers } from '@cadro/core/offers';
import type { Db, Trx } from '../db';
import { HttpProblem } from '../http/problems';
import { endOfDay } from './courseTerms';

interface UnreadRow {
  readonly student_id: string;
  readonly id: string;
  readonly text: string;
  readonly written_at: Date;
  readonly time_zone: string;
}

/** Reads offers out of comments on children that are new or whose text has changed; what was read stays read. */
export async function readNewComments(db: Db | Trx, studentIds: readonly string[]): Promise<void> {
  const rows = await db('comments as m')
    .join('courses as c', 'c.id', 'm.course_id')
    .join('schools as sch', 'sch.id', 'c.school_id')
    .whereIn('m.student_id', [...studentIds])
    .whereRaw('m.offers_of is distinct from m.text')
    .select<UnreadRow[]>('m.student_id', 'm.id', 'm.text', 'm.written_at', 'sch.time_zone');
  for (const { student_id, id, text, written_at, time_zone } of rows) {
    const writtenAt = written_at.toISOString();
    const offers = readOffers({ text, writtenAt, timeZone: time_zone, lang: languageOf(text) });
    await db('comments')
      .where({ student_id, id })
      .update({ offers: JSON.stringify(offers), offers_of: text });
  }
}

interface ConfirmedRow {
  readonly household_id: string;
  readonly course_id: string;
  readonly item_id: string;
  readonly offer: Offer;
  readonly time_zone: string;
}

export interface HouseholdOffer extends ConfirmedOffer {
  readonly householdId: string;
  readonly courseId: string;
}

/**
 * The offers that households have confirmed for a child's work, each to the end of its last day where the school is.
 * @param of only those of this guardian's household, or of this course.
 */
export async function confirmedOffers(
  db: Db,
  studentId: string,
  of: { readonly guardianId?: string; readonly courseId?: string } = {},
): Promise<HouseholdOffer[]> {
  const rows = await db('offer_answers as a')
    .join('comments as m', 'm.id', 'a.comment_id')
    .join('courses as c', 'c.id', 'm.course_id')
    .join('schools as sch', 'sch.id', 'c.school_id')
    .where({ 'a.student_id': studentId, 'a.answer': 'confirmed' })
    .whereNotNull('m.item_id')
    .modify((query) => {
      if (of.courseId) query.where({ 'm.course_id': of.courseId });
      if (of.guardianId) {
        query.whereIn('a.household_id', db('guardians').where({ id: of.guardianId }).select('household_id'));
      }
    })
    .select<ConfirmedRow[]>('a.household_id', 'm.course_id', 'm.item_id', 'a.offer', 'sch.time_zone');
  return rows.map(({ household_id, course_id, item_id, offer, time_zone }) => ({
    householdId: household_id,
    courseId: course_id,
    itemId: item_id,
    until: offer.until && endOfDay(offer.until, time_zone).toISOString(),
    credit: offer.credit,
  }));
}

export interface OfferEndRow {
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
): Promise<OfferEndRow[]> =>
  db('offer_answers as a')
    .join('guardians as g', 'g.household_id', 'a.household_id')
    .join('comments as m', 'm.id', 'a.comment_id')
    .join('items as i', 'i.id', 'm.item_id')
    .join('courses as c', 'c.id', 'i.course_id')
    .where({ 'g.id': guardianId, 'a.answer': 'confirmed' })
    .whereIn('a.student_id', [...studentIds])
    .whereRaw(`a.offer->>'until' between ? and ?`, [from, to])
    .select<OfferEndRow[]>(
      'i.id as itemId',
      'i.course_id as courseId',
      'a.student_id as studentId',
      'c.title as courseTitle',
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
  const row = await trx('comments')
    .where({ student_id: studentId, id: commentId })
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
