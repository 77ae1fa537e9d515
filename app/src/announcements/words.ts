import type { TFunction } from 'i18next';
import type { Announcement, AnswerValue, GivenAnswer } from '@cadro/contract';
import type { Format } from '../i18n';

/** An answer as it is read back. */
export function answerWords(t: TFunction, answer: AnswerValue): string {
  switch (answer.kind) {
    case 'yes-no':
      return answer.yes ? t('school.yes') : t('school.no');
    case 'choice':
      return answer.choice;
    case 'count':
      return t('school.count', { count: answer.count });
    case 'line':
      return answer.line;
    case 'form':
      return t('school.formBack');
  }
}

/** Who has answered what: 'Tobiah answered for Caspian: Yes.' */
export const givenWords = (t: TFunction, { answer, author, mine }: GivenAnswer, child: string): string =>
  mine
    ? t('school.youAnswered', { child, answer: answerWords(t, answer) })
    : t('school.answered', { author, child, answer: answerWords(t, answer) });

/** What the school wants, in a few words and until when; empty where it wants nothing. */
export function wantedWords(t: TFunction, format: Format, announcement: Announcement): string {
  const { wish, by, open, takenBack, helpers } = announcement;
  if (takenBack) return t('school.takenBack');
  if (helpers && open) return t('school.wants.helpers', { date: by ? format.day(by) : '' });
  const wanted = t(`school.wants.${wish.kind}`);
  if (wanted === '') return '';
  if (!open) return wish.kind === 'date' || wish.kind === 'bring' ? wanted : t('school.over');
  return by ? t('school.wantedBy', { wanted, date: format.day(by) }) : wanted;
}
