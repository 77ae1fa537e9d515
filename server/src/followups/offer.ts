import type { Offer } from '@cadro/contract';
import type { Trx } from '../kit';
import { openAboutWork } from './openStore';
import { addEntries, changeIfVersion } from './store';

/**
 * Writes a confirmed offer into the household's open follow-up about the work, if there is one: its words, and that it
 * is to be looked at on the offer's last day at the latest.
 */
export async function noteOffer(
  trx: Trx,
  about: { readonly studentId: string; readonly householdId: string; readonly itemId: string },
  { until, quote }: Offer,
  by: { readonly at: Date; readonly author: string },
): Promise<void> {
  const { studentId } = about;
  const open = await openAboutWork(trx, about);
  for (const { id, version, look_again_on } of open) {
    const key = { studentId, followUpId: id };
    const sooner = until !== null && (look_again_on === null || until < look_again_on);
    await changeIfVersion(trx, { ...key, version }, sooner ? { look_again_on: until } : {}, by.at);
    await addEntries(trx, key, by.at, [
      { kind: 'note', author: by.author, text: quote },
      ...(sooner ? [{ kind: 'look-again', author: by.author, lookAgainOn: until } as const] : []),
    ]);
  }
}
