import { isOrdinary, type Course, type Standing } from '../gradebook';
import { kindOf } from './looseEnds';

/** What a child is taken to be able to, before the first score of the course. */
const withoutAnyScore = 0.85;
/** How many scores of the category outweigh the course's own mean. */
const priorScores = 3;

/**
 * The fraction this child can be expected to reach in each category: its own honest scores there, drawn
 * towards its mean over the course while they are few. Example: two scores of 1 in a course of mean 0.8
 * → (2 + 3 × 0.8) ÷ 5 = 0.88.
 */
export function expectedByCategory(
  course: Course,
  standings: readonly Standing[],
): (categoryId: string) => number {
  const byCategory = new Map<string, number[]>();
  const all: number[] = [];
  for (const standing of standings) {
    const { item, status, earned } = standing;
    if (status !== 'scored' || earned === null || earned === 0 || !isOrdinary(item)) continue;
    if (kindOf(standing, course) === 'at-floor') continue;
    const share = Math.min(1, earned / item.possible);
    all.push(share);
    byCategory.set(item.categoryId, [...(byCategory.get(item.categoryId) ?? []), share]);
  }
  const sum = (shares: readonly number[]) => shares.reduce((total, share) => total + share, 0);
  const mean = all.length > 0 ? sum(all) / all.length : withoutAnyScore;
  return (categoryId) => {
    const shares = byCategory.get(categoryId) ?? [];
    return (sum(shares) + priorScores * mean) / (shares.length + priorScores);
  };
}
