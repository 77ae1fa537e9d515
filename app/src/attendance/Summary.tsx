import { useTranslation } from 'react-i18next';
import type { AttendanceTotals, ChildDays } from '@cadro/contract';
import { useFormat } from '../household';
import { Stack, Words } from '../ui';
import { Patterns } from './Patterns';
import { shareWords, totalsWords } from './totals';
import { UnknownCodes } from './marksFile/UnknownCodes';

/** Week, term and year in words, what stands out, and what nobody has explained. */
export function Summary({ days }: { days: ChildDays }) {
  const { t } = useTranslation();
  const format = useFormat();
  const share = shareWords(t, days);
  const spans: readonly { name: string; totals: AttendanceTotals }[] = [
    { name: t('days.spans.week'), totals: days.week },
    ...(days.term ? [{ name: t('days.spans.term', { title: days.term.title }), totals: days.term }] : []),
    { name: t('days.spans.year'), totals: days.year },
  ];
  return (
    <Stack space={1.5}>
      <Patterns days={days} />
      {share ? <Words colour={days.share.reached ? 'plum' : 'ink'}>{share}</Words> : null}
      <Stack space={0.5}>
        {spans.map(({ name, totals }) => (
          <Words key={name} size="small" colour="soft">
            <Words size="small" bold>
              {name}
            </Words>
            {`: ${totalsWords(t, totals, days.markedBy)}`}
          </Words>
        ))}
      </Stack>
      <UnknownCodes days={days} />
      {days.outsideYear.length > 0 ? (
        <Words size="small" colour="soft">
          {t('days.outside', { days: format.days(days.outsideYear) })}
        </Words>
      ) : null}
    </Stack>
  );
}
