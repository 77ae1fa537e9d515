import type { Policy } from './course';

/** Half away from zero at the given decimals. 89.95 at 1 → 90; -0.05 at 1 → -0.1. */
export function roundHalfAway(value: number, decimals: number): number {
  const scale = 10 ** decimals;
  const rounded = Math.floor((Math.abs(value) + 1e-9) * scale + 0.5) / scale;
  return value < 0 ? -rounded : rounded;
}

/** The figure as shown on the course's scale; null stays null. */
export const displayOf = (policy: Policy, fraction: number | null): number | null =>
  fraction === null ? null : roundHalfAway(fraction * policy.outOf, policy.decimals);

/** The letter of a fraction; null without letters, without a fraction, or below all of them. */
export function letterOf(policy: Policy, fraction: number | null): string | null {
  if (fraction === null) return null;
  const asked =
    policy.letterFrom === 'rounded' ? (displayOf(policy, fraction) ?? 0) / policy.outOf : fraction;
  return policy.letters.find(({ from }) => from <= asked + 1e-9)?.letter ?? null;
}
