import type { Child, WorkOffer } from '@cadro/contract';
import { dateIn, dayMs } from '@cadro/core';
import type { Db } from '../kit';
import { commentsOf, offersOf } from '../gradebook';
import { scoredAt } from '../records';

/** An offer without a date is no news for longer. */
const offersFor = 45 * dayMs;

/** Offers in comments that are open: nobody has answered them yet, or they are confirmed. Newest comment first. */
export async function workOffers(
  db: Db,
  guardianId: string,
  children: readonly Child[],
  now: Date,
): Promise<WorkOffer[]> {
  const zones = new Map(children.map(({ id, timeZone }) => [id, timeZone]));
  const since = new Date(now.getTime() - offersFor);
  const comments = await commentsOf(db, [...zones.keys()], { guardianId, since });
  const scored = await scoredAt(
    db,
    [...zones.keys()],
    comments.flatMap(({ item_id }) => item_id ?? []),
  );
  return comments.flatMap((row) => {
    // What was marked after the words were written has been mended.
    const marked = row.item_id ? scored.get(`${row.student_id}:${row.item_id}`) : undefined;
    if (marked && marked > row.written_at) return [];
    const today = dateIn(zones.get(row.student_id) ?? 'UTC', now);
    return offersOf(row)
      .filter(({ until, answer }) => answer !== 'dismissed' && (until === null || until >= today))
      .map((offer): WorkOffer => ({
        ...offer,
        studentId: row.student_id,
        courseId: row.course_id,
        courseTitle: row.course_title,
        itemId: row.item_id,
        itemTitle: row.item_title,
        commentId: row.id,
        text: row.text,
        author: row.author,
        writtenAt: row.written_at.toISOString(),
      }));
  });
}
