import type { CourseGrade, Language } from '@cadro/contract';
import { localeOf, plainly, roundHalfAway } from '@cadro/core';

/** How dates and figures are written on paper, by the school's own clock. */
export interface PrintFormat {
  /** A calendar date, `YYYY-MM-DD`. */
  day(on: string): string;
  /** The day of an instant. */
  date(at: Date): string;
  instant(at: Date): string;
  number(value: number, decimals: number): string;
  /** A grade in figures and letter; null where there is none. */
  grade(grade: Pick<CourseGrade, 'display' | 'letter' | 'decimals'> | null): string | null;
}

export function printFormat(language: Language, timeZone: string): PrintFormat {
  const locale = localeOf(language);
  const write = (options: Intl.DateTimeFormatOptions, at: Date) =>
    plainly(new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeZone, ...options }).format(at));
  const number = (value: number, decimals: number): string => {
    const digits = { minimumFractionDigits: decimals, maximumFractionDigits: decimals };
    return new Intl.NumberFormat(locale, digits).format(roundHalfAway(value, decimals));
  };
  return {
    day: (on) => write({ timeZone: 'UTC' }, new Date(`${on}T12:00:00Z`)),
    date: (at) => write({}, at),
    instant: (at) => write({ timeStyle: 'short' }, at),
    number,
    grade(grade) {
      if (!grade || (grade.display === null && grade.letter === null)) return null;
      const figure = grade.display === null ? [] : [number(grade.display, grade.decimals)];
      return [...figure, ...(grade.letter === null ? [] : [grade.letter])].join(' ');
    },
  };
}
