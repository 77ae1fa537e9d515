import type { Offer } from '@cadro/contract';
import { languageOf, readersEdition, readOffers } from '@cadro/core/offers';
import type { Db, Trx } from '../kit';
import { keepOffers, unreadComments, type UnreadComment } from '../records';
import { answeredComments } from './offerStore';

function offersIn({ text, writtenAt, timeZone, letters, termEndsOn, unitEndsOn }: UnreadComment): Offer[] {
  const ends = { term: termEndsOn, unit: unitEndsOn };
  return readOffers({
    ...{ text, writtenAt: writtenAt.toISOString(), timeZone, lang: languageOf(text), ends },
    ...(letters ? { letters } : {}),
  });
}

/**
 * Reads offers out of comments on children that are new, whose text has changed, or that the readers of an earlier
 * edition have read. What a household has answered stays as it was answered.
 */
export async function readNewComments(db: Db | Trx, studentIds: readonly string[]): Promise<void> {
  const comments = await unreadComments(db, studentIds, readersEdition);
  const again = comments.filter(({ readBefore }) => readBefore?.length);
  const answered = await answeredComments(db, again);
  const read = comments.map((comment) => ({
    comment,
    offers: (answered.has(comment.id) && comment.readBefore) || offersIn(comment),
  }));
  await keepOffers(db, read, readersEdition);
}
