/** A part of a composed grade: a quarter, an exam. Weights need not sum to anything in particular. */
export interface Part {
  readonly weight: number;
  /** What is computed for it now, 0 to 1; null while there is nothing. */
  readonly fraction: number | null;
  /** The final fraction the school has stored, which replaces the computed one; null while it has not. */
  readonly stored: number | null;
}

/** What a part goes into the composed grade with. */
export const partFraction = ({ fraction, stored }: Part): number | null => stored ?? fraction;

/**
 * The grade of a term made of parts: the weighted mean of the parts that have one; null when none has, or the
 * weights of those that have sum to 0. Example: 40 × 0.9, 40 × (nothing yet), 20 × 0.6 → 0.8.
 */
export function compose(parts: readonly Part[]): number | null {
  let weights = 0;
  let weighed = 0;
  for (const part of parts) {
    const fraction = partFraction(part);
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
