import type { Href } from 'expo-router';
import { placeOfAlert, type Matter, type MatterOf } from '@cadro/contract';
import { leadFirst, tellAlert } from '@cadro/core';
import { meetingMatterWords } from '../meetings';
import { gradeFigure, mendable, underneath, waiting } from './looseMatters';
import {
  courseHref,
  courseReason,
  talkFirst,
  type MatterWords,
  type OfKind,
  type Tools,
} from './matterSteps';

function comment(matter: MatterOf<'comment'>, { t }: Tools): OfKind {
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

function absence(matter: MatterOf<'absence'>, tools: Tools): OfKind {
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

function lookAgain(matter: MatterOf<'look-again'>, { t, format, mayTalk }: Tools): OfKind {
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

function told(matter: MatterOf<'alert'>, { t, language, timeZone }: Tools): OfKind {
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

function specific(matter: Matter, tools: Tools): OfKind {
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
