import { languageOf, readOffers } from '@cadro/core/offers';
import type { Db, Trx } from '../kit';
import { keepOffers, unreadComments } from '../records';

/** Reads offers out of comments on children that are new or whose text has changed; what was read stays read. */
export async function readNewComments(db: Db | Trx, studentIds: readonly string[]): Promise<void> {
  const comments = await unreadComments(db, studentIds);
  await keepOffers(
    db,
    comments.map((comment) => {
      const { text, writtenAt, timeZone, letters, termEndsOn: term, unitEndsOn: unit } = comment;
      const lang = languageOf(text);
      return {
        comment,
        offers: readOffers({
          ...{ text, writtenAt: writtenAt.toISOString(), timeZone, lang, ends: { term, unit } },
          ...(letters ? { letters } : {}),
        }),
      };
    }),
  );
}
