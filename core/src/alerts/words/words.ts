import type { AlertKind, Language } from '@cadro/contract';

/** What is said of alerts in one language, whichever rule found them; each rule brings its own words. */
export interface AlertWords {
  readonly language: Language;
  readonly kinds: Readonly<Record<AlertKind, string>>;
  /** '3.2 of 4'. */
  readonly of: string;
  /** So many points of a hundred. */
  readonly points: (number: string, one: boolean) => string;
  readonly days: (n: number) => string;
  /** Several works of one course in one alert. */
  readonly manyWorks: (count: number, courseTitle: string) => string;
  /** Several stored grades of one term in one alert, each with its course. */
  readonly manyFinals: (grades: string, term: string) => string;
  /** The same without the grades: their courses. */
  readonly manyFinalsAt: (courses: string, term: string) => string;
  readonly source: (name: string, at: string) => string;
}
