import { useTranslation } from 'react-i18next';
import { useFormat } from '../household';
import { DaysLeft, Row, styles, Words } from '../ui';
import { daysTo } from './makingWords';

/** '+0.54 of 4': what making something up would add to a grade, and what it is of. */
export function Gain({ figure, unit }: { figure: string; unit: string }) {
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

/** The days that are left until the last on which it is taken, drawn. */
export function DaysTo({ deadline }: { deadline: string }) {
  const { t } = useTranslation();
  const count = daysTo(useFormat(), deadline);
  return <DaysLeft days={count} label={t('work.daysLeft', { count })} />;
}
