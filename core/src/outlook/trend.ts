import type { TrendClass } from '@cadro/contract';
import {
  assessStandards,
  isOrdinary,
  postedSum,
  postedValue,
  standingsAt,
  type Course,
  type Standing,
} from '../gradebook';

const weekMs = 7 * 24 * 60 * 60 * 1000;
const looksBack = 5;
const leastFigures = 3;
const leastItems = 3;

export interface Trend {
  readonly class: TrendClass;
  /** Percentage points (fraction × 100) a week; null while it is too early. */
  readonly slope: number | null;
}

/** Theil–Sen: the median of all pairwise slopes, which one wild week cannot bend. */
export function medianSlope(points: readonly (readonly [x: number, y: number])[]): number | null {
  const slopes: number[] = [];
  points.forEach(([x1, y1], index) => {
    for (const [x2, y2] of points.slice(index + 1)) slopes.push((y2 - y1) / (x2 - x1));
  });
  if (slopes.length === 0) return null;
  slopes.sort((a, b) => a - b);
  const middle = Math.floor(slopes.length / 2);
  const upper = slopes[middle] ?? 0;
  return slopes.length % 2 === 1 ? upper : ((slopes[middle - 1] ?? 0) + upper) / 2;
}

function valuedItems(course: Course, standings: readonly Standing[]): number {
  if (course.policy.method === 'standards') return assessStandards(course, standings).evidenceItems;
  return standings.filter(
    (standing) => isOrdinary(standing.item) && postedValue(course.policy, standing) !== null,
  ).length;
}

/** Which way the posted figure has gone over the last five weeks. */
export function trendOf(course: Course, standingsNow: readonly Standing[]): Trend {
  const points: [number, number][] = [];
  for (let week = -looksBack; week <= 0; week++) {
    const atMs = course.asOfMs + week * weekMs;
    const standings = week === 0 ? standingsNow : standingsAt(course, atMs);
    const { fraction } = postedSum(course, standings);
    if (fraction !== null) points.push([week, fraction * 100]);
  }
  const tooEarly = points.length < leastFigures || valuedItems(course, standingsNow) < leastItems;
  const slope = tooEarly ? null : medianSlope(points);
  if (slope === null) return { class: 'too-early', slope: null };
  if (slope <= -1 + 1e-9) return { class: 'slipping', slope };
  return { class: slope >= 1 - 1e-9 ? 'rising' : 'steady', slope };
}
