import type { TFunction } from 'i18next';
import type { FollowUpSummary } from '@cadro/contract';
import type { Format } from '../i18n';

/** 'was overdue, now 17 of 20', or that a person settled it; null while it is open. */
export function outcomeWords(
  t: TFunction,
  format: Format,
  outcome: FollowUpSummary['outcome'],
): { was: string; now: string } | null {
  if (!outcome || outcome.by === 'guardian') return null;
  const now =
    outcome.earned === null
      ? t('talk.excusedNow')
      : t('item.score', { earned: format.amount(outcome.earned), possible: format.amount(outcome.possible) });
  return { was: t(`kinds.${outcome.was}`), now };
}
