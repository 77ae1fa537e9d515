import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { parseISO } from 'date-fns/parseISO';
import type { CourseGrade } from '@cadro/contract';
import {
  dateIn,
  dayListIn,
  daysAfter,
  isDate,
  localeOf,
  onceEach,
  plainly,
  roundHalfAway,
  weekOf,
} from '@cadro/core';
import { isTime } from './clock';

/** One to ten, beginning a sentence. */
const numberWords: Readonly<Record<string, readonly string[]>> = {
  en: ['One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten'],
  es: ['Una', 'Dos', 'Tres', 'Cuatro', 'Cinco', 'Seis', 'Siete', 'Ocho', 'Nueve', 'Diez'],
};

/** A day that an address names; the usual one where it names none, or what is no date. */
export const dayGiven = (text: string | undefined, usual: string): string =>
  text && isDate(text) ? text : usual;

/** A text as a heading begins: Spanish writes its months small, but not there. */
export const beginning = (text: string): string => text.charAt(0).toLocaleUpperCase() + text.slice(1);

/** A calendar date has no zone: it is read and shown in the same one. */
const instant = (when: string): Date => new Date(isDate(when) ? `${when}T12:00:00Z` : when);

type WrittenGrade = Pick<CourseGrade, 'display' | 'decimals' | 'letter'>;

const units = [
  [86_400_000, 'day'],
  [3_600_000, 'hour'],
] as const;
/** The largest unit of which a length of time has one; minutes at least. */
const longest = (ms: number): readonly [ms: number, unit: 'day' | 'hour' | 'minute'] =>
  units.find(([length]) => ms >= length) ?? [60_000, 'minute'];

/** Numbers as the reader writes them. */
const numbersIn = onceEach((language: string) => {
  const formatOf = onceEach(
    (least: number, most: number) =>
      new Intl.NumberFormat(localeOf(language), {
        minimumFractionDigits: least,
        maximumFractionDigits: most,
      }),
  );
  const number = (value: number, least: number, most: number) => formatOf(least, most).format(value);
  const moneyOf = onceEach(
    (currency: string) =>
      new Intl.NumberFormat(localeOf(language), {
        style: 'currency',
        currency,
        currencyDisplay: 'narrowSymbol',
      }),
  );
  const shares = new Intl.NumberFormat(localeOf(language), { style: 'percent', maximumFractionDigits: 1 });
  const lists = new Intl.ListFormat(localeOf(language), { type: 'conjunction' });
  const agoes = new Intl.RelativeTimeFormat(localeOf(language), { numeric: 'auto' });
  return {
    /** On a course's scale, with its decimals; an en dash where there is none. */
    figure: (value: number | null, decimals: number) =>
      value === null ? '–' : number(roundHalfAway(value, decimals), decimals, decimals),
    /** A grade as it is written, '80.4 B'; an en dash where there is none. */
    grade: ({ display, decimals, letter }: WrittenGrade) =>
      display === null && letter === null
        ? '–'
        : [
            ...(display === null ? [] : [number(roundHalfAway(display, decimals), decimals, decimals)]),
            ...(letter === null ? [] : [letter]),
          ].join(' '),
    amount: (value: number) => number(value, 0, 2),
    money: (amount: number, currency: string) => moneyOf(currency).format(amount),
    /** A length of time in minutes and seconds, '0:04'. */
    length: (seconds: number) => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`,
    /** Small counts in words, as one would write them. */
    small: (count: number) => numberWords[language]?.[count - 1] ?? number(count, 0, 0),
    percent: (fraction: number) => shares.format(fraction),
    /** How long ago something was, from its length in ms, in whole minutes from one on: '25 minutes ago'. */
    ago: (ms: number) => {
      const [length, unit] = longest(ms);
      return agoes.format(-Math.max(1, Math.floor(ms / length)), unit);
    },
    list: (values: readonly string[]) => lists.format(values),
    /** Dates of a calendar, several of one month under its name: 'Oct 19, 20, and 21'. */
    days: dayListIn(language),
  };
});

/** Days and times, each written for itself. */
const datesIn = onceEach((language: string, timeZone: string) => {
  const dated = (options: Intl.DateTimeFormatOptions) => {
    const inZone = onceEach(
      (zone: string) => new Intl.DateTimeFormat(localeOf(language), { ...options, timeZone: zone }),
    );
    return (when: string) => plainly(inZone(isDate(when) ? 'UTC' : timeZone).format(instant(when)));
  };
  const spans = onceEach(
    () => new Intl.DateTimeFormat(localeOf(language), { day: 'numeric', month: 'short', timeZone: 'UTC' }),
  );
  const time = { hour: 'numeric', minute: '2-digit' } as const;
  const clocks = onceEach(() => new Intl.DateTimeFormat(localeOf(language), { ...time, timeZone: 'UTC' }));
  const day = { weekday: 'short', day: 'numeric', month: 'short' } as const;
  return {
    time: dated(time),
    /** A time of day, `15:10`; what is none stays as it is. */
    clock: (time: string) =>
      isTime(time) ? plainly(clocks().format(new Date(`1970-01-01T${time}:00Z`))) : time,
    day: dated(day),
    dayTime: dated({ ...day, ...time }),
    dayLong: dated({ weekday: 'long', day: 'numeric', month: 'long' }),
    weekday: dated({ weekday: 'short' }),
    month: dated({ month: 'long', year: 'numeric' }),
    monthShort: dated({ month: 'short' }),
    dayOfYear: dated({ day: 'numeric', month: 'long' }),
    dayAndYear: dated({ day: 'numeric', month: 'long', year: 'numeric' }),
    short: dated({ day: 'numeric', month: 'short' }),
    /** 'Oct 19 – 25': two days and what lies between them. */
    span: (from: string, to: string) => plainly(spans().formatRange(instant(from), instant(to))),
  };
});

/**
 * Numbers, days and times in the reader's language and the school's zone. `when` is an instant or a
 * `YYYY-MM-DD`; `now` is the server's instant.
 */
export function makeFormat(language: string, timeZone: string, now: string) {
  const { dayOfYear, dayAndYear, short, ...dates } = datesIn(language, timeZone);
  const dateOf = (when: string): string => (isDate(when) ? when : dateIn(timeZone, instant(when)));
  const today = dateOf(now);
  const daysBetween = (from: string, to: string): number =>
    differenceInCalendarDays(parseISO(dateOf(to)), parseISO(dateOf(from)));
  /** 'today', 'yesterday', 'in 3 days'; beyond a week the date. */
  const relative = (when: string) => {
    const days = daysBetween(now, when);
    if (Math.abs(days) > 7) return short(when);
    return new Intl.RelativeTimeFormat(localeOf(language), { numeric: 'auto' }).format(days, 'day');
  };
  return {
    ...numbersIn(language),
    ...dates,
    today,
    /** The Monday of this week. */
    thisMonday: weekOf(today).from,
    dateOf,
    daysBetween,
    relative,
    /** With its year where that is not this one. */
    date: (when: string) =>
      dateOf(when).slice(0, 4) === today.slice(0, 4) ? dayOfYear(when) : dayAndYear(when),
    /** '4:40 PM' today, 'yesterday, 4:40 PM', 'Oct 12, 4:40 PM'. */
    recent: (when: string) =>
      [...(daysBetween(now, when) === 0 ? [] : [relative(when)]), dates.time(when)].join(', '),
    /** The date some days after today. */
    daysAhead: (days: number) => daysAfter(today, days),
  };
}
export type Format = ReturnType<typeof makeFormat>;
