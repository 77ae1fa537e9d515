import type { CourseRecord, EndedTerm } from '@cadro/contract';
import { courseAnswer } from '../courseAnswer';

/**
 * What a school has made of the work that was left when a term ended: loose ends of that instant that have another
 * result since. Example: incomplete on the last day, 11 of 20 two days later.
 * @param at the last instant of the term.
 */
export function decidedSince(record: CourseRecord, at: string): EndedTerm['decided'] {
  const { items = [], results = [] } = record;
  const sinceMs = Date.parse(at);
  return courseAnswer({ ...record, asOf: at }).looseEnds.flatMap(({ itemId, kind }) => {
    const item = items?.find(({ id }) => id === itemId);
    const last = (results ?? [])
      .filter((result) => result.itemId === itemId && Date.parse(result.at) <= Date.parse(record.asOf))
      .reduce<NonNullable<typeof results>[number] | null>(
        (latest, each) => (!latest || Date.parse(each.at) >= Date.parse(latest.at) ? each : latest),
        null,
      );
    if (!item || !last || Date.parse(last.at) <= sinceMs) return [];
    const { status, earned = null } = last;
    return [{ itemId, title: item.title ?? '', was: kind, status, earned, possible: item.possible }];
  });
}
