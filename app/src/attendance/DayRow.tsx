import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { DayMark } from '@cadro/contract';
import { useFormat } from '../household';
import { DayStrip, Row, RowLink, styles, Words } from '../ui';
import { dayWords, needsYou } from './markWords';

export const dayHref = (studentId: string, on: string) => `/days/${studentId}/${on}` as const;

/** One day in a line: its date, its strip, its words; it leads to the day. */
export function DayRow({
  studentId,
  on,
  marks,
}: {
  studentId: string;
  on: string;
  marks: readonly DayMark[];
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const what = dayWords(t, marks);
  return (
    <RowLink href={dayHref(studentId, on)} label={t('days.strip', { day: format.day(on), what })}>
      <Row space={1.5}>
        <Words size="small" bold style={own.date}>
          {format.day(on)}
        </Words>
        <View aria-hidden>
          <DayStrip marks={marks} label="" />
        </View>
        <Words size="small" colour={marks.some(needsYou) ? 'plum' : 'soft'} style={styles.fill}>
          {what}
        </Words>
      </Row>
    </RowLink>
  );
}

const own = StyleSheet.create({
  date: { width: 84 },
});
