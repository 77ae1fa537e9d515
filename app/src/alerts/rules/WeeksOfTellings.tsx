import { useTranslation } from 'react-i18next';
import type { Rehearsal } from '@cadro/contract';
import { TwoWeeks, useTwoWeeks } from '../TwoWeeks';

/** What would have come in the last two weeks. */
export function WeeksOfTellings({ answer }: { answer: Rehearsal | null }) {
  const { t } = useTranslation();
  const told = (answer?.tellings ?? []).filter(({ inDigest }) => !inDigest);
  const { days, count } = useTwoWeeks(told.map(({ at }) => at));
  return (
    <TwoWeeks live days={days} said={answer ? t('rules.twoWeeks', { count }) : t('rules.twoWeeksSoon')} />
  );
}
