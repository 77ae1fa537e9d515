import type { TFunction } from 'i18next';
import type { FollowUp } from '@cadro/contract';
import type { Format } from '../i18n';

export interface Draft {
  readonly subject: string;
  readonly text: string;
}

/** A short, friendly question with the facts already in it. The last line is the guardian's name. */
export function draftFor(
  t: TFunction,
  format: Format,
  followUp: FollowUp,
  who: { child: string; guardian: string; now: string },
): Draft {
  const { title, courseTitle, looseEndKind, dueAt, possible, teacher } = followUp;
  const facts = t('message.draftFacts', {
    title,
    course: courseTitle ?? '',
    due: dueAt ? format.date(dueAt) : t('item.undated'),
    possible: possible === null ? '–' : format.amount(possible),
    source: t('message.theRecord'),
    kind: looseEndKind ? t(`kinds.${looseEndKind}`) : '',
    today: format.date(who.now),
  });
  const said = followUp.entries.some(({ step }) => step === 'agreed' || step === 'talked-over');
  const paragraphs = [
    t('message.draftOpening', { teacher: teacher?.name ?? '' }),
    [facts, ...(said ? [t('message.draftTalk', { child: who.child })] : [t('message.draftTalkPlain')])].join(
      ' ',
    ),
    t('message.draftQuestion'),
    `${t('message.draftClose')}\n${who.guardian}`,
  ];
  return { subject: t('message.draftSubject', { child: who.child, title }), text: paragraphs.join('\n\n') };
}
