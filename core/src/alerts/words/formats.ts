import type { CourseGrade, FigureReason, Language } from '@cadro/contract';
import { roundHalfAway } from '../../gradebook';
import { dayMs } from '../../dates';
import { localeOf, plainly } from '../../locale';
import { onceEach } from '../../onceEach';

/** How dates, figures and lists are written in one language and zone. */
export interface Formats {
  /** An instant as a day: 'Mon, Oct 19'. */
  readonly day: (at: string) => string;
  /** A calendar date, `YYYY-MM-DD`, in the same way. */
  readonly date: (on: string) => string;
  /** An instant as a day with its time: 'Mon, Oct 19, 3:30 PM'. */
  readonly moment: (at: string) => string;
  readonly figure: (value: number, decimals: number) => string;
  /** A number with no more decimals than it needs, two at most. */
  readonly plain: (value: number) => string;
  /** A share: '50%'. */
  readonly percent: (share: number) => string;
  /** An amount of money, '$4.50'. */
  readonly money: (amount: number, currency: string) => string;
  readonly list: (parts: readonly string[]) => string;
  readonly weekday: (number: number) => string;
}

/** 5 January 2026 was a Monday. */
const aMondayMs = Date.UTC(2026, 0, 5);

function makeFormats(language: Language, timeZone: string): Formats {
  const locale = localeOf(language);
  const dayShape = { weekday: 'short', day: 'numeric', month: 'short' } as const;
  const day = new Intl.DateTimeFormat(locale, { ...dayShape, timeZone });
  const date = new Intl.DateTimeFormat(locale, { ...dayShape, timeZone: 'UTC' });
  const time = new Intl.DateTimeFormat(locale, { hour: 'numeric', minute: '2-digit', timeZone });
  const list = new Intl.ListFormat(locale, { type: 'conjunction' });
  const weekday = new Intl.DateTimeFormat(locale, { weekday: 'long', timeZone: 'UTC' });
  // Spanish dates stand in lists without their own commas; American ones are not read without them.
  const bare = (text: string) => (language === 'en' ? text : text.replaceAll(',', ''));
  const number = new Intl.NumberFormat(locale, { maximumFractionDigits: 2 });
  const figure = onceEach(
    (decimals: number) =>
      new Intl.NumberFormat(locale, { minimumFractionDigits: decimals, maximumFractionDigits: decimals }),
  );
  const money = onceEach(
    (currency: string) =>
      new Intl.NumberFormat(locale, { style: 'currency', currency, currencyDisplay: 'narrowSymbol' }),
  );
  const percent = new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 1 });
  return {
    day: (at) => bare(day.format(new Date(at))),
    date: (on) => bare(date.format(new Date(`${on}T00:00:00Z`))),
    moment: (at) => `${bare(day.format(new Date(at)))}, ${plainly(time.format(new Date(at)))}`,
    figure: (value, decimals) => figure(decimals).format(roundHalfAway(value, decimals)),
    plain: (value) => number.format(value),
    percent: (share) => percent.format(share),
    money: (amount, currency) => money(currency).format(amount),
    list: (parts) => list.format(parts),
    weekday: (number) => weekday.format(new Date(aMondayMs + (number - 1) * dayMs)),
  };
}

/** A language's and a zone's ways of writing, made once. */
export const formatsFor = onceEach(makeFormats);

/** So many of something: '1 day', '3 days'. */
export const counted = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

/** A figure on its scale: '84.0' of a hundred, '3.2 of 4' of anything else. */
export const onScale = (
  { figure }: Pick<Formats, 'figure'>,
  value: number,
  { outOf, decimals }: Pick<FigureReason, 'outOf' | 'decimals'>,
  of: string,
): string => (outOf === 100 ? figure(value, decimals) : `${figure(value, decimals)} ${of} ${outOf}`);

/** A grade as it is written: its figure on its scale, and its letter. */
export function gradeWords(
  formats: Pick<Formats, 'figure'>,
  { display, letter, decimals }: Pick<CourseGrade, 'display' | 'letter' | 'decimals'>,
  outOf: number,
  of: string,
): string {
  const figure = display === null ? [] : [onScale(formats, display, { outOf, decimals }, of)];
  return [...figure, ...(letter === null ? [] : [letter])].join(' ');
}

/** Whether a step is more than nothing at the decimals a course is told with. */
export const shows = (delta: number, { decimals }: Pick<FigureReason, 'decimals'>): boolean =>
  Math.abs(delta) >= 0.5 * 10 ** -decimals;
