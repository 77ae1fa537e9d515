import type { CourseRecord } from '@cadro/contract';

/** A teacher's offer for a work that a household has confirmed. */
export interface ConfirmedOffer {
  readonly itemId: string;
  /** An instant; null: to the end of the term. */
  readonly until: string | null;
  /** Share of the score; null: the words did not say, and nothing is taken off. */
  readonly credit: number | null;
  /** When it was made, an instant: a score that came later has settled it. Null where that is not known. */
  readonly since: string | null;
}

/** Whether a work was scored or excused after an offer for it was made: that ends the offer. */
function settledBy({ results }: CourseRecord, nowMs: number) {
  const ends = (results ?? []).filter(
    ({ status, at }) => (status === 'scored' || status === 'excused') && Date.parse(at) <= nowMs,
  );
  return (itemId: string, since: string | null): boolean =>
    since !== null && ends.some((each) => each.itemId === itemId && Date.parse(each.at) > Date.parse(since));
}

/**
 * The record with confirmed offers: of several for one work the one for the most credit that is still open, then the
 * longest. One that the record has already is kept unless a confirmed one is better.
 */
export function withOffers(record: CourseRecord, offers: readonly ConfirmedOffer[]): CourseRecord {
  if (offers.length === 0) return record;
  const now = Date.parse(record.asOf);
  const settled = settledBy(record, now);
  const rank = (offer: { until: string; credit: number }): [number, number, number] => {
    const untilMs = Date.parse(offer.until);
    return [untilMs >= now ? 1 : 0, offer.credit, untilMs];
  };
  const better = (a: { until: string; credit: number }, b: { until: string; credit: number }): boolean => {
    const [left, right] = [rank(a), rank(b)];
    const at = left.findIndex((value, index) => value !== right[index]);
    return at >= 0 && (left[at] ?? 0) > (right[at] ?? 0);
  };
  return {
    ...record,
    items: (record.items ?? []).map((item) => {
      let best = item.offer ?? null;
      for (const { itemId, until, credit, since } of offers) {
        if (itemId !== item.id || settled(itemId, since)) continue;
        const offer = { until: until ?? record.policy.termEnd, credit: credit ?? 1 };
        if (!best || better(offer, best)) best = offer;
      }
      return best === (item.offer ?? null) ? item : { ...item, offer: best };
    }),
  };
}
