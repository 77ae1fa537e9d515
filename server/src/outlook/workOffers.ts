import type { Child, WorkOffer } from '@cadro/contract';
import { dayMs } from '@cadro/core';
import type { Db } from '../kit';
import { commentsOf, offersOf } from '../gradebook';

/** No offer that still stands is older, but for the rare one that names a far day. */
const offersFor = 60 * dayMs;

/** Offers in comments that are open: nobody has answered them yet, or they are confirmed. Newest comment first. */
export async function workOffers(
  db: Db,
  guardianId: string,
  children: readonly Child[],
  now: Date,
): Promise<WorkOffer[]> {
  const since = new Date(now.getTime() - offersFor);
  const comments = await commentsOf(
    db,
    children.map(({ id }) => id),
    { guardianId, since },
  );
  return comments.flatMap((row) =>
    offersOf(row, now)
      .filter(({ standing, answer }) => standing === 'open' && answer !== 'dismissed')
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
      })),
  );
}
