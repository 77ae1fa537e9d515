import type { Language } from '@cadro/contract';
import * as chrono from 'chrono-node';
import { daysAfter, nextWeekday } from '../../dates';
import { isDay } from './calendar';
import { monthOfWord, months } from './dayWords';
import { ownDays } from './ownDays';
import { relationOf, type Found, type Relation, type Span } from './relation';

export interface DayMark {
  readonly start: number;
  readonly end: number;
  /** The last day that is meant, `YYYY-MM-DD`; null when the words name a day that cannot be known. */
  readonly date: string | null;
  readonly relation: Relation;
  /** The stretch of the course whose end is meant. */
  readonly ends?: Span | null | undefined;
}

/** A day of a month that has no such day: nobody can say which day was meant. */
function impossible(text: string, lang: Language): Found[] {
  const pattern =
    lang === 'en'
      ? new RegExp(
          String.raw`\b(?:(\d{1,2})(?:st|nd|rd|th)?(?: of)? (${months.en})|(${months.en})\.? (\d{1,2})(?:st|nd|rd|th)?)\b`,
          'gi',
        )
      : new RegExp(String.raw`(?<!\p{L}|\d)(\d{1,2}) de (${months.es})()()(?!\p{L})`, 'giu');
  const slashed = /(?<![\d/])(\d{1,2})\/(\d{1,2})(?![\d/])|(?<!\d)(\d{4})-(\d{2})-(\d{2})(?!\d)/g;
  const found: Found[] = [];
  for (const match of text.matchAll(pattern)) {
    const [whole, day1, month1, month2, day2] = match;
    if ((month1 ?? month2) === 'may') continue; // 'question 7 may be redone'
    const month = monthOfWord(month1 || month2 || '', lang);
    if (!isDay(2028, month, Number(day1 || day2)))
      found.push({ start: match.index, end: match.index + whole.length, date: null });
  }
  for (const match of text.matchAll(slashed)) {
    const [whole, first, second, year, month, day] = match;
    const known = year
      ? isDay(Number(year), Number(month), Number(day))
      : lang === 'en'
        ? isDay(2028, Number(first), Number(second))
        : isDay(2028, Number(second), Number(first));
    if (!known) found.push({ start: match.index, end: match.index + whole.length, date: null });
  }
  return found;
}

/** A text as long as it was, in which some stretches say nothing. */
export const masked = (text: string, marks: readonly Pick<Found, 'start' | 'end'>[]): string =>
  marks.reduce(
    (rest, { start, end }) => rest.slice(0, start) + '#'.repeat(end - start) + rest.slice(end),
    text,
  );

/** Words that the date package takes for days and that a teacher seldom means so: 'may', 'sat', the sea in Spanish. */
const everyday: Readonly<Record<Language, RegExp>> = {
  en: /\b(?:may|march|mar|sat|sun|mon|wed|second)\b/g,
  es: /(?<!\p{L})(?:mar|sol|lun|dom|sab|vie|jue)(?![\p{L}.])|(?<!\p{L})(?:medianoche|mediodía|(?:por|de|a|toda) la mañana|(?:cualquier|cada) mañana)(?!\p{L})/gu,
};

const parsers = { en: chrono.casual, es: chrono.es.casual } as const;
type Parsed = ReturnType<(typeof parsers)['en']['parse']>[number];

function dateOf(parts: Parsed['start'], written: string): string | null {
  const pad = (value: number | null, digits: number) => String(value).padStart(digits, '0');
  if (parts.isCertain('day')) {
    return `${pad(parts.get('year'), 4)}-${pad(parts.get('month'), 2)}-${pad(parts.get('day'), 2)}`;
  }
  const weekday = parts.get('weekday');
  return parts.isCertain('weekday') && weekday !== null ? nextWeekday(written, weekday) : null;
}

