import { byCodePoint } from '../order';

/** A part of a composed grade: a quarter, an exam. Weights need not sum to anything in particular. */
export interface Part {
  readonly weight: number;
  /** What is computed for it now, 0 to 1; null while there is nothing. */
  readonly fraction: number | null;
  /** The final fraction the school has stored, which replaces the computed one; null while it has not. */
  readonly stored: number | null;
}

/**
 * The grade of a term made of parts: the weighted mean of the parts that have one; null when none has, or the
 * weights of those that have sum to 0. Example: 40 × 0.9, 40 × (nothing yet), 20 × 0.6 → 0.8.
 */
export function compose(parts: readonly Part[]): number | null {
  let weights = 0;
  let weighed = 0;
  for (const part of parts) {
    const fraction = part.stored ?? part.fraction;
    if (fraction === null) continue;
    weights += part.weight;
    weighed += part.weight * fraction;
  }
  return weights > 0 ? weighed / weights : null;
}

export interface GradedCourse {
  readonly letter: string | null;
  readonly credits: number;
  /** Points added for a harder course. */
  readonly bump: number;
}

/**
 * The grade-point average: the mean of the points of the letters, weighed by credits. A course without a letter,
 * or with one that the table does not list, is left out; null when no credits are left.
 * Example: {A: 4, B: 3}, an A of 1 credit and a B of 3 → 3.25.
 */
export function gradePointAverage(
  points: Readonly<Record<string, number>>,
  courses: readonly GradedCourse[],
): number | null {
  let credits = 0;
  let weighed = 0;
  for (const course of courses) {
    const listed = course.letter !== null && Object.hasOwn(points, course.letter);
    if (!listed) continue;
    credits += course.credits;
    weighed += course.credits * (points[course.letter!]! + course.bump);
  }
  return credits > 0 ? weighed / credits : null;
}

/** A term without parts of its own, by its dates (`YYYY-MM-DD`, both included). */
export interface LeafTerm {
  readonly startsOn: string;
  readonly endsOn: string;
}
export type TermState = 'ahead' | 'running' | 'closed';

export const termStateOf = ({ startsOn, endsOn }: LeafTerm, today: string): TermState =>
  today < startsOn ? 'ahead' : today > endsOn ? 'closed' : 'running';

/**
 * The term a course stands in on a date: the one that runs, else the last that has ended, else the first to come.
 * Also the term of a work that names none, by the date it was given out: so no work falls between two terms.
 * Of two that begin on one day (a school that lists its quarters beside its semesters) it is the shorter one.
 * Undefined without terms. Example: quarters to 6 November and from 9 November; on the 8th it is the first.
 */
export function termOn<T extends LeafTerm>(terms: readonly T[], date: string): T | undefined {
  const byStart = [...terms].sort(
    (a, b) => byCodePoint(a.startsOn, b.startsOn) || byCodePoint(b.endsOn, a.endsOn),
  );
  const begun = byStart.filter((term) => termStateOf(term, date) !== 'ahead');
  return begun.at(-1) ?? byStart[0];
}

/** What is known of a part of a year: a quarter, an exam, or a semester whose grade the school has stored. */
export interface KnownPart {
  readonly computed: number | null;
  readonly stored: number | null;
}

/** How the grade of a term is made. */
export interface Formula {
  readonly sessionId: string;
  readonly parts: readonly { readonly part: string; readonly weight: number }[];
}

export interface ComposedTerm {
  /** By the formula; what the school has stored for the term itself stands beside it in what is known. */
  readonly fraction: number | null;
  readonly parts: readonly (Part & { readonly part: string })[];
}

/**
 * The composed grades of a year, each by its formula: a part that is composed itself goes in with its own grade.
 * A formula that leads back to itself (a source's mistake) counts as a part that has no grade.
 */
export function composeTerms(
  formulas: readonly Formula[],
  known: ReadonlyMap<string, KnownPart>,
): Map<string, ComposedTerm> {
  const byId = new Map(formulas.map((formula) => [formula.sessionId, formula]));
  const done = new Map<string, ComposedTerm>();
  const under = new Set<string>();
  const composed = (formula: Formula): ComposedTerm => {
    const found = done.get(formula.sessionId);
    if (found) return found;
    under.add(formula.sessionId);
    const parts = formula.parts.map(({ part, weight }) => {
      const { computed = null, stored = null } = known.get(part) ?? {};
      const own = byId.get(part);
      const fraction = computed ?? (own && !under.has(part) ? composed(own).fraction : null);
      return { part, weight, fraction, stored };
    });
    under.delete(formula.sessionId);
    const made = { fraction: compose(parts), parts };
    done.set(formula.sessionId, made);
    return made;
  };
  formulas.forEach(composed);
  return done;
}

export interface CreditCourse {
  readonly area: string | null;
  readonly credits: number;
  readonly earned: number;
  /** Whether the rest of its credits can still be earned. */
  readonly inProgress: boolean;
}

export interface CreditBalance {
  readonly area: string;
  readonly earned: number;
  readonly inProgress: number;
  readonly required: number;
  /** What neither is earned nor in progress; never below 0. */
  readonly stillNeeded: number;
}

/** Credits by area: earned (passed), in progress, required, still needed. Areas in the order of the plan. */
export function creditBalance(
  plan: readonly { readonly area: string; readonly required: number }[],
  courses: readonly CreditCourse[],
): CreditBalance[] {
  return plan.map(({ area, required }) => {
    const own = courses.filter((course) => course.area === area);
    const earned = own.reduce((sum, course) => sum + course.earned, 0);
    const inProgress = own.reduce(
      (sum, course) => sum + (course.inProgress ? Math.max(0, course.credits - course.earned) : 0),
      0,
    );
    return { area, earned, inProgress, required, stillNeeded: Math.max(0, required - earned - inProgress) };
  });
}
