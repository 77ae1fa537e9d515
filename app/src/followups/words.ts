import type { TFunction } from 'i18next';
import type { FollowUpSummary } from '@cadro/contract';
import { markWord } from '../attendance';
import type { Format } from '../i18n';

/** 'was overdue, now 17 of 20', or that a person settled it; null while it is open. */
export function outcomeWords(
  t: TFunction,
  format: Format,
  outcome: FollowUpSummary['outcome'],
): { was: string; now: string } | null {
  if (outcome?.by !== 'record') return null;
  const now =
    outcome.earned === null
      ? t('talk.excusedNow')
      : t('item.score', { earned: format.amount(outcome.earned), possible: format.amount(outcome.possible) });
  return { was: t(`kinds.${outcome.was}`), now };
}

/** How a matter about an absence ended by itself: what the register says now, or that its work is in. */
export function absenceOutcome(t: TFunction, outcome: FollowUpSummary['outcome']): string | null {
  if (outcome?.by === 'reached') return t('talk.reachedShort', { figure: String(outcome.figure) });
  if (outcome?.by === 'caught-up') return t('talk.caughtUp', { count: outcome.works });
  if (outcome?.by !== 'register') return null;
  const said = new Set(outcome.marks.map((mark) => markWord(t, mark)));
  return t('talk.registerSays', { what: [...said].join(', ') });
}
