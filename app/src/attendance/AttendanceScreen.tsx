import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Child, ChildDays } from '@cadro/contract';
import { useChildren, useFormat } from '../household';
import { NothingYet } from '../sources';
import {
  BackLink,
  Heading,
  Loaded,
  OutLink,
  Page,
  Quiet,
  Row,
  Stack,
  styles,
  useWide,
  WayOn,
  WidePage,
} from '../ui';
import { marksCsvAddress, useDaysQuery } from './api';
import { CourseByCourse } from './CourseByCourse';
import { Marks } from './Marks';
import { Strips } from './Strips';
import { Summary } from './Summary';

/** An absence that is to come is told before it. */
function TellAhead({ studentId, days }: { studentId: string; days: ChildDays }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { mayTalk } = useChildren();
  if (!mayTalk(studentId) || !days.desk?.contactable) return null;
  return (
    <WayOn label={t('day.ahead')} href={`/days/${studentId}/${format.daysAhead(1)}/letter?purpose=ahead`} />
  );
}

/** The way to write down what the school does not tell. */
function WriteMark({ studentId }: { studentId: string }) {
  const { t } = useTranslation();
  const { mayTalk } = useChildren();
  return mayTalk(studentId) ? (
    <WayOn label={t('ownMark.to')} href={`/days/attendance/${studentId}/mark`} />
  ) : null;
}

function OneChild({ child, days }: { child: Child; days: ChildDays | undefined }) {
  const { t } = useTranslation();
  if (!days || days.days.length === 0) {
    return (
      <Stack>
        <Heading level={2}>{child.givenName}</Heading>
        <NothingYet studentId={child.id} what="attendance" none={t('days.none')} />
        <WriteMark studentId={child.id} />
      </Stack>
    );
  }
  return (
    <Stack>
      <Heading level={2}>{child.givenName}</Heading>
      <Strips days={days} />
      <Summary days={days} />
      <Row wrap style={styles.spread}>
        <WayOn label={t('days.dayByDay')} href={`/days/attendance/${child.id}`} />
        <TellAhead studentId={child.id} days={days} />
        <WriteMark studentId={child.id} />
      </Row>
    </Stack>
  );
}

/** Where were they? Every child in a few sentences. */
export function AttendanceScreen() {
  const { t } = useTranslation();
  const wide = useWide();
  const query = useDaysQuery();
  const { shown } = useChildren();
  return (
    <Loaded query={query}>
      {({ children }) => (
        <WidePage>
          <BackLink href="/days" label={t('places.days')} />
          <Heading level={1}>{t('days.attendance')}</Heading>
          <View style={[styles.columns, wide && styles.row]}>
            {shown.map((child) => (
              <View key={child.id} style={wide ? { flex: 1, maxWidth: 460 } : {}}>
                <OneChild child={child} days={children.find(({ studentId }) => studentId === child.id)} />
              </View>
            ))}
          </View>
        </WidePage>
      )}
    </Loaded>
  );
}

/** One child's attendance: what stands out, the marks, and each course beside its grade. */
export function ChildAttendance({ studentId }: { studentId: string }) {
  const { t } = useTranslation();
  const wide = useWide();
  const query = useDaysQuery();
  const { nameOf, mayTalk } = useChildren();
  return (
    <Loaded query={query}>
      {({ children }) => {
        const days = children.find((each) => each.studentId === studentId);
        if (!days)
          return (
            <Page>
              <Quiet>{t('problems.not-found')}</Quiet>
            </Page>
          );
        const marks = (
          <Stack space={2}>
            <Marks days={days} />
            <Row wrap style={styles.spread}>
              <TellAhead studentId={studentId} days={days} />
              <OutLink label={t('days.csvOut')} href={marksCsvAddress(studentId)} />
              {mayTalk(studentId) ? (
                <WayOn label={t('days.csvIn')} href={`/days/attendance/${studentId}/file`} />
              ) : null}
            </Row>
          </Stack>
        );
        return (
          <WidePage>
            <BackLink href="/days/attendance" label={t('days.attendance')} />
            <Heading level={1}>{t('days.attendanceOf', { child: nameOf(studentId) })}</Heading>
            <View style={[styles.columnsFar, wide && styles.row]}>
              <View style={wide ? { flex: 1, maxWidth: 520, gap: 24 } : { gap: 24 }}>
                <Strips days={days} name={t('days.attendanceOf', { child: nameOf(studentId) })} />
                <Summary days={days} />
                {wide ? <CourseByCourse days={days} /> : null}
              </View>
              <View style={wide ? { flex: 1, maxWidth: 620 } : {}}>{marks}</View>
              {wide ? null : <CourseByCourse days={days} />}
            </View>
          </WidePage>
        );
      }}
    </Loaded>
  );
}

/** One child's attendance, beside the matter it is about. */
export function AttendanceOfChild({ studentId }: { studentId: string }) {
  const query = useDaysQuery();
  const { all } = useChildren();
  const child = all.find(({ id }) => id === studentId);
  return (
    <Loaded query={query}>
      {({ children }) => (
        <Page sheet>
          {child ? (
            <OneChild child={child} days={children.find((each) => each.studentId === child.id)} />
          ) : null}
        </Page>
      )}
    </Loaded>
  );
}
