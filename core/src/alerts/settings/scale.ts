import type { Policy } from '../../gradebook';

/** Scales up to this many are told in levels, longer ones in percent. */
const longestLevels = 10;

/** How a course's figure is spoken of. */
export const scaleUnit = ({ method, outOf }: Pick<Policy, 'method' | 'outOf'>): 'percent' | 'level' =>
  method === 'standards' || outOf <= longestLevels ? 'level' : 'percent';

/**
 * Where a threshold lies on a course's scale: at its letter where it has that one, else at its percent or level.
 * Null where a level lies above the scale: such a threshold says nothing about the course.
 */
export function limitOn(
  policy: Pick<Policy, 'method' | 'outOf' | 'letters'>,
  threshold: { readonly percent: number; readonly level: number; readonly letter: string | null },
): number | null {
  const letter = policy.letters.find(({ letter: name }) => name === threshold.letter);
  if (letter) return letter.from * policy.outOf;
  if (scaleUnit(policy) === 'percent') return (threshold.percent / 100) * policy.outOf;
  return threshold.level <= policy.outOf ? threshold.level : null;
}
