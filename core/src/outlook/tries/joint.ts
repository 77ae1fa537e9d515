import type { CourseRecord } from '@cadro/contract';
import { expectedByCategory } from './expected';
import { fallsIfLeft, leftValue } from '../work/leftValue';
import { looseEndsOf } from '../work/looseEnds';
import { isToCome } from './needed';
import { openSums } from '../work/opened';
import { madeUpValue } from '../threeFigures';
import { againValue, secondChancesOf } from '../work/secondChances';

/** The figure if everything is left but these, which stay as they are counted now; null where there is nothing to sum. */
export function leftWithout(record: CourseRecord, itemIds: Iterable<string>): number | null {
  const opened = openSums(record);
  if (!opened) return null;
  const { course, tally, standings, figure } = opened;
  const spared = new Set(itemIds);
  for (const { kind, standing } of looseEndsOf(course, standings)) {
    if (!fallsIfLeft(kind) || spared.has(standing.item.id)) continue;
    tally.set(course.indexOf.get(standing.item.id) ?? -1, leftValue(course.policy));
  }
  return figure();
}

/** What several works come to together, in points of the course's scale. Impacts need not add up; this is the truth. */
export interface Joint {
  readonly ifLeft: number | null;
  /** With all of them done and everything else left. */
  readonly ifDone: number | null;
}

/**
 * What if all of these are done? Loose ends count as made up, second chances as done again; work still to come as the child can be expected to
 * score in it. Work that is neither, or cannot be mended any more, changes nothing.
 * @returns nulls in standards courses and where there is nothing to sum.
 */
export function jointly(record: CourseRecord, itemIds: Iterable<string>): Joint {
  const opened = openSums(record);
  if (!opened) return { ifLeft: null, ifDone: null };
  const { course, tally, standings, all, figure } = opened;
  const { policy, indexOf, asOfMs } = course;
  const asked = new Set(itemIds);
  const expected = expectedByCategory(course, standings);
  const ends = looseEndsOf(course, standings);
  const placeOf = (itemId: string): number => indexOf.get(itemId) ?? -1;
  for (const { kind, standing } of ends) {
    if (fallsIfLeft(kind)) tally.set(placeOf(standing.item.id), leftValue(policy));
  }
  const ifLeft = figure();
  for (const end of ends) {
    const { id, categoryId } = end.standing.item;
    if (end.recoverable && asked.has(id))
      tally.set(placeOf(id), madeUpValue(policy, end, expected(categoryId)));
  }
  for (const chance of secondChancesOf(course, standings)) {
    const { id, categoryId } = chance.standing.item;
    if (asked.has(id)) tally.set(placeOf(id), againValue(chance, expected(categoryId, id)));
  }
  for (const standing of all) {
    const { id, categoryId } = standing.item;
    if (asked.has(id) && isToCome(standing, asOfMs)) {
      tally.set(placeOf(id), Math.max(policy.floor, expected(categoryId)));
    }
  }
  return { ifLeft, ifDone: figure() };
}
