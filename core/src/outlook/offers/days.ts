import type { Language } from '@cadro/contract';
import * as chrono from 'chrono-node';
import { relationOf, type Found, type Relation } from './relation';
import { daysAfter, nextWeekday } from '../../dates';
import { addSchoolDays, isDay, nextMonday } from './calendar';

export interface DayMark {
  readonly start: number;
  readonly end: number;
  /** The last day that is meant, `YYYY-MM-DD`; null when the words name a day that cannot be known. */
  readonly date: string | null;
  readonly relation: Relation;
}

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
const weekdayOfWord = (word: string, lang: Language): number => weekdays[lang].indexOf(word.toLowerCase());

const lastOfMonth = (date: string): string => {
  const [year = 0, month = 0] = date.split('-').map(Number);
  return new Date(Date.UTC(year, month, 0)).toISOString().slice(0, 10);
};

const months: Readonly<Record<Language, string>> = {
  en: 'january|february|march|april|may|june|july|august|september|october|november|december|jan|feb|mar|apr|jun|jul|aug|sept|sep|oct|nov|dec',
  es: 'enero|febrero|marzo|abril|mayo|junio|julio|agosto|septiembre|setiembre|octubre|noviembre|diciembre',
};
const monthOfWord = (word: string, lang: Language): number => {
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

type OwnRule = readonly [
  RegExp,
  (match: RegExpExecArray, written: string) => { date: string | null; until?: boolean } | null,
];

const duration = (
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

const count = String.raw`(\d{1,3}|an?|one|two|three|four|five|six|seven|eight|nine|ten|fourteen)`;
const cuenta = String.raw`(\d{1,3}|una?|dos|tres|cuatro|cinco|seis|siete|ocho|nueve|diez|catorce|quince)`;
const someWeekday = '(sunday|monday|tuesday|wednesday|thursday|friday|saturday)';
const algunDia = '(domingo|lunes|martes|miércoles|jueves|viernes|sábado)';

/** Ways to tell a day that depend on the school's week or on the day of writing; read before all others. */
const own: Readonly<Record<Language, readonly OwnRule[]>> = {
  en: [
    [
      /\bend of (?:the )?(?:school )?next week\b/gi,
      (_, written) => ({ date: daysAfter(nextMonday(written), 4) }),
    ],
    [/\bend of (?:the|this) (?:school )?week\b/gi, (_, written) => ({ date: nextWeekday(written, 5) })],
    [/\bend of (?:the|this) month\b/gi, (_, written) => ({ date: lastOfMonth(written) })],
    [
      /\b(?:end of (?:the |this )?(?:school )?day(?! (?:on )?(?:mon|tues|wednes|thurs|fri|tomorrow))|close of school today)\b/gi,
      (_, written) => ({ date: written }),
    ],
    [
      /\bend of (?:the |this )?(?:[\w-]+ )?(?:unit|term|quarter|semester|trimester|marking period|chapter|topic|module|season|year|course|grading period)\b/gi,
      () => ({ date: null, until: true }),
    ],
    [
      new RegExp(
        String.raw`\b(?:${someWeekday} (?:of )?next week|next week,? (?:on )?${someWeekday})\b`,
        'gi',
      ),
      ([, a, b], written) => ({
        date: daysAfter(nextMonday(written), (weekdayOfWord(a ?? b ?? '', 'en') + 6) % 7),
      }),
    ],
    [
      new RegExp(String.raw`\bnext ${someWeekday}\b`, 'gi'),
      ([, word], written) => ({
        date: daysAfter(nextMonday(written), (weekdayOfWord(word ?? '', 'en') + 6) % 7),
      }),
    ],
    [
      new RegExp(String.raw`\b(?:a|one) week from (?:today|now)\b`, 'gi'),
      (_, written) => ({ date: daysAfter(written, 7) }),
    ],
    [
      new RegExp(String.raw`\b(?:a|one) week from ${someWeekday}\b`, 'gi'),
      ([, word], written) => ({ date: daysAfter(nextWeekday(written, weekdayOfWord(word ?? '', 'en')), 7) }),
    ],
    [/\bnext week\b/gi, (_, written) => ({ date: daysAfter(nextMonday(written), 4) })],
    [/\b(?:later )?this week\b/gi, (_, written) => ({ date: nextWeekday(written, 5) })],
    [
      new RegExp(
        String.raw`(?<=\b(?:within|in|inside|has|have|had|gets?|get|given|gives?|giving|give (?:her|him|them|you)|another|you|of|for|the next|next|allow(?:s|ing)?|extra|is|are|until|by) (?:only |just |up to |about |another |exactly |the next |the |a further |an extra |at most )?)${count}(?: more| full| extra| further| additional)?( school| class| working| business)?[ -](hours?|days?|weeks?)\b(?! (?:late|ago|early|before|per|in a row|each|absent|old|long|behind|overdue|of work|after))`,
        'gi',
      ),
      ([, n, school, unit], written) => duration(n, unit ?? '', written, 'en', Boolean(school)),
    ],
    [
      /\bthe (\d{1,2})(?:st|nd|rd|th)\b(?! (?:grade|period|question|try|attempt|time|chapter|problem|page|of))/gi,
      ([, day], written) => nextDayOfMonth(Number(day), written),
    ],
  ],
  es: [
    [
      /(?<!\p{L})(?:final(?:es)?|fin) de (?:la )?(?:próxima semana|semana (?:próxima|que viene))/giu,
      (_, written) => ({ date: daysAfter(nextMonday(written), 4) }),
    ],
    [
      /(?<!\p{L})(?:final(?:es)?|fin) de (?:(?:la|esta) )?semana(?! pasada)/giu,
      (_, written) => ({ date: nextWeekday(written, 5) }),
    ],
    [
      /(?<!\p{L})(?:final(?:es)?|fin) de(?:l| este)? mes/giu,
      (_, written) => ({ date: lastOfMonth(written) }),
    ],
    [/(?<!\p{L})(?:final|fin) del? (?:la )?(?:día|jornada)/giu, (_, written) => ({ date: written })],
    [
      /(?<!\p{L})(?:final|fin) de(?:l| la| este| esta)? (?:unidad|trimestre|semestre|curso|tema|bimestre|cuatrimestre|módulo|periodo|período)(?!\p{L})/giu,
      () => ({ date: null, until: true }),
    ],
    [
      new RegExp(
        String.raw`(?<!\p{L})${algunDia} de (?:la )?(?:próxima semana|semana (?:próxima|que viene))`,
        'giu',
      ),
      ([, word], written) => ({
        date: daysAfter(nextMonday(written), (weekdayOfWord(word ?? '', 'es') + 6) % 7),
      }),
    ],
    [
      new RegExp(
        String.raw`(?<!\p{L})(?:próximo ${algunDia}|${algunDia} (?:próximo|que viene))(?!\p{L})`,
        'giu',
      ),
      ([, a, b], written) => ({
        date: nextWeekday(daysAfter(written, 1), weekdayOfWord(a ?? b ?? '', 'es')),
      }),
    ],
    [
      /(?<!\p{L})(?:la )?(?:próxima semana|semana (?:próxima|que viene))/giu,
      (_, written) => ({ date: daysAfter(nextMonday(written), 4) }),
    ],
    [/(?<!\p{L})esta (?:misma )?semana(?!\p{L})/giu, (_, written) => ({ date: nextWeekday(written, 5) })],
    [
      new RegExp(
        String.raw`(?<=(?<!\p{L})(?:en|dentro de|tienen?|tienes|doy|damos|de|durante|plazo de|otr[oa]s?|por|próxim[oa]s|los|las|es de) (?:solo |otr[oa]s? |los próximos |las próximas |un plazo de |un máximo de )?)${cuenta}( semanas?| días?| horas?)( lectivos| hábiles| de clase)?(?!\p{L})(?! (?:tarde|después|atrás|antes|de retraso|de trabajo|seguidos))`,
        'giu',
      ),
      ([, n, unit, school], written) =>
        duration(n, (unit ?? '').trim().replace(/^d/i, 'd'), written, 'es', Boolean(school)),
    ],
    [
      /(?<=(?:hasta|antes de|para|más tardar|tarde) )el (?:día )?(\d{1,2})(?! ?(?:de|%|:|h|puntos|\d))/giu,
      ([, day], written) => nextDayOfMonth(Number(day), written),
    ],
    [
      /(?<=antes del (?:día )?)(\d{1,2})(?!\d| ?(?:de|%|:|h|puntos|\d))/giu,
      ([, day], written) => nextDayOfMonth(Number(day), written),
    ],
  ],
};

/** The next such day of a month on or after the day of writing. */
function nextDayOfMonth(day: number, written: string): { date: string | null } {
  for (let ahead = 0; ahead < 62; ahead++) {
    const date = daysAfter(written, ahead);
    if (Number(date.slice(8)) === day) return { date };
  }
  return { date: null };
}

function ownDays(text: string, written: string, lang: Language): Found[] {
  const found: Found[] = [];
  for (const [pattern, read] of own[lang]) {
    for (const match of text.matchAll(pattern)) {
      const [start, end] = [match.index, match.index + match[0].length];
      if (found.some((other) => start < other.end && other.start < end)) continue;
      const day = read(match as RegExpExecArray, written);
      if (day) found.push({ start, end, ...day });
    }
  }
  return found;
}

const masked = (text: string, marks: readonly Found[]): string =>
  marks.reduce(
    (rest, { start, end }) => rest.slice(0, start) + '#'.repeat(end - start) + rest.slice(end),
    text,
  );

/** Words that the date package takes for days and that a teacher seldom means so: 'may', 'sat', the sea in Spanish. */
const everyday: Readonly<Record<Language, RegExp>> = {
  en: /\b(?:may|march|mar|sat|sun|mon|wed|second)\b/g,
  es: /(?<!\p{L})(?:mar|sol|lun|dom|sab|vie|jue)(?![\p{L}.])/gu,
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

/** What the date package finds; hours, months and years alone are no day. */
function parsedDays(text: string, written: string, lang: Language): Found[] {
  const reference = { instant: new Date(`${written}T12:00:00Z`), timezone: 0 };
  const plain = text.replace(everyday[lang], (word) => '#'.repeat(word.length));
  return parsers[lang].parse(plain, reference).flatMap((result): Found[] => {
    const [start, end] = [result.index, result.index + result.text.length];
    const last = result.end && dateOf(result.end, written);
    const first = dateOf(result.start, written);
    if (/^(?:last|past|previous|pasado|anteayer|yesterday|ayer|now|ahora)\b/i.test(result.text)) return [];
    if (last && first && last !== first)
      return [{ start, end, date: last < first ? daysAfter(last, 7) : last, until: true }];
    return first ? [{ start, end, date: first }] : [];
  });
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
      const { start, end, date } = found;
      if (relation !== 'before' || date === null) return { start, end, date, relation };
      return { start, end, date: daysAfter(date, -1), relation };
    })
    .sort((a, b) => a.start - b.start)
    .map((mark, index, all) => {
      // 'between Monday and Thursday', written on a Wednesday: the Thursday after that Monday.
      const first = all[index - 1];
      if (first?.relation !== 'from' || !first.date || !mark.date || mark.date >= first.date) return mark;
      return { ...mark, date: daysAfter(mark.date, 7) };
    });
}
