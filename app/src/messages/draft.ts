import type { TFunction } from 'i18next';
import type { FollowUp } from '@cadro/contract';
import type { Format } from '../i18n';

export interface Draft {
  readonly subject: string;
  readonly text: string;
}

/** What the record shows, as of now; nothing that it does not show. */
function factsOf(t: TFunction, format: Format, followUp: FollowUp, now: string): string[] {
  const { title, courseTitle, topic, dueAt, possible, stillKind } = followUp;
  const course = courseTitle ?? '';
  if (topic !== 'work') return [t('message.draftAboutCourse', { course })];
  const about = t('message.draftAbout', {
    title,
    course,
    due: dueAt ? format.date(dueAt) : t('item.undated'),
    possible: possible === null ? '–' : format.amount(possible),
  });
  if (!stillKind) return [about];
  return [about, t('message.draftShows', { kind: t(`kinds.${stillKind}`), today: format.date(now) })];
}

/** Only what was really said at home. */
function talkOf(t: TFunction, { entries }: FollowUp): string[] {
  if (entries.some(({ step }) => step === 'agreed')) return [t('message.draftAgreed')];
  return entries.some(({ step }) => step === 'talked-over') ? [t('message.draftTalked')] : [];
}

/** A short, friendly question with the facts already in it. The last line is the guardian's name. */
export function draftFor(
  t: TFunction,
  format: Format,
  followUp: FollowUp,
  who: { child: string; guardian: string; now: string },
): Draft {
  const { teacher, topic } = followUp;
  const paragraphs = [
    t('message.draftOpening', { teacher: teacher?.name ?? '' }),
    [...factsOf(t, format, followUp, who.now), ...talkOf(t, followUp)].join(' '),
    t(topic === 'work' ? 'message.draftQuestion' : 'message.draftQuestionCourse', { child: who.child }),
    `${t('message.draftClose')}\n${who.guardian}`,
  ];
  return {
    subject: t('message.draftSubject', { child: who.child, title: followUp.title }),
    text: paragraphs.join('\n\n'),
  };
}
