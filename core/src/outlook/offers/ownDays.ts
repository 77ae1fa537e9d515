import type { Language } from '@cadro/contract';
import { daysAfter, nextWeekday } from '../../dates';
import { nextMonday } from './calendar';
import {
  algunDia,
  count,
  cuenta,
  duration,
  dayNamed,
  endOfMonthNamed,
  fridayOf,
  lastOfMonth,
  months,
  nextDayOfMonth,
  someWeekday,
  weekdayOfWord,
} from './dayWords';
import type { Found, Span } from './relation';

/** Which stretch of a course words name; null of one whose end no course tells. */
const spanIn = (words: string): Span | null =>
  /unit|chapter|topic|module|unidad|tema|módulo/i.test(words)
    ? 'unit'
    : /term|quarter|semester|trimest|period|período|bimestre/i.test(words)
      ? 'term'
      : null;

type OwnRule = readonly [
  RegExp,
  (match: RegExpExecArray, written: string) => Omit<Found, 'start' | 'end'> | null,
];

/** Ways to tell a day that depend on the school's week or on the day of writing; read before all others. */
const own: Readonly<Record<Language, readonly OwnRule[]>> = {
  en: [
    [
      /\b(?:within|in|during|over) the next week\b/gi,
      (_, written) => ({ date: daysAfter(written, 7), until: true }),
    ],
    [/\bbefore (?:tonight|this (?:afternoon|evening))\b/gi, (_, written) => ({ date: written, until: true })],
    [
      /\bbefore (?:the )?(?:week is over|(?:end of|weekend of) (?:the|this) (?:school )?week)\b/gi,
      (_, written) => ({ date: nextWeekday(written, 5), until: true }),
    ],
    [
      /\bbefore (?:the )?(?:month is over|end of (?:the|this) month)\b/gi,
      (_, written) => ({ date: lastOfMonth(written), until: true }),
    ],
    [
      /\bbefore the end of next week\b/gi,
      (_, written) => ({ date: daysAfter(nextMonday(written), 4), until: true }),
    ],
    [
      /\bend of (?:the )?(?:school )?next week\b/gi,
      (_, written) => ({ date: daysAfter(nextMonday(written), 4) }),
    ],
    [/\bend of (?:the|this) (?:school )?week\b/gi, (_, written) => ({ date: nextWeekday(written, 5) })],
    [
      new RegExp(String.raw`\bend of (${months.en})\b`, 'gi'),
      ([, month], written) => endOfMonthNamed(month, written, 'en'),
    ],
    [
      new RegExp(
        String.raw`\b\d{1,2}(?:st|nd|rd|th)?(?:,| and| or|, and) (\d{1,2})(?:st|nd|rd|th)?(?: of)? (${months.en})\b`,
        'gi',
      ),
      ([, day, month], written) => dayNamed(day, month, written, 'en'),
    ],
    [/\bend of (?:the|this) month\b/gi, (_, written) => ({ date: lastOfMonth(written) })],
    [
      /(?<!day,? (?:by|at|before) (?:the )?)\b(?:end of (?:the |this )?(?:school )?day(?! (?:on )?(?:mon|tues|wednes|thurs|fri|tomorrow))|close of school today)\b/gi,
      (_, written) => ({ date: written }),
    ],
    [
      /\bend of (?:the |this )?(?:[\w-]+ )?(?:unit|term|quarter|semester|trimester|marking period|chapter|topic|module|season|year|course|grading period)\b/gi,
      ([words]) => ({ date: null, until: true, ends: spanIn(words) }),
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
    [
      /\b(?:last|final) day of (?:the |this )?(?:[\w-]+ )?(?:unit|term|quarter|semester|trimester|marking period|grading period|course|year)\b/gi,
      ([words]) => ({ date: null, until: true, ends: spanIn(words) }),
    ],
    [/\bbefore (?:the |this )?weekend\b/gi, (_, written) => ({ date: nextWeekday(written, 5), until: true })],
    [
      new RegExp(
        String.raw`\bweek of (?:the )?(\d{1,2})(?:st|nd|rd|th)?(?:(?: of)? (${months.en}))?\b`,
        'gi',
      ),
      ([, day, month], written) => fridayOf(day, month, written, 'en'),
    ],
    [
      new RegExp(String.raw`\bweek of (${months.en})\.? (\d{1,2})(?:st|nd|rd|th)?\b`, 'gi'),
      ([, month, day], written) => fridayOf(day, month, written, 'en'),
    ],
    [
      /\b(?:over|by|at|this|after) (?:the |this )?weekend\b/gi,
      (_, written) => ({ date: nextWeekday(written, 0) }),
    ],
    [
      /(?<=\b(?:another|extra) )(week|day|fortnight)\b/gi,
      ([, unit], written) => ({
        date: daysAfter(written, unit === 'day' ? 1 : unit === 'week' ? 7 : 14),
        until: true,
      }),
    ],
    [
      /\bany (?:day|lunch|break|morning|afternoon|time) (?:of )?this week\b/gi,
      (_, written) => ({ date: nextWeekday(written, 5), until: true }),
    ],
    [
      /\b(?:until|till|when|before|once) (?:the|this) (?:unit|term|quarter|semester|trimester|chapter|topic|year|course|marking period) (?:ends|is over|closes|finishes|is done)\b/gi,
      ([words]) => ({ date: null, until: true, ends: spanIn(words) }),
    ],
    [/\bnext week\b/gi, (_, written) => ({ date: daysAfter(nextMonday(written), 4) })],
    [/\b(?:later )?this week\b/gi, (_, written) => ({ date: nextWeekday(written, 5) })],
    [
      new RegExp(
        String.raw`(?<=\b(?:within|in|inside|has|have|had|gets?|get|given|gives?|giving|give (?:her|him|them|you)|another|you|of|for|the next|next|allow(?:s|ing)?|extra|is|are|until|by) (?:only |just |up to |about |another |exactly |the next |the |a further |an extra |at most )?)${count}(?: more| full| extra| further| additional)?( school| class| working| business)?[ -](hours?|days?|weeks?)\b(?! (?:late(?! (?:work|submissions|assignments|\w+s)\b)|ago|early|before|per|in a row|each|absent|old|long|behind|overdue|of work|after))`,
        'gi',
      ),
      ([, n, school, unit], written) => duration(n, unit ?? '', written, 'en', Boolean(school)),
    ],
    [
      new RegExp(
        String.raw`\b${count} (?:more |last |school )?(days?|weeks?) (?:left|to go|remaining)\b|\b${count} (?:more|extra|additional|last|final)(?: school)? (days?|weeks?)\b(?! (?:of|than|late|left|to go|remaining))`,
        'gi',
      ),
      ([, n, unit, m, other], written) => duration(n ?? m, unit ?? other ?? '', written, 'en', false),
    ],
    [
      /\bthe (\d{1,2})(?:st|nd|rd|th)\b(?! (?:grade|period|question|(?:try|attempt|time)(?! (?:the|it|this))|chapter|problem|page|of))/gi,
      ([, day], written) => nextDayOfMonth(Number(day), written),
    ],
  ],
  es: [
    [
      /(?<=(?:hasta|antes de|para) )fin de semana(?!\p{L})/giu,
      (_, written) => ({ date: nextWeekday(written, 5) }),
    ],
    [
      /(?<!\p{L})antes de esta (?:misma )?(?:noche|tarde)(?!\p{L})/giu,
      (_, written) => ({ date: written, until: true }),
    ],
    [/(?<!\p{L})esta (?:misma )?(?:noche|tarde)(?!\p{L})/giu, (_, written) => ({ date: written })],
    [
      /(?<!\p{L})(?:final(?:es)?|fin) de (?:la )?(?:próxima semana|semana (?:próxima|que viene))/giu,
      (_, written) => ({ date: daysAfter(nextMonday(written), 4) }),
    ],
    [
      /(?<!\p{L})antes del? (?:este )?fin de semana(?!\p{L})/giu,
      (_, written) => ({ date: nextWeekday(written, 5), until: true }),
    ],
    [
      /(?<!\p{L})(?:antes de|hasta) que (?:acab[ea]|termin[ea]) (?:el|este) mes/giu,
      (_, written) => ({ date: lastOfMonth(written), until: true }),
    ],
    [
      /(?<!\p{L})(?:antes de|hasta) que (?:acab[ea]|termin[ea]) (?:la|esta) semana/giu,
      (_, written) => ({ date: nextWeekday(written, 5), until: true }),
    ],
    [
      new RegExp(String.raw`(?<!\p{L})semana del (\d{1,2})(?: de (${months.es}))?(?!\p{L})`, 'giu'),
      ([, day, month], written) => fridayOf(day, month, written, 'es'),
    ],
    [
      /(?<!\p{L})(?:final(?:es)? de (?:(?:la|esta) )?|fin de (?:la|esta) )semana(?! pasada)/giu,
      (_, written) => ({ date: nextWeekday(written, 5) }),
    ],
    [
      new RegExp(
        String.raw`(?<!\p{L})(?:final(?:es)? de|fin de|(?:antes de |hasta )que (?:acab[ea]|termin[ea])) (${months.es})(?!\p{L})`,
        'giu',
      ),
      ([, month], written) => endOfMonthNamed(month, written, 'es'),
    ],
    [
      /(?<!\p{L})(?:final(?:es)?|fin) de(?:l| este)? mes/giu,
      (_, written) => ({ date: lastOfMonth(written) }),
    ],
    [
      /(?<!(?:lunes|martes|miércoles|jueves|viernes|sábado|domingo|mañana),? (?:al |a )?)(?<!\p{L})(?:final|fin) del? (?:la )?(?:día|jornada)/giu,
      (_, written) => ({ date: written }),
    ],
    [
      /(?<!\p{L})(?:final|fin) de(?:l| la| este| esta)? (?:unidad|trimestre|semestre|curso|tema|bimestre|cuatrimestre|módulo|periodo|período)(?!\p{L})/giu,
      ([words]) => ({ date: null, until: true, ends: spanIn(words) }),
    ],
    [
      /(?<!\p{L})último día del? (?:la |este |esta )?(?:unidad|trimestre|semestre|curso|tema|bimestre|periodo|período)(?!\p{L})/giu,
      ([words]) => ({ date: null, until: true, ends: spanIn(words) }),
    ],
    [
      /(?<!\p{L})(?:durante(?: el)?|este|en el|el) fin de semana(?!\p{L})/giu,
      (_, written) => ({ date: nextWeekday(written, 0) }),
    ],
    [
      /(?<!\p{L})(?:hasta|antes de|cuando) que (?:acab[ea]|termin[ea]) (?:la|el|este|esta) (?:unidad|trimestre|semestre|curso|tema|bimestre|periodo|período)(?!\p{L})/giu,
      ([words]) => ({ date: null, until: true, ends: spanIn(words) }),
    ],
    [
      /(?<!\p{L})(?:cualquier|todos los|todas las) (?:días?|recreos?|tardes?|mañanas?) de la (?:próxima semana|semana (?:que viene|próxima))(?!\p{L})/giu,
      (_, written) => ({ date: daysAfter(nextMonday(written), 4), until: true }),
    ],
    [
      /(?<!\p{L})(?:cualquier|todos los|todas las) (?:días?|recreos?|tardes?|mañanas?) de esta semana(?!\p{L})/giu,
      (_, written) => ({ date: nextWeekday(written, 5), until: true }),
    ],
    [
      new RegExp(String.raw`(?<!\p{L})${cuenta} (días?|semanas?) más(?!\p{L})(?! (?:tarde|de))`, 'giu'),
      ([, n, unit], written) => duration(n, unit ?? '', written, 'es', false),
    ],
    [/(?<!\p{L})una semana más(?!\p{L})/giu, (_, written) => ({ date: daysAfter(written, 7), until: true })],
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
      /(?<!\p{L})la próxima(?=\s*(?:[.;,]|$))/giu,
      (_, written) => ({ date: daysAfter(nextMonday(written), 4) }),
    ],
    [
      new RegExp(
        String.raw`(?<!\p{L}|\d)\d{1,2}(?:, | y | o | ó )(\d{1,2}) de (${months.es})(?!\p{L})`,
        'giu',
      ),
      ([, day, month], written) => dayNamed(day, month, written, 'es'),
    ],
    [
      /(?<!\p{L})(?:la )?(?:próxima semana|semana (?:próxima|que viene))/giu,
      (_, written) => ({ date: daysAfter(nextMonday(written), 4) }),
    ],
    [/(?<!\p{L})esta (?:misma )?semana(?!\p{L})/giu, (_, written) => ({ date: nextWeekday(written, 5) })],
    [
      new RegExp(
        String.raw`(?<=(?<!\p{L})(?:en|dentro de|quedan?|tienen?|tienes|doy|damos|de|durante|plazo de|otr[oa]s?|por|próxim[oa]s|los|las|es de) (?:solo |otr[oa]s? |los próximos |las próximas |un plazo de |un máximo de )?)${cuenta}( semanas?| días?| horas?)( lectivos| hábiles| de clase)?(?!\p{L})(?! (?:tarde|después|atrás|antes|de retraso|de trabajo|seguidos))`,
        'giu',
      ),
      ([, n, unit, school], written) =>
        duration(n, (unit ?? '').trim().replace(/^d/i, 'd'), written, 'es', Boolean(school)),
    ],
    [
      /(?<!\p{L})el (?:día )?(\d{1,2})(?=\s*(?:[.,;]|$| a las? | por la ))/giu,
      ([, day], written) => nextDayOfMonth(Number(day), written),
    ],
    [
      /(?<=(?:hasta|antes de|para|más tardar|tarde|bloquea|cierra|termina|acaba|vence|caduca|será|es) )el (?:día )?(\d{1,2})(?! ?(?:de(?!\p{L})|%|:|h(?!\p{L})|puntos|\d))/giu,
      ([, day], written) => nextDayOfMonth(Number(day), written),
    ],
    [
      /(?<=(?:antes del|después del|pasa al|al) (?:día )?)(\d{1,2})(?!\d| ?(?:de(?!\p{L})|%|:|h(?!\p{L})|puntos|\d))/giu,
      ([, day], written) => nextDayOfMonth(Number(day), written),
    ],
  ],
};

export function ownDays(text: string, written: string, lang: Language): Found[] {
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
