import type { FollowUpEntry } from '@cadro/contract';
import type { TFunction } from 'i18next';

/** What happened, in a sentence. @param date the day to look again, as it is written. */
export function entryWords(
  t: TFunction,
  { kind, author, step, answer, to }: FollowUpEntry,
  date: string,
): string {
  const by = author ?? '';
  if (kind === 'asked') return t(`followUp.asked.${answer ?? 'unclear'}`, { author: by });
  if (kind === 'handed' && (to === 'everyone' || to === 'child'))
    return t(`followUp.handedTo.${to}`, { author: by });
  if (kind === 'look-again' && date === '') return t('followUp.entries.lookGraded', { author: by });
  return t(`followUp.entries.${kind}`, {
    to: to ?? '',
    author: by,
    step: step ? t(`steps.${step}`) : '',
    date,
  });
}
