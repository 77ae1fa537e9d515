import type { PolicyRecord } from '@cadro/contract';

/**
 * How a course is taken to be graded where its source does not say: by its categories' weights if those it uses have any,
 * else by points. Out of 100; what is missing counts as zero, what is incomplete does not count.
 * @param told.weights of the categories its work is in; any order.
 * @param told.termEnd the last instant of the class's last session.
 * @example assumedPolicy({ weights: [30, 70], termEnd: '2026-11-06T23:59:59Z' }).method // 'weighted'
 */
export const assumedPolicy = (told: {
  readonly weights: readonly number[];
  readonly termEnd: string;
}): PolicyRecord => ({
  method: told.weights.reduce((sum, weight) => sum + weight, 0) > 0 ? 'weighted' : 'points',
  outOf: 100,
  missingCounts: 'zero',
  incompleteCounts: 'not',
  termEnd: told.termEnd,
});
