import { OffersCase } from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import { isTimeZone } from '@cadro/core';
import { readOffers } from '@cadro/core/offers';
import { answerOrFault, FaultyCase, idOf } from './cases';

/** The answer to one comment of the offers command. */
export async function answerOffers(asked: unknown): Promise<unknown> {
  const answer = await answerOrFault(() => {
    const { text, writtenAt, timeZone, lang } = parse('case', OffersCase, asked);
    if (!isTimeZone(timeZone)) throw new FaultyCase({ path: '/timeZone', message: 'is no time zone' });
    return { offers: readOffers({ text, writtenAt, timeZone, lang }) };
  });
  return { ...idOf(asked), ...answer };
}
