import { useTranslation } from 'react-i18next';
import type { Rehearsal } from '@cadro/contract';
import { useFormat } from '../../household';
import { Stack, DotDays, Words } from '../../ui';

/** Two weeks, today the last of them. */
const span = 14;

/** What would have come in the last two weeks: a dot for each, over its day. */
export function WeeksOfTellings({ answer }: { answer: Rehearsal | null }) {
  const { t } = useTranslation();
  const format = useFormat();
  const told = (answer?.tellings ?? []).filter(({ inDigest }) => !inDigest);
  const counts = Array.from({ length: span }, (_, at) => format.daysAhead(at + 1 - span)).map((on) => ({
    on,
    count: told.filter(({ at }) => format.dateOf(at) === on).length,
  }));
  const count = counts.reduce((sum, day) => sum + day.count, 0);
  const said = answer ? t('rules.twoWeeks', { count }) : t('rules.twoWeeksSoon');
  return (
    <Stack space={0.5}>
      <DotDays days={counts} label={said} dayOf={format.weekday} />
      <Words live>{said}</Words>
    </Stack>
  );
}
