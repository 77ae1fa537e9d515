import type { Language, MeetingWay } from '@cadro/contract';
import { localeOf, plainly } from '../locale';

/** A meeting at school, as a mail about it says it. */
export interface MeetingFacts {
  readonly child: string;
  /** Whom one meets. */
  readonly teacher: string;
  /** Who asks. */
  readonly author: string;
  readonly startsAt: Date;
  readonly timeZone: string;
  readonly way: MeetingWay;
  readonly place: string | null;
  readonly href: string | null;
  /** `new`, `moved`, or `off`: it has been called off, or one need not come. */
  readonly news: 'new' | 'moved' | 'off';
}

const whenIn = (lang: Language, at: Date, timeZone: string): string =>
  plainly(
    new Intl.DateTimeFormat(localeOf(lang), {
      ...{ weekday: 'long', month: 'long', day: 'numeric', hour: 'numeric', minute: '2-digit', timeZone },
    }).format(at),
  );

interface Texts {
  readonly title: (facts: Pick<MeetingFacts, 'teacher' | 'child'>) => string;
  readonly subject: Readonly<Record<MeetingFacts['news'], (title: string) => string>>;
  readonly lead: Readonly<Record<MeetingFacts['news'], (facts: MeetingFacts) => string>>;
  readonly ways: Readonly<Record<MeetingWay, string>>;
  readonly answer: string;
}

const texts: Readonly<Record<Language, Texts>> = {
  en: {
    title: ({ teacher, child }) => `${teacher} about ${child}`,
    subject: {
      new: (title) => `Meeting: ${title}`,
      moved: (title) => `New time: ${title}`,
      off: (title) => `Canceled: ${title}`,
    },
    lead: {
      new: ({ author, teacher, child }) =>
        `${author} asks you to join a meeting with ${teacher} about ${child}.`,
      moved: ({ teacher, child }) =>
        `The meeting with ${teacher} about ${child} has changed. Here are the new details.`,
      off: ({ teacher, child }) =>
        `The meeting with ${teacher} about ${child} is canceled, or you don’t need to come.`,
    },
    ways: { 'in-person': 'In person', phone: 'By phone', link: 'Online' },
    answer: 'You can accept or decline in your calendar; the family sees your answer.',
  },
  es: {
    title: ({ teacher, child }) => `${teacher}, sobre ${child}`,
    subject: {
      new: (title) => `Reunión: ${title}`,
      moved: (title) => `Nueva hora: ${title}`,
      off: (title) => `Cancelada: ${title}`,
    },
    lead: {
      new: ({ author, teacher, child }) => `${author} le invita a una reunión con ${teacher} sobre ${child}.`,
      moved: ({ teacher, child }) =>
        `La reunión con ${teacher} sobre ${child} cambió. Estos son los nuevos datos.`,
      off: ({ teacher, child }) =>
        `La reunión con ${teacher} sobre ${child} se canceló, o ya no hace falta que vaya.`,
    },
    ways: { 'in-person': 'En persona', phone: 'Por teléfono', link: 'En línea' },
    answer: 'Puede aceptar o rechazar desde su calendario; la familia ve su respuesta.',
  },
};

/** What a meeting is called in a calendar. */
export const meetingTitle = (lang: Language, facts: Pick<MeetingFacts, 'teacher' | 'child'>): string =>
  texts[lang].title(facts);

/** A mail that tells somebody of a meeting, beside the file for their calendar. */
export function meetingLetter(
  lang: Language,
  facts: MeetingFacts,
): { subject: string; title: string; lines: string[] } {
  const { subject, lead, ways, answer } = texts[lang];
  const { news, place, href, way } = facts;
  const title = meetingTitle(lang, facts);
  const where = [ways[way], ...(place ? [place] : [])].join(', ');
  const lines = [
    lead[news](facts),
    `${whenIn(lang, facts.startsAt, facts.timeZone)}. ${where}.`,
    ...(news !== 'off' && href ? [href] : []),
    ...(news === 'off' ? [] : [answer]),
  ];
  return { subject: subject[news](title), title, lines };
}
