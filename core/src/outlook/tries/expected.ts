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

interface HonestScore {
  readonly itemId: string;
  readonly categoryId: string;
  readonly share: number;
}

const honestScores = (course: Course, standings: readonly Standing[]): HonestScore[] =>
  standings
    .filter((standing) => isHonest(standing, course))
    .map(({ item, earned }) => ({
      ...{ itemId: item.id, categoryId: item.categoryId },
      share: Math.min(1, (earned ?? 0) / item.possible),
    }));

export function ownShares(course: Course, standings: readonly Standing[]): OwnShares {
  const scores = honestScores(course, standings);
  const byCategory = new Map<string, number[]>();
  for (const { categoryId, share } of scores) {
    const shares = byCategory.get(categoryId);
    if (shares) shares.push(share);
    else byCategory.set(categoryId, [share]);
  }
  return { all: scores.map(({ share }) => share), of: (categoryId) => byCategory.get(categoryId) ?? [] };
}

function expectedIn(
  scores: readonly HonestScore[],
  categoryId: string,
  withoutItemId: string | undefined,
): number {
  let [all, count, own, ownCount] = [0, 0, 0, 0];
  for (const score of scores) {
    if (score.itemId === withoutItemId) continue;
    all += score.share;
    count++;
    if (score.categoryId !== categoryId) continue;
    own += score.share;
    ownCount++;
  }
  const mean = count > 0 ? all / count : withoutAnyScore;
  return (own + priorScores * mean) / (ownCount + priorScores);
}

/**
 * The fraction this child can be expected to reach in each category: its own honest scores there, drawn
 * towards its mean over the course while they are few. Example: two scores of 1 in a course of mean 0.8
 * → (2 + 3 × 0.8) ÷ 5 = 0.88. Of a work that is named, what it could be done again at: that one is left out.
 */
export function expectedByCategory(
  course: Course,
  standings: readonly Standing[],
): (categoryId: string, withoutItemId?: string) => number {
  const scores = honestScores(course, standings);
  const usual = new Map<string, number>();
  return (categoryId, withoutItemId) => {
    if (withoutItemId !== undefined) return expectedIn(scores, categoryId, withoutItemId);
    const known = usual.get(categoryId) ?? expectedIn(scores, categoryId, undefined);
    usual.set(categoryId, known);
    return known;
  };
}
