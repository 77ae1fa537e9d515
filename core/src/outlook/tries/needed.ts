import { isOrdinary, type Course, type Standing, type SumTally } from '../../gradebook';
import { fallsIfLeft, leftValue } from '../work/leftValue';
import { kindOf } from '../work/looseEnds';

export type NeededStatus = 'secured' | 'reachable' | 'out-of-reach';

export interface Needed {
  /** On the course's scale. */
  readonly target: number;
  readonly status: NeededStatus;
  /** The least share of each work still to come that reaches the target, 0 to 1; null when none does. */
  readonly x: number | null;
}

const reached = 1e-9;
/** How closely the share is found; far closer than it is ever told. */
const closeTo = 1e-10;

/** Work that can still be had: not dealt with and not past its date; it may not be given out yet. */
export const isToCome = ({ item, status }: Standing, asOfMs: number): boolean =>
  status === 'open' && isOrdinary(item) && (item.dueAtMs === null || item.dueAtMs >= asOfMs);

/**
 * The least x with figure(x) ≥ goal, where figure(0) < goal ≤ figure(1) and figure is convex and does not fall.
 * (Each choice of drops gives a line in x, and the best choice is the upper edge of these lines.) A chord of a
 * convex function lies above it, so where the chord meets the goal is never too far: for a straight line it is the
 * answer, otherwise it lifts the lower end while halving brings down the upper.
 */
function leastShare(figure: (x: number) => number, goal: number, low0: number, high0: number): number {
  let [low, high, atLow, atHigh] = [low0, high0, figure(low0), figure(high0)];
  while (high - low > closeTo) {
    const chord = low + ((goal - atLow) / (atHigh - atLow)) * (high - low);
    const atChord = figure(chord);
    if (atChord >= goal - 1e-12) return chord;
    [low, atLow] = [Math.max(low, chord), atChord];
    const middle = (low + high) / 2;
    const atMiddle = figure(middle);
    if (atMiddle >= goal) [high, atHigh] = [middle, atMiddle];
    else [low, atLow] = [middle, atMiddle];
  }
  return high;
}

/**
 * What each target asks of the work still to come, loose ends being left as they are.
 * @param standings of every item of the record, also of those not given out yet.
 * @param tally at 'if left'; it is left anywhere.
 */
export function neededFor(
  course: Course,
  standings: readonly Standing[],
  tally: SumTally,
  targets: readonly number[],
): Needed[] {
  if (targets.length === 0) return [];
  const { asOfMs, policy } = course;
  const toCome: number[] = [];
  standings.forEach((standing, index) => {
    const kind = kindOf(standing, course);
    if (kind && fallsIfLeft(kind)) tally.set(index, leftValue(policy));
    if (isToCome(standing, asOfMs)) toCome.push(index);
  });
  /** -Infinity while there is nothing to sum: no target is reached by it. */
  const figure = (x: number): number => {
    for (const index of toCome) tally.set(index, Math.max(policy.floor, x));
    const fraction = tally.fraction();
    return fraction === null ? -Infinity : fraction * policy.outOf;
  };
  const atWorst = figure(0);
  const atBest = figure(1);
  return targets.map((target): Needed => {
    if (atWorst >= target - reached) return { target, status: 'secured', x: 0 };
    if (atBest < target - reached) return { target, status: 'out-of-reach', x: null };
    return { target, status: 'reachable', x: leastShare(figure, target - reached, policy.floor, 1) };
  });
}
