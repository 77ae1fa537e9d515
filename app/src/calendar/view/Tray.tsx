import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Calendar, UndatedWork } from '@cadro/contract';
import { MarkOf, useChildren, useFormat } from '../../household';
import { Heading, List, PickDay, Row, RowLink, Stack, styles, Words } from '../../ui';
import { useOwnDateMutation } from '../calendarApi';

function Undated({ work }: { work: UndatedWork }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf, mayTalk } = useChildren();
  const [give] = useOwnDateMutation();
  const { studentId, courseId, itemId, title, courseTitle, ownDate } = work;
  return (
    <Stack space={0.5}>
      <RowLink
        bare
        href={`/courses/${studentId}/${courseId}/${itemId}`}
        label={`${nameOf(studentId)}, ${title}, ${courseTitle}`}
      >
        <Row space={1} style={styles.top}>
          <MarkOf studentId={studentId} />
          <View style={styles.fill}>
            <Words bold>{title}</Words>
            <Words size="small" colour="soft">
              {courseTitle}
            </Words>
          </View>
        </Row>
      </RowLink>
      {mayTalk(studentId) ? (
        <PickDay
          label={ownDate ? t('calendar.ownDate') : t('calendar.noOwnDate')}
          value={ownDate}
          today={format.today}
          from={format.today}
          optional
          dayLong={format.dayLong}
          monthName={format.month}
          onChange={(on) => void give({ studentId, itemId, on })}
        />
      ) : null}
    </Stack>
  );
}

/** Work without a date: no calendar shows it, unless one gives it a day of one's own. */
export function Tray({ undated }: { undated: Calendar['undated'] }) {
  const { t } = useTranslation();
  const { shown } = useChildren();
  const own = undated.filter(({ studentId }) => shown.some(({ id }) => id === studentId));
  if (own.length === 0) return null;
  return (
    <Stack>
      <Stack space={0.25}>
        <Heading level={2}>{t('calendar.tray')}</Heading>
        <Words size="small" colour="soft">
          {t('calendar.trayLead')}
        </Words>
      </Stack>
      <List>
        {own.map((work) => (
          <Undated key={`${work.studentId}${work.itemId}`} work={work} />
        ))}
      </List>
    </Stack>
  );
}
