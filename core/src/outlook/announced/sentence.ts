import type { Language } from '@cadro/contract';
import { daysAfter } from '../../dates';
import { daysIn, masked, sentencesOf } from '../offers';
import { hoursIn, type Hours } from './hours';

/** A day, or some in a row, that a sentence names; both dates are included. */
export interface NamedDays {
  readonly start: number;
  readonly end: number;
  readonly first: string;
  readonly last: string;
}

/** One sentence of an announcement with what it says of days and hours; places are within it. */
export interface Sentence {
  readonly text: string;
  readonly lang: Language;
  /** Where it begins in the announcement. */
  readonly start: number;
  readonly days: readonly NamedDays[];
  readonly hours: readonly Hours[];
}

/** A stretch of time, or a day that comes again and again, is no day. */
const noDay: Readonly<Record<Language, RegExp>> = {
  en: /\b(?:weeks?|months?|quarter|term|year)\b(?! of \d)|days\b/i,
  es: /(?<!\p{L})(?:semanas?|mes(?:es)?|trimestre|año|próximo año|los (?:lunes|martes|miércoles|jueves|viernes))(?!\p{L})/iu,
};
const joint: Readonly<Record<Language, RegExp>> = {
  en: / ?(?:\b(?:to|through|thru|until|till|and)\b|[-–]) ?/i,
  es: / ?(?:(?<!\p{L})(?:al?|hasta(?: el)?|y(?: el)?)(?!\p{L})|[-–]) ?/iu,
};
const anew: Readonly<Record<Language, RegExp>> = {
  en: /\b(?:moved|changed|rescheduled|postponed|shifted)\b[^.]{0,40}$/i,
  es: /(?<!\p{L})(?:pasa|cambia|se (?:mueve|aplaza|cambia|pospone))(?!\p{L})[^.]{0,40}$/iu,
};

/** What stands before a day that only a number says: 'from 16 to 18 November', 'del 16 al 18 de noviembre'. */
const numberBefore: Readonly<Record<Language, RegExp>> = {
  en: /(\d{1,2})(?:st|nd|rd|th)? ?(?:to|through|until|and|[-–]) ?(?:the )?$/i,
  es: /(?<!\d)(\d{1,2}) ?(?:al?|hasta el|y(?: el)?|[-–]) ?$/iu,
};

interface Mark extends NamedDays {
  /** The words that name it; empty of a half of it. */
  readonly words: string;
}

/** A day by a number in the month of the day it leads to. */
function dayNumbered(number: string, last: string): string | null {
  const first = `${last.slice(0, 8)}${number.padStart(2, '0')}`;
  return Number(number) > 0 && first < last ? first : null;
}

/** The day that a stretch in one's words begins with: 'from Monday to Friday', 'October 16 to 18'. */
function firstOf(words: string, last: string, written: string, lang: Language): string | null {
  const day = daysIn(words, written, lang).at(-1)?.date;
  if (day && day <= last) return day;
  return dayNumbered(/(\d{1,2})\D*$/.exec(words)?.[1] ?? '', last);
}

/** One mark of days, as it stands in the text: the date package joins what is joined by 'to' or 'and'. */
function unfolded(text: string, mark: Mark, written: string, lang: Language): Mark[] {
  const { start, last, words } = mark;
  const tie = joint[lang].exec(words);
  if (tie) {
    const first = firstOf(words.slice(0, tie.index), last, written, lang);
    if (first === null) return [mark];
    const half = { ...mark, words: '' };
    return [
      { ...half, end: start + tie.index, first, last: first },
      { ...half, start: start + tie.index + tie[0].length, first: last },
    ];
  }
  const before = numberBefore[lang].exec(text.slice(0, start));
  const first = before && dayNumbered(before[1] ?? '', last);
  if (!before || !first) return [mark];
  return [
    { start: before.index, end: before.index + (before[1]?.length ?? 0), first, last: first, words: '' },
    mark,
  ];
}

/** Two days with a joint between them are one stretch, or of what was moved only where it has gone. */
function joinedTo(text: string, lang: Language, found: readonly Mark[], mark: Mark): Mark[] {
  const before = found.at(-1);
  const between = before ? text.slice(before.end, mark.start) : '';
  const tie = new RegExp(`^(?:,? )?(?:${joint[lang].source})(?:el |the |on )?$`, joint[lang].flags).exec(
    between,
  );
  if (!before || !tie) return [...found, mark];
  const rest = found.slice(0, -1);
  if (anew[lang].test(text.slice(0, before.start))) return [...rest, mark];
  const both = /\b(?:and|y)\b/i.test(between);
  // 'On Monday and Thursday' is no stretch of days.
  const apart = both && daysAfter(before.last, 1) !== mark.first;
  if (apart || mark.first <= before.first) return [...found, mark];
  return [...rest, { ...before, end: mark.end, last: mark.last }];
}

/** The days of a sentence: of 'from Monday to Friday' both ends. */
function daysOf(whole: string, hours: readonly Hours[], written: string, lang: Language): NamedDays[] {
  // Hours are read by themselves: '5 November, from 2 to 4' is one day.
  const text = masked(whole, hours);
  return daysIn(text, written, lang)
    .flatMap(({ start, end, date, relation }): Mark[] => {
      const words = text.slice(start, end);
      if (date === null || noDay[lang].test(`${text.slice(Math.max(0, start - 4), start)}${words}`))
        return [];
      const last = relation === 'before' ? daysAfter(date, 1) : date;
      return unfolded(text, { start, end, first: last, last, words }, written, lang);
    })
    .reduce<Mark[]>((found, mark) => joinedTo(text, lang, found, mark), [])
    .map(({ start, end, first, last }) => {
      // The day itself is marked, not the word that leads to it.
      const lead = /^(?:on|this|el|este) /i.exec(text.slice(start, end))?.[0].length ?? 0;
      return { start: start + lead, end, first, last };
    });
}

/** @param written the day on which it was posted, `YYYY-MM-DD`. */
export const readSentences = (text: string, written: string, lang: Language): Sentence[] =>
  sentencesOf(text).map(({ text: sentence, start }) => {
    const hours = hoursIn(sentence, lang);
    return { text: sentence, lang, start, hours, days: daysOf(sentence, hours, written, lang) };
  });
