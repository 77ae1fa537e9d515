import type { CourseRecord, ItemWorth } from '@cadro/contract';
import { isOrdinary, postedValue } from '../../gradebook';
import { expectedByCategory } from '../tries/expected';
import { isToCome } from '../tries/needed';
import { leftValue } from './leftValue';
import { openSums } from './opened';

/** What one work means to the posted figure, and what doing it is expected to bring. */
export interface Rides extends ItemWorth {
  /** Points between the child's expected score in work still to come and nothing handed in; null for all other work. */
  readonly gain: number | null;
}

const none: Rides = { decides: null, now: null, gain: null };

/**
 * What rides on each work of a course, in points of its scale, everything else being as it is: how far the posted figure
 * lies apart between full score and nothing handed in (`decides`), and what the figure is now less what it would be
 * without the work (`now`). Nothing handed in is worth what missing work counts as by the end of the term: the floor
 * where the course says so, else 0. Every page and alert that says what a work is worth reads it here.
 * Example: 18 of 20 on the only other work, and this one 10 of 20 → it decides 50, and has cost 20.
 * @returns by item id; null where there would be no figure without it or with it. Empty in standards courses.
 */
export function ridesOn(record: CourseRecord, only?: string): ReadonlyMap<string, Rides> {
  const rides = new Map<string, Rides>();
  const opened = openSums(record);
  if (!opened) return rides;
  const { course, tally, all, standings, figure } = opened;
  const { policy, asOfMs } = course;
  const expected = expectedByCategory(course, standings);
  const posted = figure();
  const apart = (high: number | null, low: number | null) =>
    high === null || low === null ? null : high - low;
  all.forEach((standing, index) => {
    const { item } = standing;
    if (only !== undefined && item.id !== only) return;
    if (!isOrdinary(item)) return void rides.set(item.id, { decides: 0, now: 0, gain: null });
    const at = (value: number | null): number | null => {
      tally.set(index, value);
      return figure();
    };
    const nothing = at(leftValue(policy));
    const full = at(1);
    const done = isToCome(standing, asOfMs) ? at(Math.max(policy.floor, expected(item.categoryId))) : null;
    const without = at(null);
    at(postedValue(policy, item, standing));
    rides.set(item.id, {
      decides: apart(full, nothing),
      now: apart(posted, without),
      gain: apart(done, nothing),
    });
  });
  return rides;
}

/** What rides on one work; nulls for one that the course does not have, and in courses of standards. */
export const itemWorth = (record: CourseRecord, itemId: string): ItemWorth => {
  const { decides, now } = ridesOn(record, itemId).get(itemId) ?? none;
  return { decides, now };
};
