import { exists, isOrdinary, postedValue, type Course, type Standing } from '../../gradebook';
import { kindOf } from './looseEnds';

/** Scored work that may be done again within an offer. */
export interface SecondChance {
  readonly standing: Standing;
  /** The share of its score that is offered; above `value`. */
  readonly credit: number;
  readonly deadlineMs: number;
  /** What it is worth now, as a fraction. */
  readonly value: number;
}

/** Every second chance of a course that still stands, in the order of its items; none in standards courses. */
export function secondChancesOf(course: Course, standings: readonly Standing[]): SecondChance[] {
  const { asOfMs, policy } = course;
  if (policy.method === 'standards') return [];
  return standings.flatMap((standing): SecondChance[] => {
    const { item, status } = standing;
    const { offer } = item;
    if (!offer || asOfMs > offer.untilMs || status !== 'scored' || !isOrdinary(item)) return [];
    const value = postedValue(policy, item, standing);
    const settled = exists(standing, asOfMs) && kindOf(standing, course) === null;
    if (value === null || !settled || offer.credit <= value) return [];
    return [{ standing, credit: offer.credit, deadlineMs: offer.untilMs, value }];
  });
}

/** What a second chance is worth done again: never less than it has. */
export const againValue = ({ value, credit }: SecondChance, share: number): number =>
  Math.max(value, credit * share);
