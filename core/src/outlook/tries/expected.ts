import { isOrdinary, type Course, type Standing } from '../../gradebook';
import { kindOf } from '../work/looseEnds';

/** What a child is taken to be able to, before the first score of the course. */
export const withoutAnyScore = 0.85;
/** How many scores of the category outweigh the course's own mean. */
export const priorScores = 3;

/** Whether a score tells what the child can do: counted work, neither a zero nor at the floor. */
export function isHonest(standing: Standing, course: Course): boolean {
  const { item, status, earned } = standing;
  const scored = status === 'scored' && earned !== null && earned !== 0 && isOrdinary(item);
  return scored && kindOf(standing, course) !== 'at-floor';
}

/** A child's honest scores in a course, each a share from above 0 to 1; nothing that is a loose end is among them. */
export interface OwnShares {
  readonly all: readonly number[];
  readonly of: (categoryId: string) => readonly number[];
}

/** @param withoutItemId this work is left out: what it could be is asked. */
export function ownShares(
  course: Course,
  standings: readonly Standing[],
  withoutItemId: string | null = null,
): OwnShares {
  const byCategory = new Map<string, number[]>();
  const all: number[] = [];
  for (const standing of standings) {
    const { item, earned } = standing;
    if (item.id === withoutItemId) continue;
    if (!isHonest(standing, course)) continue;
    const share = Math.min(1, (earned ?? 0) / item.possible);
    all.push(share);
    byCategory.set(item.categoryId, [...(byCategory.get(item.categoryId) ?? []), share]);
  }
  return { all, of: (categoryId) => byCategory.get(categoryId) ?? [] };
}

/**
 * The fraction this child can be expected to reach in each category: its own honest scores there, drawn
 * towards its mean over the course while they are few. Example: two scores of 1 in a course of mean 0.8
 * → (2 + 3 × 0.8) ÷ 5 = 0.88.
 * @param withoutItemId this work is left out: what it could be done again at is asked.
 */
export function expectedByCategory(
  course: Course,
  standings: readonly Standing[],
  withoutItemId: string | null = null,
): (categoryId: string) => number {
  const own = ownShares(course, standings, withoutItemId);
  const sum = (shares: readonly number[]) => shares.reduce((total, share) => total + share, 0);
  const mean = own.all.length > 0 ? sum(own.all) / own.all.length : withoutAnyScore;
  return (categoryId) => {
    const shares = own.of(categoryId);
    return (sum(shares) + priorScores * mean) / (shares.length + priorScores);
  };
}
