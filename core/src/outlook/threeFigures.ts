import { byCodePoint, type Course, type Policy, type Standing, type SumTally } from '../gradebook';
import { expectedByCategory } from './tries/expected';
import { looseEndsOf, type LooseEnd } from './work/looseEnds';
import { leftValue, fallsIfLeft, valueIfLeft } from './work/leftValue';
import { againValue, secondChancesOf, type SecondChance } from './work/secondChances';

export interface WeighedLooseEnd extends LooseEnd {
  /** Gain on the course's scale if only this one is made up; null where it cannot be told. */
  readonly impact: number | null;
}

export interface WeighedChance extends SecondChance {
  /** Gain on the course's scale if only this one is done again; null where there is no figure. */
  readonly impact: number | null;
  /** The same at the full credit. */
  readonly most: number | null;
}

/** Figures on the course's scale (`outOf`); null where there is nothing to sum, or in standards courses. */
export interface ThreeFigures {
  readonly ifLeft: number | null;
  readonly ifMadeUp: number | null;
  readonly best: number | null;
  /** In make-up order, as the chances are. */
  readonly looseEnds: readonly WeighedLooseEnd[];
  readonly chances: readonly WeighedChance[];
}

interface Mendable {
  readonly standing: Standing;
  readonly impact: number | null;
  readonly deadlineMs: number | null;
}

function byGain(a: Mendable, b: Mendable): number {
  const byImpact = (b.impact ?? 0) - (a.impact ?? 0);
  if (Math.abs(byImpact) >= 1e-9) return byImpact;
  return (a.deadlineMs ?? 0) - (b.deadlineMs ?? 0) || byCodePoint(a.standing.item.id, b.standing.item.id);
}

function makeUpOrder(a: WeighedLooseEnd, b: WeighedLooseEnd): number {
  if ((a.kind === 'unmarked') !== (b.kind === 'unmarked')) return a.kind === 'unmarked' ? 1 : -1;
  return byGain(a, b);
}

/** Loose ends of a course whose figures say nothing about them. */
export const unweighed = (looseEnds: readonly LooseEnd[]): WeighedLooseEnd[] =>
  looseEnds.map((end) => ({ ...end, impact: null })).sort(makeUpOrder);

/** What a loose end is worth once made up: never less than it has, than the floor, than its credit allows. */
export const madeUpValue = (policy: Policy, end: LooseEnd, share: number): number =>
  Math.max(valueIfLeft(policy, end) ?? 0, policy.floor, (end.credit ?? 0) * share);

/**
 * If left, if made up and best, and what each loose end and each second chance is worth. Impacts need not add up.
 * @param standings of the items that exist.
 * @param tally at the posted figure; it is left at 'if left'.
 */
export function threeFigures(course: Course, standings: readonly Standing[], tally: SumTally): ThreeFigures {
  const { policy } = course;
  const looseEnds = looseEndsOf(course, standings);
  const chances = secondChancesOf(course, standings);
  const expected = expectedByCategory(course, standings);
  const figure = (): number | null => {
    const fraction = tally.fraction();
    return fraction === null ? null : fraction * policy.outOf;
  };
  const indexOf = ({ standing }: { readonly standing: Standing }) => course.indexOf.get(standing.item.id)!;
  const madeUp = (end: LooseEnd, share: number) => madeUpValue(policy, end, share);
  const expectedOf = ({ standing }: LooseEnd) => expected(standing.item.categoryId);
  const again = new Map(
    chances.map(({ standing: { item } }) => [item.id, expected(item.categoryId, item.id)]),
  );
  const expectedAgain = ({ standing }: SecondChance) => again.get(standing.item.id)!;

  for (const end of looseEnds) if (fallsIfLeft(end.kind)) tally.set(indexOf(end), leftValue(policy));
  const ifLeft = figure();
  /** The gain with this one at a value and all else left. */
  const alone = (which: LooseEnd | SecondChance, value: number, before: number | null): number | null => {
    if (ifLeft === null) return null;
    tally.set(indexOf(which), value);
    const then = figure();
    tally.set(indexOf(which), before);
    return (then ?? ifLeft) - ifLeft;
  };
  const impactOf = (end: LooseEnd): number | null => {
    if (end.kind === 'unmarked' || ifLeft === null) return null;
    return end.recoverable ? alone(end, madeUp(end, expectedOf(end)), valueIfLeft(policy, end)) : 0;
  };
  const weighed = looseEnds.map((end) => ({ ...end, impact: impactOf(end) })).sort(makeUpOrder);
  const weighedChances = chances
    .map((chance) => ({
      ...chance,
      impact: alone(chance, againValue(chance, expectedAgain(chance)), chance.value),
      most: alone(chance, againValue(chance, 1), chance.value),
    }))
    .sort(byGain);

  const recoverable = looseEnds.filter((end) => end.recoverable);
  const allAt = (endShare: (end: LooseEnd) => number, againShare: (chance: SecondChance) => number) => {
    for (const end of recoverable) tally.set(indexOf(end), madeUp(end, endShare(end)));
    for (const chance of chances) tally.set(indexOf(chance), againValue(chance, againShare(chance)));
    return figure();
  };
  const ifMadeUp = allAt(expectedOf, expectedAgain);
  const best = allAt(
    () => 1,
    () => 1,
  );
  for (const end of recoverable) tally.set(indexOf(end), valueIfLeft(policy, end));
  for (const chance of chances) tally.set(indexOf(chance), chance.value);
  return { ifLeft, ifMadeUp, best, looseEnds: weighed, chances: weighedChances };
}
