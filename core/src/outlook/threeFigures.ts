import {
  postedSum,
  postedValue,
  sumUp,
  type Course,
  type Standing,
  type Sum,
  type Valuation,
} from '../gradebook';
import { expectedByCategory } from './expected';
import { looseEndsOf, type LooseEnd } from './looseEnds';

export interface WeighedLooseEnd extends LooseEnd {
  /** Gain on the course's scale if only this one is made up; null where it cannot be told. */
  readonly impact: number | null;
}

/** Figures on the course's scale (`outOf`); null where there is nothing to sum, or in standards courses. */
export interface ThreeFigures {
  readonly posted: Sum;
  readonly ifLeft: number | null;
  readonly ifMadeUp: number | null;
  readonly best: number | null;
  /** In make-up order. */
  readonly looseEnds: readonly WeighedLooseEnd[];
}

/** Kinds whose item does not count, or counts as nothing, until someone acts. */
const fallsIfLeft = new Set<LooseEnd['kind']>(['missing', 'incomplete', 'overdue']);

const scaled = (course: Course, { fraction }: Sum): number | null =>
  fraction === null ? null : fraction * course.policy.outOf;

function leftValuation(course: Course, looseEnds: readonly LooseEnd[]): Valuation {
  const { policy } = course;
  const leftValue = policy.missingCounts === 'floor' ? policy.floor : 0;
  const falling = new Set(
    looseEnds.filter(({ kind }) => fallsIfLeft.has(kind)).map(({ standing }) => standing.item.id),
  );
  return (standing) => (falling.has(standing.item.id) ? leftValue : postedValue(policy, standing));
}

/** The value a made-up loose end reaches: never less than it has, than the floor, than its credit allows. */
const madeUpValue = (course: Course, end: LooseEnd, left: number | null, expected: number): number =>
  Math.max(left ?? 0, course.policy.floor, (end.credit ?? 0) * expected);

function makeUpOrder(a: WeighedLooseEnd, b: WeighedLooseEnd): number {
  if ((a.kind === 'unmarked') !== (b.kind === 'unmarked')) return a.kind === 'unmarked' ? 1 : -1;
  const byImpact = (b.impact ?? 0) - (a.impact ?? 0);
  if (Math.abs(byImpact) >= 1e-9) return byImpact;
  return (a.deadlineMs ?? 0) - (b.deadlineMs ?? 0) || (a.standing.item.id < b.standing.item.id ? -1 : 1);
}

/**
 * Posted, if left, if made up and best, and what each loose end is worth.
 * Values are fractions inside, scaled by `outOf` on the way out. Impacts need not add up.
 */
export function threeFigures(course: Course, standings: readonly Standing[]): ThreeFigures {
  const posted = postedSum(course, standings);
  const looseEnds = looseEndsOf(course, standings);
  if (course.policy.method === 'standards') {
    const unweighed = looseEnds.map((end) => ({ ...end, impact: null })).sort(makeUpOrder);
    return { posted, ifLeft: null, ifMadeUp: null, best: null, looseEnds: unweighed };
  }
  const left = leftValuation(course, looseEnds);
  const expected = expectedByCategory(course, standings);
  const ends = new Map(looseEnds.filter((end) => end.recoverable).map((end) => [end.standing.item.id, end]));
  const figure = (valueOf: Valuation) => scaled(course, sumUp(course, standings, valueOf));

  const madeUpAt = (standing: Standing, end: LooseEnd, share: number) =>
    madeUpValue(course, end, left(standing), share);
  const allAt = (shareOf: (categoryId: string) => number) =>
    figure((standing) => {
      const end = ends.get(standing.item.id);
      return end ? madeUpAt(standing, end, shareOf(standing.item.categoryId)) : left(standing);
    });

  const ifLeft = figure(left);
  const impactOf = (end: LooseEnd): number | null => {
    if (end.kind === 'unmarked' || ifLeft === null) return null;
    if (!end.recoverable) return 0;
    const alone = figure((standing) =>
      standing === end.standing
        ? madeUpAt(standing, end, expected(standing.item.categoryId))
        : left(standing),
    );
    return (alone ?? ifLeft) - ifLeft;
  };
  return {
    posted,
    ifLeft,
    ifMadeUp: allAt(expected),
    best: allAt(() => 1),
    looseEnds: looseEnds.map((end) => ({ ...end, impact: impactOf(end) })).sort(makeUpOrder),
  };
}
