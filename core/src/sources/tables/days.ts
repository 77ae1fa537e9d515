import { isDate, daysAfter } from '../../dates';

/** Which of two numbers of a date is the month. */
export type Order = 'month-first' | 'day-first';

const months = [
  ['jan', 'ene'],
  ['feb'],
  ['mar'],
  ['apr', 'abr'],
  ['may'],
  ['jun'],
  ['jul'],
  ['aug', 'ago'],
  ['sep', 'set'],
  ['oct'],
  ['nov'],
  ['dec', 'dic'],
] as const;
const two = (value: number): string => String(value).padStart(2, '0');

const monthOf = (word: string): number =>
  months.findIndex((names) => names.some((name) => word.normalize('NFD').toLowerCase().startsWith(name))) + 1;

const iso = (year: number, month: number, day: number): string | null => {
  const date = `${year}-${two(month)}-${two(day)}`;
  return isDate(date) ? date : null;
};

/** The date of a day and month that lies nearest to today. */
function nearest(month: number, day: number, today: string): string | null {
  const year = Number(today.slice(0, 4));
  const dates = [year - 1, year, year + 1].flatMap((each) => iso(each, month, day) ?? []);
  const away = (date: string) => Math.abs(Date.parse(date) - Date.parse(today));
  return dates.sort((a, b) => away(a) - away(b))[0] ?? null;
}

const withYear = (month: number, day: number, year: string | undefined, today: string): string | null => {
  if (year === undefined || year === '') return nearest(month, day, today);
  return iso(year.length === 2 ? 2000 + Number(year) : Number(year), month, day);
};

/** Days of the week; the Spanish one that is a month as well is taken away only where the rest is a date without it. */
const weekdays =
  /\b(?:(?:mon|tues?|wed(?:nes)?|thu(?:rs?)?|fri|sat(?:ur)?|sun)(?:day)?|lun(?:es)?|martes|mie(?:rcoles)?|jue(?:ves)?|vie(?:rnes)?|sab(?:ado)?|dom(?:ingo)?)\b\.?,?/g;

/** Without what stands beside a date: the weekday, the time, the words around it. */
const bare = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(weekdays, ' ')
    .replace(/(?:\b(?:at|by|a las?)|@)?\s*\b\d{1,2}:\d{2}(?::\d{2})?(?:\.\d+)?\s*(?:[ap]\.?\s?m\b\.?)?/g, ' ')
    .replace(/\b(due|on|by|vence|el|para|before|antes del?)\b/g, ' ')
    .replace(/(\d)(st|nd|rd|th|º|\.º|o)\b/g, '$1')
    .replace(/[\s,]+$/, '')
    .replace(/\s+/g, ' ')
    .trim();

const numbers = /^(\d{1,2})[/.\-\s](\d{1,2})(?:[/.\-\s](\d{4}|\d{2}))?$/;

/** The two numbers of a date whose order is not plain by itself; null for another text. */
const pairOf = (text: string): readonly [number, number] | null => {
  const [, a, b] = numbers.exec(bare(text)) ?? [];
  return a === undefined ? null : [Number(a), Number(b)];
};

/**
 * Which order the dates of a column are in, as far as they decide it: one with a day above the twelfth does.
 * @returns null where none of them does, or where two of them contradict each other.
 */
export function orderOf(cells: readonly string[]): Order | null {
  const pairs = cells.flatMap((cell) => {
    const pair = pairOf(cell);
    return pair ? [pair] : [];
  });
  const dayFirst = pairs.some(([first]) => first > 12);
  const monthFirst = pairs.some(([, second]) => second > 12);
  return dayFirst === monthFirst ? null : dayFirst ? 'day-first' : 'month-first';
}

/** Whether any of a column's dates has two numbers that could be either. */
export const isEither = (cells: readonly string[]): boolean => cells.some((cell) => pairOf(cell) !== null);

/**
 * The date a cell names, in numbers or words, English or Spanish; of the year nearest to today where none is written.
 * @returns null where it names none.
 */
export function readDay(
  text: string,
  { order, today }: { readonly order: Order; readonly today: string },
): string | null {
  const full = /^\s*(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})/.exec(text);
  if (full) return iso(Number(full[1]), Number(full[2]), Number(full[3]));
  const words = bare(text);
  if (/^(today|hoy)$/.test(words)) return today;
  if (/^(tomorrow|manana)$/.test(words)) return daysAfter(today, 1);
  if (/^(yesterday|ayer)$/.test(words)) return daysAfter(today, -1);
  const [, a, b, year] = numbers.exec(words) ?? [];
  if (a !== undefined && b !== undefined) {
    const [first, second] = [Number(a), Number(b)];
    const isDayFirst = first > 12 || (second <= 12 && order === 'day-first');
    return isDayFirst ? withYear(second, first, year, today) : withYear(first, second, year, today);
  }
  return readNamed(words, today) ?? readNamed(words.replace(/^mar\b\.?,?\s*/, ''), today);
}

/** A date with its month in words, the day before it or after. */
function readNamed(words: string, today: string): string | null {
  const named =
    /^(\d{1,2})[\s.-]*(?:de |of )?([a-z]{3,})\.?,?[\s-]*(?:de |del |of )?(\d{4}|\d{2})?$/.exec(words) ??
    /^([a-z]{3,})\.?[\s-]*(\d{1,2})(?:[\s,-]+(\d{4}|\d{2}))?$/.exec(words);
  if (!named) return null;
  const [, left = '', right = '', written] = named;
  const isDayFirst = /^\d/.test(left);
  const month = monthOf(isDayFirst ? right : left);
  return month === 0 ? null : withYear(month, Number(isDayFirst ? left : right), written, today);
}
