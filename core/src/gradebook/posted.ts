import type { Course, Policy } from './course';
import { isOrdinary, type Standing } from './standing';
import { assessStandards } from './standards';

/** A figure as a fraction of the scale, with the categories it came from. `fraction` is null with nothing to sum. */
export interface Sum {
  readonly fraction: number | null;
  readonly categories: readonly CategorySum[];
}

export interface CategorySum {
  readonly id: string;
  readonly fraction: number | null;
  /** Earned mass, extra credit included; 0 when nothing is valued. */
  readonly earnedMass: number;
  readonly mass: number;
}

/** What an item is worth in a sum, as a fraction of its mass; null leaves it out. */
export type Valuation = (standing: Standing) => number | null;

/** The value of a standing as the gradebook counts it today. Example: 17 of 20 → 0.85; missing at zero → 0. */
export function postedValue(policy: Policy, standing: Standing): number | null {
  switch (standing.status) {
    case 'scored':
      return standing.earned === null
        ? null
        : Math.max(policy.floor, standing.earned / standing.item.possible);
    case 'missing':
      return policy.missingCounts === 'not' ? null : policy.missingCounts === 'floor' ? policy.floor : 0;
    case 'incomplete':
      return policy.incompleteCounts === 'zero' ? 0 : null;
    case 'excused':
    case 'open':
    case 'handed-in':
      return null;
  }
}

const extraEarned = (standing: Standing): number =>
  standing.item.counts && standing.item.extraCredit && standing.status === 'scored'
    ? (standing.earned ?? 0) * standing.item.multiplier
    : 0;

function sumCategories(course: Course, standings: readonly Standing[], valueOf: Valuation): CategorySum[] {
  const sums = new Map(course.categories.map(({ id }) => [id, { earned: 0, mass: 0, extra: 0 }]));
  for (const standing of standings) {
    const sum = sums.get(standing.item.categoryId);
    if (!sum) continue;
    sum.extra += extraEarned(standing);
    const value = isOrdinary(standing.item) ? valueOf(standing) : null;
    if (value === null) continue;
    sum.earned += value * standing.item.mass;
    sum.mass += standing.item.mass;
  }
  return course.categories.map(({ id }) => {
    const { earned, mass, extra } = sums.get(id) ?? { earned: 0, mass: 0, extra: 0 };
    return mass > 0
      ? { id, fraction: (earned + extra) / mass, earnedMass: earned + extra, mass }
      : { id, fraction: null, earnedMass: 0, mass: 0 };
  });
}

function overPoints(categories: readonly CategorySum[]): number | null {
  const mass = categories.reduce((sum, category) => sum + category.mass, 0);
  const earned = categories.reduce((sum, category) => sum + category.earnedMass, 0);
  return mass > 0 ? earned / mass : null;
}

function overWeights(course: Course, categories: readonly CategorySum[]): number | null {
  let weights = 0;
  let weighed = 0;
  course.categories.forEach(({ weight }, index) => {
    const fraction = categories[index]?.fraction ?? null;
    if (fraction === null || weight <= 0) return;
    weights += weight;
    weighed += weight * fraction;
  });
  return weights > 0 ? weighed / weights : null;
}

/**
 * The course's figure when each item is worth what `valueOf` says (fractions, 0 to 1 and above).
 * One road for every figure: posted, if left, if made up, best and each loose end's effect.
 * Drops of the lowest scores are not chosen here yet: `dropLowest` of a category has no effect.
 */
export function sumUp(course: Course, standings: readonly Standing[], valueOf: Valuation): Sum {
  if (course.policy.method === 'standards') {
    return { fraction: assessStandards(course, standings).fraction, categories: [] };
  }
  const categories = sumCategories(course, standings, valueOf);
  const fraction =
    course.policy.method === 'points' ? overPoints(categories) : overWeights(course, categories);
  return { fraction, categories };
}

export const postedSum = (course: Course, standings: readonly Standing[]): Sum =>
  sumUp(course, standings, (standing) => postedValue(course.policy, standing));
