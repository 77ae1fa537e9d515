import type { TFunction } from 'i18next';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { OwnRow } from '@cadro/contract';
import { useFormat } from '../../household';
import type { Format } from '../../i18n';
import { Frame, frameOf, Row, styles, Words } from '../../ui';

type Said = Omit<OwnRow, 'itemId'>;

/** What an assignment has brought, or what it is worth, in words. */
export function scoreWords(
  t: TFunction,
  format: Format,
  { earned, possible, percent, letter, status }: Said,
): string {
  if (status === 'scored' || status === 'incomplete') {
    if (earned !== null && possible !== null)
      return t('own.scoreOf', { earned: format.amount(earned), of: format.amount(possible) });
    if (earned !== null) return t('own.scorePoints', { earned: format.amount(earned) });
    if (percent !== null) return `${format.amount(percent)} %`;
    if (letter !== null) return letter;
  }
  return possible === null ? t('own.worthUnsaid') : t('own.worth', { of: format.amount(possible) });
}

/** An assignment in one line, as it is understood. */
/** What stands under a row's title, and its score. */
export function useRowWords(row: Said): { readonly below: string; readonly score: string } {
  const { t } = useTranslation();
  const format = useFormat();
  const { dueOn, category, status, comment } = row;
  const parts = [
    dueOn ? t('own.dueOn', { date: format.day(dueOn) }) : t('own.undated'),
    t(`own.status.${status}`),
    ...(category ? [category] : []),
    ...(comment ? [t('own.remarked', { comment })] : []),
  ];
  return { below: parts.join(' · '), score: scoreWords(t, format, row) };
}

export function RowLine({ row }: { row: Said }) {
  const { title, status } = row;
  const { below, score } = useRowWords(row);
  return (
    <Row space={1.5} style={styles.top}>
      <View style={styles.above2}>
        <Frame kind={frameOf(status, null)} needsYou={status === 'missing'} />
      </View>
      <View style={styles.fill}>
        <Words bold>{title}</Words>
        <Words size="small" colour="soft">
          {below}
        </Words>
      </View>
      <Words size="small" bold={status === 'scored'} colour={status === 'scored' ? 'ink' : 'soft'}>
        {score}
      </Words>
    </Row>
  );
}
