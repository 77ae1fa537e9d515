import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { ChildDay } from '@cadro/contract';
import { useChildren, useFormat } from '../../household';
import { BackLink, Heading, Loaded, Row, Stack, styles, useWide, WayOn, WidePage, Words } from '../../ui';
import { useDayQuery } from './dayApi';
import { Cost } from './Cost';
import { Events, Lessons } from './Lessons';
import { WithTheSchool } from './WithTheSchool';

function Head({ day }: { day: ChildDay }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const { studentId, on, today, rotationDay, open, closedFor, before, after } = day;
  return (
    <Stack space={0.5}>
      <Words size="small" colour="soft">
        {[
          nameOf(studentId),
          ...(on === today ? [t('day.today')] : []),
          ...(rotationDay ? [t('day.rotation', { day: rotationDay })] : []),
        ].join(' · ')}
      </Words>
      <Heading level={1}>{format.dayLong(on)}</Heading>
      {open === false ? (
        <Words>{closedFor ? t('day.noSchool', { why: closedFor }) : t('day.noSchoolPlain')}</Words>
      ) : null}
      <Row wrap style={styles.spread}>
        {before ? <WayOn label={t('day.before')} href={`/days/${studentId}/${before}`} /> : null}
        {after ? <WayOn label={t('day.after')} href={`/days/${studentId}/${after}`} /> : null}
        <WayOn label={t('days.attendance')} href={`/days/attendance/${studentId}`} />
      </Row>
    </Stack>
  );
}

/** One day of one child: what it cost first, what to do about it, then the lessons. */
export function DayScreen({ studentId, on }: { studentId: string; on: string }) {
  const { t } = useTranslation();
  const wide = useWide();
  const query = useDayQuery({ studentId, on });
  return (
    <Loaded query={query}>
      {(day) => (
        <WidePage>
          <BackLink href={`/days?on=${on}`} label={t('places.days')} />
          <Head day={day} />
          <View style={[styles.columnsFar, wide && styles.row]}>
            <View style={wide ? { flex: 1, maxWidth: 560, gap: 24 } : { gap: 24 }}>
              <Cost day={day} />
              <WithTheSchool day={day} />
              <Events day={day} />
            </View>
            <View style={wide ? { flex: 1, maxWidth: 600 } : {}}>
              <Lessons day={day} />
            </View>
          </View>
        </WidePage>
      )}
    </Loaded>
  );
}
