import type { TFunction } from 'i18next';
import type { Href } from 'expo-router';
import { placeOfAlert, type Language, type Matter, type MatterOf, type NamedLooseEnd } from '@cadro/contract';
import { leadFirst, tellAlert } from '@cadro/core';
import type { Format } from '../i18n';
import { creditWords } from '../gradebook';
import { meetingMatterWords } from '../meetings';
import type { DropProps } from '../ui';

export interface MatterWords {
  readonly context: string;
  readonly when: string;
  readonly title: string;
  readonly body: string;
  readonly step: { readonly label: string; readonly href: Href };
  /** A fall that is drawn in place of most of the body, what it says, and the line that stands below it. */
  readonly fall?: DropProps & { readonly below: string };
  /** Where the reason stands in full. */
  readonly why: Href | null;
}

interface Tools {
  readonly t: TFunction;
  readonly format: Format;
  readonly child: string;
  readonly mayTalk: boolean;
  readonly language: Language;
  /** Of the child's school. */
  readonly timeZone: string;
}

const courseHref = (matter: Matter): Href => `/courses/${matter.studentId}/${matter.courseId ?? ''}`;
const talkHref = (matter: Matter, end?: NamedLooseEnd): Href => {
  const query = [
    `studentId=${matter.studentId}`,
    ...(matter.courseId ? [`courseId=${matter.courseId}`] : []),
    ...(end ? [`itemId=${end.itemId}`] : []),
  ];
  return `/talk/new?${query.join('&')}`;
};

/** The child is asked first; who may only look is shown the reason instead. */
function talkFirst(
  matter: Matter,
  { t, child, mayTalk }: Tools,
  reason: { label: string; href: Href },
  end?: NamedLooseEnd,
) {
  return mayTalk
    ? { step: { label: t('matter.talk', { child }), href: talkHref(matter, end) }, why: reason.href }
    : { step: reason, why: null };
}
const courseReason = (matter: Matter, { t }: Tools) => ({
  label: t('matter.openCourse'),
  href: courseHref(matter),
});
const looseWorkStep = (matter: Matter, end: NamedLooseEnd, tools: Tools) =>
  talkFirst(matter, tools, courseReason(matter, tools), end);

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
const gradeFigure = (format: Format, { grade }: MatterOf<'underneath' | 'slipping'>): string =>
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

