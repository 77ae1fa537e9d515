import type { CourseGrade } from '@cadro/contract';

/** A grade that the school states and we count alike. */
export const aGrade = (
  figure: number,
  letter: string | null = null,
  more: Partial<CourseGrade> = {},
): CourseGrade => ({
  ...{ figure, display: figure, decimals: 1, letter, by: 'count', at: null, count: null },
  ...more,
});
