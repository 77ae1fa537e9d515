import type { TFunction } from 'i18next';
import type { CourseDetail, FigureStep } from '@cadro/contract';
import { wholePolicy } from '@cadro/core';
import type { Format } from '../../i18n';
import { creditWords } from '../words';

/** The letter steps of a course, written out: 'A from 90'. */
export const letterSteps = (t: TFunction, format: Format, { scale }: Pick<CourseDetail, 'scale'>): string =>
  scale.letters
    .map(({ letter, from }) => t('course.letterStep', { letter, figure: format.amount(from * scale.outOf) }))
    .join(' · ');

/** Which way it goes, in a sentence. */
export function trendWords(t: TFunction, format: Format, { figures, scale }: CourseDetail): string {
  const trend = figures?.trend;
  if (!trend || trend.slope === null) return t('course.trendSentence.too-early');
  const points = format.amount(Math.abs(Math.round(trend.slope * scale.outOf) / 100));
  return t(`course.trendSentence.${trend.class}`, { points });
}

/** What a change of the record was: 'Seed log: was missing, now 17 of 20'. */
export function causeWords(t: TFunction, format: Format, step: FigureStep): string {
  const { title, before, after, possible } = step;
  const score = (earned: number) =>
    t('item.score', { earned: format.amount(earned), possible: format.amount(possible) });
  const marked = after.status === 'scored' && after.earned !== null;
  if (!marked) return t('course.cause.became', { title, state: t(`item.states.${after.status}`) });
  const now = score(after.earned ?? 0);
  if (before?.status === 'scored' && before.earned !== null) {
    return t('course.cause.corrected', { title, before: score(before.earned), now });
  }
  return before?.status === 'missing' || before?.status === 'incomplete'
    ? t('course.cause.mended', { title, before: t(`item.states.${before.status}`), now })
    : t('course.cause.marked', { title, now });
}

/** '+1.2 points', '−0.4 points', or that it began. */
export function deltaWords(t: TFunction, format: Format, delta: number | null): string {
  if (delta === null) return t('course.cause.began');
  const size = Math.round(Math.abs(delta) * 100) / 100;
  if (size === 0) return t(delta < 0 ? 'course.cause.hardlyDown' : 'course.cause.hardlyUp');
  const points = format.amount(size);
  return t(delta < 0 ? 'course.cause.down' : 'course.cause.up', { points });
}

const practiceOf = ({ categories }: CourseDetail): string[] =>
  categories.filter(({ counts }) => !counts).map(({ title }) => title);

function standardsSentences(t: TFunction, format: Format, { policy }: CourseDetail): string[] {
  const { rule, share, top, metAt } = wholePolicy(policy).standards;
  return [
    t(`course.rules.standards.${rule}`, { percent: format.percent(share) }),
    t('course.rules.met', { level: format.amount(metAt), top: format.amount(top) }),
    t('course.rules.notAssessed'),
  ];
}

function lateSentence(t: TFunction, format: Format, { policy }: CourseDetail): string {
  const { late } = policy;
  if (!late || late.kind === 'none') return t('course.rules.lateNone');
  if (late.kind === 'flat') {
    return t('course.rules.lateFlat', { credit: creditWords(t, format, late.credit) });
  }
  return t('course.rules.latePerDay', {
    lose: format.percent(late.lose),
    least: format.percent(late.least),
  });
}

const missingKeys = { zero: 'missingZero', floor: 'missingFloor', not: 'missingNot' } as const;

/** How a course is counted, in sentences a stranger understands. */
export function policySentences(t: TFunction, format: Format, course: CourseDetail): string[] {
  const { policy, categories, term } = course;
  const practice = practiceOf(course);
  const ends = t('course.rules.term', { term: term.title, date: format.date(term.endsOn) });
  const required =
    practice.length > 0
      ? [t('course.rules.practice', { categories: format.list(practice), count: practice.length })]
      : [];
  if (policy.method === 'standards') return [...standardsSentences(t, format, course), ...required, ends];
  const floor = policy.floor ?? 0;
  const least = policy.missingCounts === 'floor' ? format.percent(floor) : format.amount(0);
  return [
    t(policy.method === 'points' ? 'course.rules.points' : 'course.rules.weighted'),
    ...required,
    t(`course.rules.${missingKeys[policy.missingCounts ?? 'zero']}`, { percent: format.percent(floor) }),
    t(policy.incompleteCounts === 'zero' ? 'course.rules.incompleteZero' : 'course.rules.incompleteNot', {
      least,
    }),
    t('course.rules.overdue', { least }),
    lateSentence(t, format, course),
    ...(floor > 0 ? [t('course.rules.floor', { percent: format.percent(floor) })] : []),
    ...categories
      .filter(({ dropLowest }) => dropLowest > 0)
      .map(({ title, dropLowest }) => t('course.rules.drops', { category: title, count: dropLowest })),
    ...(course.items.some(({ extraCredit }) => extraCredit) ? [t('course.rules.extra')] : []),
    ...(policy.letterFrom === 'rounded' ? [t('course.rules.rounded')] : []),
    ends,
  ];
}
