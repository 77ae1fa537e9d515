import type { Child, WorkOffer } from '@cadro/contract';
import type { Db } from '../db';
import { commentsOf, offersOf } from '../gradebook';
import { dateIn } from '../household';

const dayMs = 24 * 60 * 60 * 1000;
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
  return comments.flatMap((row) => {
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
