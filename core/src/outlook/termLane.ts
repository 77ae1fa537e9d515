import type { FigureStep } from '@cadro/contract';

/** Something that moved a course's figure. */
export interface LaneMove {
  readonly itemId: string;
  readonly title: string;
  readonly atMs: number;
  /** How far, as a share of the whole scale: -0.02 for two points of a hundred down. */
  readonly share: number;
}

/** Moves that are smaller are not seen in a drawing of a whole term. */
const noticeable = 2e-3;

/**
 * What moved a course's figure most in a term, in the order in which it happened.
 * @param moved the course's steps. @param outOf the top of its scale. @param most so many at most.
 */
export function termMoves(
  moved: readonly Pick<FigureStep, 'itemId' | 'title' | 'at' | 'delta'>[],
  outOf: number,
  most: number,
): LaneMove[] {
  return moved
    .flatMap(({ itemId, title, at, delta }) =>
      delta === null ? [] : [{ itemId, title, atMs: Date.parse(at), share: delta / outOf }],
    )
    .filter(({ share }) => Math.abs(share) >= noticeable)
    .sort((a, b) => Math.abs(b.share) - Math.abs(a.share) || a.atMs - b.atMs)
    .slice(0, most)
    .sort((a, b) => a.atMs - b.atMs);
}
