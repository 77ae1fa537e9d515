import { differenceInCalendarDays, parseISO } from 'date-fns';
import { dateIn, daysAfter, isDate, roundHalfAway } from '@cadro/core';

/** One to ten, beginning a sentence. */
const numberWords: Readonly<Record<string, readonly string[]>> = {
  en: ['One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten'],
  es: ['Una', 'Dos', 'Tres', 'Cuatro', 'Cinco', 'Seis', 'Siete', 'Ocho', 'Nueve', 'Diez'],
};

/** A day that an address names; the usual one where it names none, or what is no date. */
export const dayGiven = (text: string | undefined, usual: string): string =>
  text && isDate(text) ? text : usual;

/**
 * Numbers, days and times in the reader's language and the school's zone. `when` is an instant or a
 * `YYYY-MM-DD`; `now` is the server's instant.
 */
export function makeFormat(language: string, timeZone: string, now: string) {
  // A calendar date has no zone: it is read and shown in the same one.
  const instant = (when: string) => new Date(isDate(when) ? `${when}T12:00:00Z` : when);
  const dated = (when: string, options: Intl.DateTimeFormatOptions) =>
    new Intl.DateTimeFormat(language === 'en' ? 'en-GB' : language, {
      ...options,
      timeZone: isDate(when) ? 'UTC' : timeZone,
    }).format(instant(when));
  const dateOf = (when: string): string => (isDate(when) ? when : dateIn(timeZone, instant(when)));
  const daysBetween = (from: string, to: string): number =>
    differenceInCalendarDays(parseISO(dateOf(to)), parseISO(dateOf(from)));
  const number = (value: number, least: number, most: number) =>
    new Intl.NumberFormat(language, { minimumFractionDigits: least, maximumFractionDigits: most }).format(
      value,
    );
  const time = (when: string) => dated(when, { hour: '2-digit', minute: '2-digit' });
  const relative = (when: string) => {
    const days = daysBetween(now, when);
    if (Math.abs(days) > 7) return dated(when, { day: 'numeric', month: 'short' });
    return new Intl.RelativeTimeFormat(language, { numeric: 'auto' }).format(days, 'day');
  };
  return {
    today: dateOf(now),
    dateOf,
    daysBetween,
    /** On a course's scale, with its decimals; an en dash where there is none. */
    figure: (value: number | null, decimals: number) =>
      value === null ? '–' : number(roundHalfAway(value, decimals), decimals, decimals),
    amount: (value: number) => number(value, 0, 2),
    /** Small counts in words, as one would write them. */
    small: (count: number) => numberWords[language]?.[count - 1] ?? number(count, 0, 0),
    percent: (fraction: number) =>
      new Intl.NumberFormat(language, { style: 'percent', maximumFractionDigits: 1 }).format(fraction),
    day: (when: string) => dated(when, { weekday: 'short', day: 'numeric', month: 'short' }),
    dayLong: (when: string) => dated(when, { weekday: 'long', day: 'numeric', month: 'long' }),
    month: (when: string) => dated(when, { month: 'long', year: 'numeric' }),
    /** '19–25 Oct': two days and what lies between them. */
    span: (from: string, to: string) =>
      new Intl.DateTimeFormat(language === 'en' ? 'en-GB' : language, {
        day: 'numeric',
        month: 'short',
        timeZone: 'UTC',
      }).formatRange(instant(from), instant(to)),
    /** With its year where that is not this one. */
    date: (when: string) =>
      dated(when, {
        day: 'numeric',
        month: 'long',
        ...(dateOf(when).slice(0, 4) === dateOf(now).slice(0, 4) ? {} : { year: 'numeric' }),
      }),
    dayTime: (when: string) =>
      dated(when, { weekday: 'short', day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' }),
    time,
    /** '16:40' today, 'yesterday, 16:40', '12 Oct, 16:40'. */
    recent: (when: string) =>
      [...(daysBetween(now, when) === 0 ? [] : [relative(when)]), time(when)].join(', '),
    /** 'today', 'yesterday', 'in 3 days'; beyond a week the date. */
    relative,
    list: (values: readonly string[]) =>
      new Intl.ListFormat(language, { type: 'conjunction' }).format(values),
    /** The date some days after today. */
    daysAhead: (days: number) => daysAfter(dateOf(now), days),
  };
}
export type Format = ReturnType<typeof makeFormat>;
