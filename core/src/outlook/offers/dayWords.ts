import type { Language } from '@cadro/contract';
import { daysAfter, nextWeekday } from '../../dates';
import { addSchoolDays } from './calendar';

const numbers: Readonly<Record<Language, readonly string[]>> = {
  en: ['zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'],
  es: ['cero', 'un', 'dos', 'tres', 'cuatro', 'cinco', 'seis', 'siete', 'ocho', 'nueve', 'diez'],
};
const also: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  una: 1,
  uno: 1,
  fourteen: 14,
  catorce: 14,
  quince: 15,
};

const countOf = (word: string, lang: Language): number => {
  const place = numbers[lang].indexOf(word.toLowerCase());
  return place >= 0 ? place : (also[word.toLowerCase()] ?? Number(word));
};

const weekdays: Readonly<Record<Language, readonly string[]>> = {
  en: ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'],
  es: ['domingo', 'lunes', 'martes', 'miércoles', 'jueves', 'viernes', 'sábado'],
};
export const weekdayOfWord = (word: string, lang: Language): number =>
  weekdays[lang].indexOf(word.toLowerCase());

export const lastOfMonth = (date: string): string => {
  const [year = 0, month = 0] = date.split('-').map(Number);
  return new Date(Date.UTC(year, month, 0)).toISOString().slice(0, 10);
};

export const months: Readonly<Record<Language, string>> = {
  en: 'january|february|march|april|may|june|july|august|september|october|november|december|jan|feb|mar|apr|jun|jul|aug|sept|sep|oct|nov|dec',
  es: 'enero|febrero|marzo|abril|mayo|junio|julio|agosto|septiembre|setiembre|octubre|noviembre|diciembre',
};
export const monthOfWord = (word: string, lang: Language): number => {
  const start = word.toLowerCase().slice(0, 3);
  const firsts =
    lang === 'en'
      ? 'jan feb mar apr may jun jul aug sep oct nov dec'
      : 'ene feb mar abr may jun jul ago sep oct nov dic';
  return (
    firsts
      .replace('set', 'sep')
      .split(' ')
      .indexOf(start === 'set' ? 'sep' : start) + 1
  );
};

/** The last day of the next month of that name. */
export function endOfMonthNamed(name: string | undefined, written: string, lang: Language) {
  const month = monthOfWord(name ?? '', lang);
  if (month === 0) return null;
  const [year = 0, now = 0] = written.split('-').map(Number);
  const first = `${year + (month < now ? 1 : 0)}-${String(month).padStart(2, '0')}-01`;
  return { date: lastOfMonth(first), until: true };
}

/** The next such day of a month, on or after the day of writing. */
export function dayNamed(
  day: string | undefined,
  month: string | undefined,
  written: string,
  lang: Language,
): { date: string } | null {
  for (let ahead = 0; ahead < 366; ahead++) {
    const date = daysAfter(written, ahead);
    const named = month ? Number(date.slice(5, 7)) === monthOfWord(month, lang) : true;
    if (named && Number(date.slice(8)) === Number(day)) return { date };
  }
  return null;
}

/** The Friday of the week that a day is in: 'in the week of 26 October'. */
export function fridayOf(...named: Parameters<typeof dayNamed>): { date: string; until: true } | null {
  const day = dayNamed(...named);
  return day && { date: nextWeekday(day.date, 5), until: true };
}

export const duration = (
  count: string | undefined,
  unit: string,
  written: string,
  lang: Language,
  school: boolean,
) => {
  const n = countOf(count ?? '', lang);
  if (!Number.isFinite(n) || n > 400) return null;
  if (/^(?:hour|hora)/i.test(unit)) return { date: daysAfter(written, Math.ceil(n / 24)), until: true };
  if (/^(?:week|semana)/i.test(unit)) return { date: daysAfter(written, 7 * n), until: true };
  return { date: school ? addSchoolDays(written, n) : daysAfter(written, n), until: true };
};

export const count = String.raw`(\d{1,3}|an?|one|two|three|four|five|six|seven|eight|nine|ten|fourteen)`;
export const cuenta = String.raw`(\d{1,3}|una?|dos|tres|cuatro|cinco|seis|siete|ocho|nueve|diez|catorce|quince)`;
export const someWeekday = '(sunday|monday|tuesday|wednesday|thursday|friday|saturday)';
export const algunDia = '(domingo|lunes|martes|miércoles|jueves|viernes|sábado)';

/** The next day of that number; no date where no month has it. */
export const nextDayOfMonth = (day: number, written: string): { date: string | null } => ({
  date: dayNamed(String(day), undefined, written, 'en')?.date ?? null,
});
