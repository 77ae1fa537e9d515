import type { CourseRecord, ResultStatus } from '@cadro/contract';
import { offerStanding } from './offerStanding';

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

/** Whether an offer has been settled by what its work came to since: then it is none any more. */
function settledBy({ results }: CourseRecord, asOfMs: number) {
  const standing = new Map<string, { status: ResultStatus; atMs: number }>();
  for (const { itemId, status, at } of results ?? []) {
    const atMs = Date.parse(at);
    const known = standing.get(itemId);
    if (atMs <= asOfMs && (!known || atMs >= known.atMs)) standing.set(itemId, { status, atMs });
  }
  return ({ itemId, since, until }: ConfirmedOffer): boolean => {
    const work = standing.get(itemId) ?? null;
    if (since === null) return false;
    const made = { untilMs: until === null ? null : Date.parse(until), writtenAtMs: Date.parse(since) };
    return offerStanding(made, work, asOfMs) === 'settled';
  };
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
      for (const confirmed of offers) {
        if (confirmed.itemId !== item.id || settled(confirmed)) continue;
        const { until, credit } = confirmed;
        const offer = { until: until ?? record.policy.termEnd, credit: credit ?? 1 };
        if (!best || better(offer, best)) best = offer;
      }
      return best === (item.offer ?? null) ? item : { ...item, offer: best };
    }),
  };
}
