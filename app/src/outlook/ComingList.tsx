import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { ComingDay } from '@cadro/contract';
import { useChildren, useFormat } from '../household';
import { List, Row, styles, WayOn, Words } from '../ui';

/** What is due, day by day; how many things fall on one day is said, since that is a warning of its own. */
export function ComingList({ days, most }: { days: readonly ComingDay[]; most: number }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf, shown } = useChildren();
  const many = shown.length > 1;
  return (
    <List label={t('brief.coming')} style={own.days}>
      {days.map(({ on, items }) => (
        <View key={on}>
          <Row style={styles.apart}>
            <Words size="small" bold>{`${format.day(on)}, ${format.relative(on)}`}</Words>
            <Words size="small" colour="soft">
              {t('brief.things', { count: items.length })}
            </Words>
          </Row>
          <List>
            {items.slice(0, most).map((item) => (
              <Words key={`${item.studentId}:${item.itemId}`} size="small" colour="soft">
                {[
                  ...(many ? [nameOf(item.studentId)] : []),
                  item.courseTitle,
                  item.offerEnds ? t('work.offerEnds', { title: item.title }) : item.title,
                ].join(' · ')}
              </Words>
            ))}
          </List>
          {items.length > most ? (
            <WayOn small label={t('brief.more', { count: items.length - most })} href="/work" />
          ) : null}
        </View>
      ))}
    </List>
  );
}

const own = StyleSheet.create({ days: { gap: 12 } });
