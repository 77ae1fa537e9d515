import type { TFunction } from 'i18next';
import { useTranslation } from 'react-i18next';
import { useFormat } from '../household';
import { DaysLeft, Row, styles, Words } from '../ui';

/** Less than this is nothing one would see. */
const leastSeen = 5e-3;

/** '+0.54 of 4': a gain and what it is of. */
export function GainFigure({ figure, unit }: { figure: string; unit: string }) {
  return (
    <Row space={0.5} style={styles.base}>
      <Words size="matter" bold colour="teal">
        {figure}
      </Words>
      <Words size="small" colour="soft">
        {unit}
      </Words>
    </Row>
  );
}

/** What making something up would add to a grade; nothing where it is nothing. */
export function Gain({ impact, outOf }: { impact: number | null; outOf: number }) {
  const { t } = useTranslation();
  const gain = useGain(impact);
  return gain ? <GainFigure figure={gain} unit={unitWords(t, outOf)} /> : null;
}

const unitWords = (t: TFunction, outOf: number): string =>
  outOf <= 10 ? t('work.of', { outOf }) : t('work.points');

function useGain(impact: number | null): string {
  const { t } = useTranslation();
  const format = useFormat();
  return impact !== null && impact >= leastSeen ? t('work.gain', { gain: format.amount(impact) }) : '';
}

/** The same in words. */
export function useGainWords(impact: number | null, outOf: number): string {
  const { t } = useTranslation();
  const gain = useGain(impact);
  return gain && `${gain} ${unitWords(t, outOf)}`;
}

/** The days that are left until the last on which it is taken, drawn. */
export function DaysTo({ deadline }: { deadline: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  const count = Math.max(0, format.daysBetween(format.today, deadline));
  return <DaysLeft days={count} label={t('work.daysLeft', { count })} />;
}
