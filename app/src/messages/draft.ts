import type { TFunction } from 'i18next';
import {
  reaches,
  type CourseDetail,
  type FollowUp,
  type ItemDetail,
  type OnFile,
  type Reach,
} from '@cadro/contract';
import type { Format } from '../i18n';
import { openingOf, type Tone } from './opening';

export interface Draft {
  readonly subject: string;
  readonly text: string;
}

/** What a letter is about: a follow-up, or an assignment or a course that nobody has taken in hand. */
export type LetterAbout = Pick<
  FollowUp,
  'title' | 'courseTitle' | 'topic' | 'dueAt' | 'possible' | 'stillKind' | 'entries' | 'teacher'
>;

/** A letter about an assignment begins with what the record says of it. */
export const aboutItem = ({ title, course, dueAt, possible, looseEnd }: ItemDetail): LetterAbout => ({
  ...{ title, courseTitle: course.title, topic: 'work', dueAt, possible },
  ...{ stillKind: looseEnd?.kind ?? null, entries: [], teacher: course.teacher },
});

export const aboutCourse = ({ title, teacher }: CourseDetail): LetterAbout => ({
  ...{ title, courseTitle: title, topic: 'course', dueAt: null, possible: null },
  ...{ stillKind: null, entries: [], teacher },
});

/** In whose words a draft is written: a language's, and its ways of writing days and numbers. */
export interface Says {
  readonly t: TFunction;
  readonly format: Format;
}

interface Writer {
  readonly child: string;
  readonly guardian: string;
  readonly now: string;
}

/** To whom a draft is, and how it begins. */
export interface DraftTo {
  readonly name: string;
  readonly tone: Tone;
  /** Where it goes to an office that passes it on. */
  readonly passOnTo?: string;
}

/** What the record shows, as of now; nothing that it does not show. */
function factsOf(t: TFunction, format: Format, about: LetterAbout, now: string): string[] {
  const { title, courseTitle, topic, dueAt, possible, stillKind } = about;
  const course = courseTitle ?? '';
  if (topic !== 'work') return [t('message.draftAboutCourse', { course })];
  const facts = t('message.draftAbout', {
    title,
    course,
    due: dueAt ? format.date(dueAt) : t('item.undated'),
    possible: possible === null ? '–' : format.amount(possible),
  });
  if (!stillKind) return [facts];
  return [facts, t('message.draftShows', { kind: t(`kinds.${stillKind}`), today: format.date(now) })];
}

/** Only what was really said at home. */
function talkOf(t: TFunction, { entries }: LetterAbout): string[] {
  if (entries.some(({ step }) => step === 'agreed')) return [t('message.draftAgreed')];
  return entries.some(({ step }) => step === 'talked-over') ? [t('message.draftTalked')] : [];
}

/** When a letter about it went out that nobody has answered; null where there is none. */
export function askedAt({ entries }: Pick<LetterAbout, 'entries'>): string | null {
  const last = entries.findLast(({ kind }) => kind === 'written' || kind === 'answered');
  return last?.kind === 'written' ? last.at : null;
}

/** A short, friendly question with the facts already in it. The last line is the guardian's name. */
export function draftFor({ t, format }: Says, about: LetterAbout, to: DraftTo, who: Writer): Draft {
  const { child, guardian } = who;
  const asked = askedAt(about);
  const { title, topic } = about;
  // Asked before: a reminder says so, and nothing once more.
  const said =
    asked !== null
      ? [t('message.draftReminder', { title, child, date: format.date(asked) })]
      : [
          [...factsOf(t, format, about, who.now), ...talkOf(t, about)].join(' '),
          t(topic === 'work' ? 'message.draftQuestion' : 'message.draftQuestionCourse', { child }),
        ];
  return {
    subject: t('message.draftSubject', { child, title }),
    text: [
      openingOf(t, to.tone, { teacher: to.name, child }),
      ...(to.passOnTo ? [t('message.draftPassOn', { teacher: to.passOnTo })] : []),
      ...said,
      `${t('message.draftClose')}\n${guardian}`,
    ].join('\n\n'),
  };
}

/** A letter about the child in general: an opening, and the name under it. */
export const emptyDraft = ({ t }: Says, to: DraftTo, { child, guardian }: Writer): Draft => ({
  subject: child,
  text: [
    openingOf(t, to.tone, { teacher: to.name, child }),
    to.passOnTo ? t('message.draftPassOn', { teacher: to.passOnTo }) : '',
    `${t('message.draftClose')}\n${guardian}`,
  ].join('\n\n'),
});

/** A letter to the office, with what it has on file in it; of whom nothing may be seen, nothing stands there. */
export function fileDraft(
  { t }: Says,
  { child, people }: Pick<OnFile, 'child' | 'people'>,
  to: DraftTo,
  who: Pick<Writer, 'child' | 'guardian'>,
): Draft {
  const lineOf = (name: string, reach: Reach | null): string[] => {
    const said = reaches.flatMap((what) => {
      const value = reach?.[what];
      return value ? [t(`file.reach.${what}`, { value })] : [];
    });
    return said.length > 0 ? [`${name}: ${said.join('; ')}`] : [];
  };
  const lines = [
    ...(child ? lineOf(child.name, child) : []),
    ...people.flatMap(({ name, reach }) => lineOf(name, reach)),
  ];
  return {
    subject: t('file.subject', { child: who.child }),
    text: [
      openingOf(t, to.tone, { teacher: to.name, child: who.child }),
      t('file.letter', { lines: lines.join('\n'), ...who }),
    ].join('\n\n'),
  };
}

/** A letter that asks for a talk, at one of some times that are free at home. */
export function timesDraft(
  { t, format }: Says,
  { times, minutes }: { readonly times: readonly string[]; readonly minutes: number },
  to: DraftTo,
  { child, guardian }: Pick<Writer, 'child' | 'guardian'>,
): Draft {
  const said = times.map((at) => `${format.dayLong(at)}, ${format.time(at)}`);
  const lines = said.length === 1 ? said : said.map((time) => t('meeting.draft.line', { time }));
  return {
    subject: t('meeting.draft.subject', { child }),
    text: [
      openingOf(t, to.tone, { teacher: to.name, child }),
      t('meeting.draft.ask', { count: said.length, minutes, child, times: lines.join('\n') }),
      t('meeting.draft.end'),
      `${t('message.draftClose')}\n${guardian}`,
    ].join('\n\n'),
  };
}
