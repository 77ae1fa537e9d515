import type { AlertReason, AlertSubject, Language } from '@cadro/contract';
import { ruleNamed } from '../rules';
import { finalWords } from '../rules/said/termFinal';
import type { Sentences, Told } from '../rules/rule';
import { en } from './en';
import { es } from './es';
import { formatsFor, type Formats } from './formats';
import type { AlertWords } from './words';

const all: Readonly<Record<Language, AlertWords>> = { en, es };
export const alertWords = (language: Language): AlertWords => all[language];

/** A rule's name as a setting; of a rule that is no more, the name it was kept under. */
export const ruleTitle = (language: Language, name: string): string =>
  ruleNamed(name)?.words[language].name ?? name;

/** An amount that a rule asks for, in what the reason's own are: money, points of a scale, or a plain number. */
function askedAmount(words: AlertWords, reason: AlertReason, amount: number, formats: Formats): string {
  if (reason.about === 'balance') return formats.money(amount, reason.currency);
  const number = formats.plain(amount);
  const outOf = 'outOf' in reason ? reason.outOf : null;
  if (outOf === null) return number;
  return outOf === 100 ? words.points(number, amount === 1) : `${number} ${words.of} ${outOf}`;
}

/** The rule of a reason with its numbers, as a sentence; null where none were kept with it. */
function askedSentence(words: AlertWords, reason: AlertReason, formats: Formats): string | null {
  const { asked } = reason;
  const own = ruleNamed(reason.rule)?.words[words.language];
  if (!asked || !own?.asked) return null;
  const amount = askedAmount(words, reason, asked.amount ?? 0, formats);
  return own.asked({ amount, days: words.days(asked.days ?? 0) });
}

/** What a reason says by the words of its rule; of a rule that is no more nothing but its name. */
function sentencesOf({ language }: AlertWords, reason: AlertReason, told: Told): Sentences {
  const rule = ruleNamed(reason.rule);
  // A rule tells reasons of its own kind; one that changed its kind does not tell the old ones.
  if (rule?.about === reason.about) return rule.words[language].tell(reason, told);
  return { headline: ruleTitle(language, reason.rule), facts: [], rule: '', next: '' };
}

/** An alert in words. */
export interface ToldAlert {
  readonly headline: string;
  /** The headline without grades and counts, for where others may read along. */
  readonly discreet: string;
  /** Each reason, those it is told for first. */
  readonly reasons: readonly (Sentences & { readonly id: string; readonly source: string })[];
  readonly next: string;
}

type Headlines = Pick<ToldAlert, 'headline' | 'discreet'>;

/** One headline for several reasons: what they have in common, else what the first one says. */
function headlinesOf(
  words: AlertWords,
  { courseTitle }: AlertSubject,
  reasons: readonly AlertReason[],
  formats: Formats,
): Headlines | null {
  const ends = reasons.filter(({ rule }) => rule === 'loose-end');
  const finals = reasons.flatMap((reason) =>
    reason.about === 'term' && reason.rule === 'term-final' ? [reason] : [],
  );
  if (ends.length === reasons.length && ends.length > 1) {
    const headline = words.manyWorks(ends.length, courseTitle ?? '');
    return { headline, discreet: headline };
  }
  if (finals.length > 1) {
    const grades = finals.map((reason) =>
      `${reason.courseTitle ?? ''} ${finalWords(words.language, reason, { formats })}`.trim(),
    );
    const term = finals[0]?.term ?? '';
    const courses = finals.map((reason) => reason.courseTitle ?? '');
    return {
      headline: words.manyFinals(formats.list(grades), term),
      discreet: words.manyFinalsAt(formats.list(courses), term),
    };
  }
  return null;
}

/** The reasons an alert is told for first, then the others, each in their order. */
export const leadFirst = (reasons: readonly AlertReason[], lead: readonly string[]): AlertReason[] => [
  ...reasons.filter(({ id }) => lead.includes(id)),
  ...reasons.filter(({ id }) => !lead.includes(id)),
];

/**
 * What is said of an alert, the same in the app, by mail, by text and on paper.
 * Its title is that of what it was first told for (`titled`), where that is kept: later news is told under it.
 * @param lead ids of the reasons it is told for; the headline is theirs. All where none of them stands any more.
 */
export function tellAlert(
  language: Language,
  alert: AlertSubject & {
    readonly reasons: readonly AlertReason[];
    readonly titled?: readonly AlertReason[];
  },
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
    const asked = askedSentence(words, reason, formats) ?? sentences.rule;
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
  const titled = alert.titled?.length ? alert.titled : leading.length > 0 ? leading : ordered;
  const [first] = titled;
  const { headline = '', discreet = headline } = first ? sentencesOf(words, first, told) : {};
  return {
    ...(headlinesOf(words, alert, titled, formats) ?? { headline, discreet }),
    reasons,
    next: reasons[0]?.next ?? '',
  };
}
