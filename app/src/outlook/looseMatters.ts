import type { Href } from 'expo-router';
import type { MatterOf, NamedLooseEnd } from '@cadro/contract';
import type { Format } from '../i18n';
import { creditWords } from '../gradebook';
import { courseHref, looseWorkStep, type MatterWords, type OfKind, type Tools } from './matterSteps';

function endSentence(end: NamedLooseEnd, { t, format }: Tools): string {
  const until = end.deadline ? format.date(end.deadline) : '';
  const credit = creditWords(t, format, end.credit ?? 1);
  switch (end.kind) {
    case 'overdue':
      return t('matter.overdue', { title: end.title, due: end.dueAt ? format.date(end.dueAt) : '' });
    case 'incomplete':
      return t('matter.incomplete', { title: end.title });
    case 'missing':
    case 'zero':
    case 'at-floor':
      return t(end.remarked && end.kind !== 'missing' ? `matter.${end.kind}Remarked` : `matter.${end.kind}`, {
        until,
        credit,
      });
    case 'again':
      return t('matter.again', { until, credit });
    case 'unmarked':
      return '';
  }
}

/** The figure of a course's grade, as lists and pages have it. */
export const gradeFigure = (format: Format, { grade }: MatterOf<'underneath' | 'slipping'>): string =>
  format.grade({ ...grade, letter: null });

/** The fall under a grade, where there is a grade and nothing about the fall is in doubt. */
function fallOf(matter: MatterOf<'underneath'>, said: string, { t, format }: Tools): MatterWords['fall'] {
  const { grade, ifLeft, outOf, decimals, looseEnds, doubtful } = matter;
  const [first] = looseEnds;
  if (grade.figure === null || grade.count || !first || doubtful) return undefined;
  const more = looseEnds.length - 1;
  const about =
    first.kind === 'overdue'
      ? t('matter.overdueBrief', { title: first.title, due: first.dueAt ? format.date(first.dueAt) : '' })
      : t('matter.incompleteBrief', { title: first.title });
  return {
    posted: grade.figure,
    left: ifLeft,
    outOf,
    postedWords: t('matter.postedWords', { figure: format.grade({ ...grade, letter: null }), outOf }),
    leftWords: t('matter.leftWords', { figure: format.figure(ifLeft, decimals) }),
    said,
    below: [about, ...(more > 0 ? [t('matter.andMore', { count: more })] : [])].join(' '),
  };
}

export function underneath(matter: MatterOf<'underneath'>, tools: Tools): OfKind {
  const { t, format } = tools;
  const figure = gradeFigure(format, matter);
  const { count } = matter.grade;
  const from = count
    ? t('matter.ourCount', { figure: format.figure(count.figure, matter.decimals) })
    : figure;
  const [first] = matter.looseEnds;
  const more = matter.looseEnds.length - 1;
  const becomes = t(matter.grade.figure === null ? 'matter.becomesFirst' : 'matter.becomes', {
    figure: from,
    left: format.figure(matter.ifLeft, matter.decimals),
  });
  const fall = fallOf(matter, becomes, tools);
  const body = [
    ...(first ? [endSentence(first, tools)] : []),
    ...(more > 0 ? [t('matter.andMore', { count: more })] : []),
    becomes,
    ...(matter.doubtful
      ? [
          t('matter.doubtful', {
            titles: format.list(matter.doubtful.titles),
            left: format.figure(matter.doubtful.ifLeft, matter.decimals),
          }),
        ]
      : []),
    ...(matter.slipping ? [t('matter.alsoSlipping')] : []),
  ];
  return {
    title: t(matter.grade.figure === null ? 'matter.underneathFirst' : 'matter.underneathTitle', {
      figure,
      count: matter.looseEnds.length,
    }),
    body: body.join(' '),
    ...(fall ? { fall } : {}),
    ...(first
      ? looseWorkStep(matter, first, tools)
      : { step: { label: t('matter.openCourse'), href: courseHref(matter) }, why: null }),
  };
}

export function mendable(matter: MatterOf<'mendable'>, tools: Tools): OfKind {
  const { t, format } = tools;
  const [first] = matter.looseEnds;
  if (!first)
    return {
      title: '',
      body: '',
      step: { label: t('matter.openCourse'), href: courseHref(matter) },
      why: null,
    };
  const kind =
    first.kind === 'zero' || first.kind === 'at-floor' || first.kind === 'again' ? first.kind : 'missing';
  const more = matter.looseEnds.length - 1;
  const body = [
    endSentence(first, tools),
    ...(first.impact ? [t('matter.gain', { gain: format.amount(first.impact) })] : []),
    ...(more > 0 ? [t('matter.andMore', { count: more })] : []),
    ...(matter.slipping ? [t('matter.alsoSlipping')] : []),
  ];
  return {
    title: t(`matter.${kind}Title`, { title: first.title }),
    body: body.join(' '),
    ...looseWorkStep(matter, first, tools),
  };
}

export function waiting(matter: MatterOf<'waiting'>, { t, format, mayTalk }: Tools): OfKind {
  const titles = matter.looseEnds.map(({ title }) => title);
  const itemId = matter.looseEnds[0]?.itemId ?? '';
  const page: Href = `${String(courseHref(matter))}/${itemId}` as Href; // an address of the app
  const letter: Href = `/talk/write?studentId=${matter.studentId}&itemId=${itemId}`;
  return {
    title: t('matter.waitingTitle', { count: titles.length, titles: format.list(titles) }),
    body: t('matter.waiting', { count: titles.length, date: format.date(matter.termEnd) }),
    ...(mayTalk
      ? { step: { label: t('matter.write'), href: letter }, why: page }
      : { step: { label: t('matter.open'), href: page }, why: null }),
  };
}