/** Numbers of questions and pages, which are no days: 'questions 5 through 8'. */
const numbered: Readonly<Record<Language, RegExp>> = {
  en: /\b(?:questions?|problems?|numbers?|exercises?|pages?|parts?|chapters?|items?|steps?|lines?|quiz|log|entry|entries|unit) \d+(?:(?:, | and | or | to | through |-|–)\d+)*/gi,
  es: /(?<!\p{L})(?:preguntas?|problemas?|números?|ejercicios?|páginas?|partes?|temas?|apartados?|control|entradas?|unidad) \d+(?:(?:, | y | o | a |-|–)\d+)*/giu,
};

/** What the date package finds; hours, months and years alone are no day. */
function parsedDays(text: string, written: string, lang: Language): Found[] {
  const reference = { instant: new Date(`${written}T12:00:00Z`), timezone: 0 };
  const hidden = (word: string) => '#'.repeat(word.length);
  const plain = text.replace(everyday[lang], hidden).replace(numbered[lang], hidden);
  return parsers[lang].parse(plain, reference).flatMap((result): Found[] => {
    const [start, end] = [result.index, result.index + result.text.length];
    const last = result.end && dateOf(result.end, written);
    const first = dateOf(result.start, written);
    if (/^(?:after|después de) (?:\d|\w+ (?:days|weeks|días|semanas))/i.test(result.text)) return [];
    // 'A week after the due date' counts from a day that is not told.
    const lasts = /(?:^|\s)(?:days?|weeks?|días?|semanas?)(?: after| después)?$/i.test(result.text);
    if (lasts && /^,?(?: (?:after|después del?))? (?:the|it|its|la|el) /i.test(plain.slice(end))) return [];
    if (/^(?:last|past|previous|pasado|anteayer|yesterday|ayer|now|ahora)\b/i.test(result.text)) return [];
    if (last && first && last !== first)
      return [{ start, end, date: last < first ? daysAfter(last, 7) : last, until: true }];
    return first ? [{ start, end, date: first }] : [];
  });
}

/** 'On Tuesday or Thursday': one mark, and the later day is the last. */
function eitherOf(text: string, found: DayMark[], mark: DayMark): DayMark[] {
  const before = found.at(-1);
  const between = before ? text.slice(before.end, mark.start) : '';
  // 'Tonight for 24 hours'.
  if (
    before?.relation === 'on' &&
    mark.relation === 'until' &&
    /^[^,;.]{0,60} (?:for|durante)(?: the next| las próximas)? $/i.test(between)
  )
    return [...found.slice(0, -1), mark];
  if (
    before?.relation !== 'on' ||
    !before.date ||
    !mark.date ||
    !/^,?\s*(?:(?:or|and|o|y|u)\s)?(?:on\s|el\s|at lunch on\s)?$/i.test(between) ||
    between === ''
  )
    return [...found, mark];
  const date = before.date > mark.date ? before.date : mark.date;
  return [...found.slice(0, -1), { ...before, end: mark.end, date }];
}

/**
 * The days a sentence names, by place, each with how it stands there. Weekdays are the next on or after the day of
 * writing; a day that is not on the calendar has no date.
 * @param written the day of writing, `YYYY-MM-DD`.
 */
export function daysIn(text: string, written: string, lang: Language): DayMark[] {
  const none = impossible(text, lang);
  const ours = ownDays(masked(text, none), written, lang);
  const marks = [...none, ...ours];
  const others = parsedDays(masked(text, marks), written, lang);
  return [...marks, ...others]
    .map((found): DayMark => {
      const relation = relationOf(text, found, lang);
      const { start, end, date, ends } = found;
      if (relation !== 'before' || date === null) return { start, end, date, relation, ends };
      return { start, end, date: daysAfter(date, -1), relation };
    })
    .sort((a, b) => a.start - b.start)
    .reduce<DayMark[]>((found, mark) => eitherOf(text, found, mark), [])
    .map((mark, index, all) => {
      // 'between Monday and Thursday', written on a Wednesday: the Thursday after that Monday.
      const first = all[index - 1];
      if (first?.relation !== 'from' || !first.date || !mark.date || mark.date >= first.date) return mark;
      return { ...mark, date: daysAfter(mark.date, 7) };
    });
}
