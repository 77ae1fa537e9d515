import type { CourseFigures, CourseGrade, Scale } from '@cadro/contract';

/** What a span draws: the bands are by our count, the filled frame is the grade as it is told. */
export interface Spanned {
  readonly figures: Pick<CourseFigures, 'posted' | 'ifLeft' | 'ifMadeUp'>;
  readonly grade: Pick<CourseGrade, 'figure' | 'count'>;
}

export interface Domain {
  readonly from: number;
  readonly to: number;
}

/** Scales up to this have a tick at each whole number. */
const smallScale = 10;

/**
 * The part of the scale that is drawn. Small scales are drawn whole; of percents, ten points below the lowest
 * step or figure up to the top, so that a point is wide enough to see. `to` grows with extra credit.
 */
export function spanDomain({ figures, grade }: Spanned, { outOf, letters }: Scale): Domain {
  const known = [grade.figure, figures.posted, figures.ifLeft, figures.ifMadeUp].flatMap((value) =>
    value === null ? [] : [value],
  );
  const to = Math.max(outOf, ...known);
  if (outOf <= smallScale) return { from: 0, to };
  const lowest = Math.min(...letters.map(({ from }) => from * outOf), ...known, outOf);
  return { from: Math.max(0, Math.floor((lowest - 0.05 * outOf) / 10) * 10), to };
}

/** The ticks: letter steps where the course has letters, whole numbers on a small scale, tens otherwise. */
export function spanSteps({ outOf, letters }: Scale, domain: Domain): { at: number; label: string }[] {
  const steps =
    letters.length > 0
      ? letters.map(({ letter, from }) => ({ at: from * outOf, label: letter }))
      : Array.from({ length: outOf <= smallScale ? Math.floor(outOf) : 10 }, (_, index) => {
          const at = outOf <= smallScale ? index + 1 : ((index + 1) * outOf) / 10;
          return { at, label: String(at) };
        });
  return steps.filter(({ at }) => at > domain.from && at <= domain.to);
}