function underneath(matter: MatterOf<'underneath'>, tools: Tools): Omit<MatterWords, 'context' | 'when'> {
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

function mendable(matter: MatterOf<'mendable'>, tools: Tools): Omit<MatterWords, 'context' | 'when'> {
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

function waiting(
  matter: MatterOf<'waiting'>,
  { t, format, mayTalk }: Tools,
): Omit<MatterWords, 'context' | 'when'> {
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

function comment(matter: MatterOf<'comment'>, { t }: Tools): Omit<MatterWords, 'context' | 'when'> {
  const [first] = matter.comments;
  const on = first?.itemTitle ? [t('matter.on', { title: first.itemTitle })] : [];
  const href: Href = first?.itemId ? `${String(courseHref(matter))}/${first.itemId}` : courseHref(matter);
  return {
    title: t('matter.commentTitle', { author: first?.author ?? '' }),
    body: [...on, t('matter.quote', { text: first?.text ?? '' })].join(' '),
    step: { label: t('matter.read'), href },
    why: null,
  };
}

function absence(matter: MatterOf<'absence'>, tools: Tools): Omit<MatterWords, 'context' | 'when'> {
  const { t, format, child } = tools;
  const early = matter.leftEarlyOn.length > 0;
  const dates = early ? matter.leftEarlyOn : matter.unexplainedOn;
  return {
    title: t(early ? 'matter.leftEarlyTitle' : 'matter.unexplainedTitle', { count: dates.length }),
    body: t('matter.absence', {
      days: format.days(dates),
      lessons: format.list(matter.lessons),
      child,
    }),
    ...talkFirst(matter, tools, {
      label: t('matter.seeDays'),
      href: `/days/attendance/${matter.studentId}`,
    }),
  };
}

function lookAgain(
  matter: MatterOf<'look-again'>,
  { t, format, mayTalk }: Tools,
): Omit<MatterWords, 'context' | 'when'> {
  const date = format.dayLong(matter.lookAgainOn);
  const body = [
    matter.stillKind
      ? t('matter.stillOpen', { date, kind: t(`kinds.${matter.stillKind}`) })
      : t('matter.stillQuiet', { date }),
    ...(matter.written ? [t('matter.written')] : []),
  ];
  const followUp: Href = `/talk/follow-ups/${matter.followUpId}`;
  return {
    title: t('matter.look-againTitle', { title: matter.title }),
    body: body.join(' '),
    ...(mayTalk && !matter.written
      ? {
          step: { label: t('matter.write'), href: `/talk/write?followUpId=${matter.followUpId}` },
          why: followUp,
        }
      : { step: { label: t('matter.open'), href: followUp }, why: null }),
  };
}

function told(
  matter: MatterOf<'alert'>,
  { t, language, timeZone }: Tools,
): Omit<MatterWords, 'context' | 'when'> {
  const subject = { ...matter, kind: matter.about };
  const { headline, reasons, next } = tellAlert(language, subject, { timeZone, lead: matter.leading });
  const [first] = reasons;
  const why: Href = `/alerts/${matter.alertIds[0] ?? ''}`;
  const href = placeOfAlert(matter, leadFirst(matter.reasons, matter.leading)) as Href; // an address of the app, by the contract
  return {
    title: headline,
    body: [...(first?.facts ?? []), next].join(' '),
    step: { label: t('matter.open'), href },
    why,
  };
}

function specific(matter: Matter, tools: Tools): Omit<MatterWords, 'context' | 'when'> {
  const { t, format } = tools;
  switch (matter.kind) {
    case 'underneath':
      return underneath(matter, tools);
    case 'mendable':
      return mendable(matter, tools);
    case 'slipping':
      return {
        title: t('matter.slippingTitle', { perWeek: format.amount(Math.abs(matter.perWeek)) }),
        body: t('matter.slipping', { figure: gradeFigure(format, matter) }),
        ...talkFirst(matter, tools, courseReason(matter, tools)),
      };
    case 'waiting':
      return waiting(matter, tools);
    case 'comment':
      return comment(matter, tools);
    case 'absence':
      return absence(matter, tools);
    case 'look-again':
      return lookAgain(matter, tools);
    case 'alert':
      return told(matter, tools);
    case 'handed':
      return {
        title: t('matter.handedTitle', { by: matter.by, title: matter.title }),
        body: matter.word ? t('matter.quote', { text: matter.word }) : t('matter.handed'),
        step: { label: t('matter.handedStep'), href: `/talk/follow-ups/${matter.followUpId}` },
        why: null,
      };
    case 'asked':
      return {
        title: matter.title,
        body: t(`matter.asks.${matter.helpers ? 'helpers' : matter.wish}`, {
          who: matter.courseTitle ?? matter.schoolName,
        }),
        step: { label: t('matter.answer'), href: `/talk/school/${matter.announcementId}` },
        why: null,
      };
    case 'meeting':
      return { ...meetingMatterWords(matter, tools), why: null };
    case 'reply':
      return {
        title: t('matter.replyTitle', { author: matter.author }),
        body: t('matter.quote', { text: matter.text }),
        step: { label: t('matter.read'), href: `/talk/threads/${matter.threadId}` },
        why: null,
      };
  }
}

/** A matter in words: what is wrong, why, until when, and the one next step. */
export function matterWords(matter: Matter, tools: Tools): MatterWords {
  const { t, format } = tools;
  const context =
    matter.courseTitle ??
    (matter.kind === 'absence' ? t('matter.attendance') : matter.kind === 'asked' ? matter.schoolName : '');
  const until =
    matter.kind === 'waiting'
      ? 'matter.termEnds'
      : matter.kind === 'asked'
        ? 'matter.answerBy'
        : 'matter.until';
  // A meeting says by itself when it is.
  const when =
    matter.expiresAt && matter.kind !== 'meeting' ? t(until, { date: format.day(matter.expiresAt) }) : '';
  return { context, when, ...specific(matter, tools) };
}
