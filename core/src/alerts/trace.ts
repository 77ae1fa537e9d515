import type { FigureReason } from '@cadro/contract';
import { byCodePoint } from '../gradebook';
import type { CourseSight } from './facts';
import { dayMs } from '../dates';

const mostMoves = 3;

/** The posted figure at an instant, on the course's scale. */
export interface TracePoint {
  readonly atMs: number;
  readonly posted: number;
}

/**
 * The posted figure over the last days, oldest first: as it was when they began, where there was one, and after each
 * change. Empty when nothing changed.
 */
export function traceOf({ answer }: CourseSight, asOfMs: number, days: number): TracePoint[] {
  const sinceMs = asOfMs - days * dayMs;
  const steps = answer.moved.filter(({ at }) => Date.parse(at) > sinceMs);
  const first = steps[0];
  const began =
    first && first.posted !== null && first.delta !== null
      ? [{ atMs: sinceMs, posted: first.posted - first.delta }]
      : [];
  return [
    ...began,
    ...steps.flatMap(({ at, posted }) => (posted === null ? [] : [{ atMs: Date.parse(at), posted }])),
  ];
}

/** The point of a trace with the highest figure (`sign` 1) or the lowest (-1), the latest of equals; null of none. */
export const extremeOf = (trace: readonly TracePoint[], sign: 1 | -1): TracePoint | null =>
  trace.reduce<TracePoint | null>(
    (best, point) => (!best || sign * (point.posted - best.posted) >= 0 ? point : best),
    null,
  );

/** Among fewer works that count each one moves the figure by much, and that is no news. */
const leastWorks = 4;

/** Whether so much counts in a course that a change of its figure means something. */
export const saysSomething = ({ results, items }: CourseSight): boolean =>
  [...results].filter(([itemId, all]) => {
    const status = all.at(-1)?.value.status;
    return (items.get(itemId)?.counts ?? false) && (status === 'scored' || status === 'missing');
  }).length >= leastWorks;

/** A standard is judged in whole levels, and one of them moves the mean of a few by much. */
const leastStandardsPoints = 12;

/**
 * How far a figure has come down (`sign` -1) or up (1) from its extreme in the last days, in points of a hundred; 0
 * where it has since gone back by more than half of the way, or too little counts yet.
 */
export function wayFrom(course: CourseSight, asOfMs: number, days: number, sign: 1 | -1): number {
  const { posted } = course.answer;
  const trace = traceOf(course, asOfMs, days);
  const [from, beyond] = [extremeOf(trace, sign === -1 ? 1 : -1), extremeOf(trace, sign)];
  if (posted === null || !from || !beyond) return 0;
  const way = sign * (posted - from.posted);
  const back = sign * (beyond.posted - posted);
  const points = (way / course.policy.outOf) * 100;
  const tooSmall = course.policy.method === 'standards' && points < leastStandardsPoints;
  return back > way / 2 || tooSmall || !saysSomething(course) ? 0 : points;
}

/** The works that moved the figure most in one direction since an instant, greatest first. */
export function movesSince(
  { answer, items }: CourseSight,
  sinceMs: number,
  sign: 1 | -1,
): FigureReason['moved'] {
  const byItem = new Map<string, { at: string; delta: number }>();
  for (const { itemId, at, delta } of answer.moved) {
    if (delta === null || Date.parse(at) <= sinceMs) continue;
    byItem.set(itemId, { at, delta: (byItem.get(itemId)?.delta ?? 0) + delta });
  }
  return [...byItem]
    .filter(([, { delta }]) => sign * delta > 1e-9)
    .sort(([a, x], [b, y]) => sign * (y.delta - x.delta) || byCodePoint(a, b))
    .slice(0, mostMoves)
    .map(([itemId, { at, delta }]) => ({ itemId, title: items.get(itemId)?.title ?? '', at, delta }));
}
