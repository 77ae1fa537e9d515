import type { TrendClass } from '@cadro/contract';

const leastFigures = 3;
const leastItems = 3;

export interface Trend {
  readonly class: TrendClass;
  /** Percentage points (fraction × 100) a week; null while it is too early. */
  readonly slope: number | null;
}

/** The posted fraction as it was `week` weeks before now (0, -1, ...); null when there was none. */
export interface PastFigure {
  readonly week: number;
  readonly fraction: number | null;
}

/** Weeks whose end the trend looks at, oldest first, now included. */
export const trendWeeks = [-5, -4, -3, -2, -1, 0] as const;

/** Theil–Sen: the median of all pairwise slopes, which one wild week cannot bend. */
export function medianSlope(points: readonly (readonly [x: number, y: number])[]): number | null {
  const slopes: number[] = [];
  points.forEach(([x1, y1], index) => {
    for (const [x2, y2] of points.slice(index + 1)) slopes.push((y2 - y1) / (x2 - x1));
  });
  if (slopes.length === 0) return null;
  slopes.sort((a, b) => a - b);
  const middle = Math.floor(slopes.length / 2);
  const upper = slopes[middle]!;
  return slopes.length % 2 === 1 ? upper : (slopes[middle - 1]! + upper) / 2;
}

/**
 * Which way the posted figure has gone over the last five weeks.
 * @param valuedNow items that have a part in the figure now, before drops.
 */
export function trendOf(figures: readonly PastFigure[], valuedNow: number): Trend {
  const points = figures.flatMap(({ week, fraction }): [number, number][] =>
    fraction === null ? [] : [[week, fraction * 100]],
  );
  const tooEarly = points.length < leastFigures || valuedNow < leastItems;
  const slope = tooEarly ? null : medianSlope(points);
  if (slope === null) return { class: 'too-early', slope: null };
  if (slope <= -1 + 1e-9) return { class: 'slipping', slope };
  return { class: slope >= 1 - 1e-9 ? 'rising' : 'steady', slope };
}
