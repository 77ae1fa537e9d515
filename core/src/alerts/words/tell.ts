import { assertNever, type AlertReason, type AlertSubject, type Language } from '@cadro/contract';
import { ruleAsked } from './asked';
import { en } from './en';
import { es } from './es';
import { formatsFor } from './formats';
import type { AlertWords, Sentences, Told } from './words';

const all: Readonly<Record<Language, AlertWords>> = { en, es };
export const alertWords = (language: Language): AlertWords => all[language];

function sentencesOf(words: AlertWords, reason: AlertReason, told: Told): Sentences {
  switch (reason.about) {
    case 'figure':
      return words.figure(reason, told);
    case 'work':
      return words.work(reason, told);
    case 'comment':
      return words.comment(reason, told);
    case 'attendance':
      return words.attendance(reason, told);
    case 'term':
      return words.term(reason, told);
    case 'upkeep':
      return words.upkeep(reason, told);
    default:
      return assertNever(reason);
  }
}

/** An alert in words. */
export interface ToldAlert {
  readonly headline: string;
  /** Each reason, those it is told for first. */
  readonly reasons: readonly (Sentences & { readonly id: string; readonly source: string })[];
  readonly next: string;
}

/** One headline for several reasons: what they have in common, else what the first one says. */
function headlineOf(
  words: AlertWords,
  { courseTitle }: AlertSubject,
  reasons: readonly AlertReason[],
): string | null {
  const ends = reasons.filter(({ rule }) => rule === 'loose-end');
  const finals = reasons.flatMap((reason) => (reason.rule === 'term-final' ? [reason] : []));
  if (ends.length === reasons.length && ends.length > 1)
    return words.manyWorks(ends.length, courseTitle ?? '');
  if (finals.length > 1) return words.manyFinals(finals.length, finals[0]?.term ?? '');
  return null;
}

/** The reasons an alert is told for first, then the others, each in their order. */
export const leadFirst = (reasons: readonly AlertReason[], lead: readonly string[]): AlertReason[] => [
  ...reasons.filter(({ id }) => lead.includes(id)),
  ...reasons.filter(({ id }) => !lead.includes(id)),
];

/**
 * What is said of an alert, the same in the app, by mail, by text and on paper.
 * @param lead ids of the reasons it is told for; the headline is theirs. All where none of them stands any more.
 */
export function tellAlert(
  language: Language,
  alert: AlertSubject & { readonly reasons: readonly AlertReason[] },
  { timeZone, lead = [] }: { readonly timeZone: string; readonly lead?: readonly string[] },
): ToldAlert {
  const words = all[language];
  const formats = formatsFor(language, timeZone);
  const told: Told = { formats, courseTitle: alert.courseTitle ?? '' };
  const ordered = leadFirst(alert.reasons, lead);
  // Two reasons about one work have facts in common: they are said once.
  const said = new Set<string>();
  const reasons = ordered.map((reason) => {
    const { id, sourceName, at } = reason;
    const sentences = sentencesOf(words, reason, told);
    const asked = ruleAsked(language, reason, formats) ?? sentences.rule;
    const facts = sentences.facts.filter((fact) => !said.has(fact));
    for (const fact of facts) said.add(fact);
    return {
      ...sentences,
      facts,
      rule: asked,
      id,
      source: sourceName ? words.source(sourceName, formats.day(at)) : formats.day(at),
    };
  });
  const leading = alert.reasons.filter(({ id }) => lead.includes(id));
  return {
    headline: headlineOf(words, alert, leading.length > 0 ? leading : ordered) ?? reasons[0]?.headline ?? '',
    reasons,
    next: reasons[0]?.next ?? '',
  };
}
