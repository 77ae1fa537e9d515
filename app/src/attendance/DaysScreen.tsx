import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Child, ChildDays, DayMark } from '@cadro/contract';
import { useChildren } from '../household';
import { useFormat } from '../i18n';
import { Action, DayStrip, Heading, Line, Loaded, Page, Quiet, Row, Stack, useWide, Words } from '../ui';
import { useDaysQuery } from './api';

/** Days in sight before one asks for all. */
const firstDays = 15;

function DayRow({ on, marks }: { on: string; marks: readonly DayMark[] }) {
  const { t } = useTranslation();
  const format = useFormat();
  const closed = marks.every(({ kind }) => kind === 'closed');
  const word = ({ kind, excused }: DayMark) =>
    t(`days.kinds.${kind === 'absent' && excused ? 'excused' : kind}`);
  const notable = marks.filter(({ kind }) => kind !== 'present' && kind !== 'closed');
  const same = notable.length === marks.length && new Set(notable.map(word)).size === 1;
  const what = closed
    ? t('days.noSchool')
    : notable.length === 0
      ? t('days.allThere')
      : same && notable[0]
        ? word(notable[0])
        : notable
            .map((mark) => t('days.mark', { lesson: mark.courseTitle ?? mark.period, what: word(mark) }))
            .join(', ');
  const needsYou = notable.some(({ kind, excused }) => kind === 'absent' && !excused);
  return (
    <View>
      <Row style={{ paddingVertical: 10 }} space={1.5}>
        <Words size="small" bold style={{ width: 84 }}>
          {format.day(on)}
        </Words>
        <DayStrip marks={marks} label={t('days.strip', { day: format.day(on), what })} />
        <Words size="small" colour={needsYou ? 'plum' : 'soft'} style={{ flex: 1 }}>
          {what}
        </Words>
      </Row>
      <Line />
    </View>
  );
}

function ChildAttendance({ child, days }: { child: Child; days: ChildDays | undefined }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [all, setAll] = useState(false);
  if (!days || days.days.length === 0) {
    return (
      <Stack>
        <Heading level={2}>{child.givenName}</Heading>
        <Quiet>{t('days.none')}</Quiet>
      </Stack>
    );
  }
  const totals = [
    days.lessonsAbsent === 0
      ? t('days.never', { days: days.schoolDays })
      : t('days.totals', { days: days.schoolDays, absent: days.daysAbsent }),
    ...(days.lessonsAbsent > 0
      ? [
          [
            t('days.lessons', { count: days.lessonsAbsent }),
            days.lessonsUnexplained > 0
              ? t('days.unexplained', { count: days.lessonsUnexplained })
              : t('days.allExplained'),
          ].join(', '),
        ]
      : []),
    ...(days.lateArrivals > 0 ? [t('days.late', { count: days.lateArrivals })] : []),
  ];
  const early = days.leftEarlyOn.length >= 2;
  return (
    <Stack>
      <Heading level={2}>{child.givenName}</Heading>
      <Words size="small" colour="soft">
        {totals.join(' · ')}
      </Words>
      {early ? (
        <Words colour="plum">
          {t('days.leftEarly', { days: format.list(days.leftEarlyOn.map(format.day)) })}
        </Words>
      ) : null}
      <View>
        {days.days.slice(0, all ? undefined : firstDays).map(({ on, marks }) => (
          <DayRow key={on} on={on} marks={marks} />
        ))}
      </View>
      {!all && days.days.length > firstDays ? (
        <Action label={t('days.showAll')} onPress={() => setAll(true)} />
      ) : null}
    </Stack>
  );
}

/** One child's days, beside the matter they are about. */
export function AttendanceOfChild({ studentId }: { studentId: string }) {
  const query = useDaysQuery();
  const { all } = useChildren();
  const child = all.find(({ id }) => id === studentId);
  return (
    <Loaded query={query}>
      {({ children }) => (
        <Page sheet>
          {child ? (
            <ChildAttendance child={child} days={children.find((each) => each.studentId === child.id)} />
          ) : null}
        </Page>
      )}
    </Loaded>
  );
}

/** Where were they? */
export function DaysScreen() {
  const { t } = useTranslation();
  const wide = useWide();
  const query = useDaysQuery();
  const { shown } = useChildren();
  return (
    <Loaded query={query}>
      {({ children }) => {
        const parts = shown.map((child) => (
          <View key={child.id} style={wide ? { flex: 1, minWidth: 300, maxWidth: 520 } : {}}>
            <ChildAttendance child={child} days={children.find(({ studentId }) => studentId === child.id)} />
          </View>
        ));
        const head = (
          <Stack space={0.25}>
            <Heading level={1}>{t('days.title')}</Heading>
            <Words colour="soft">{t('days.lead')}</Words>
          </Stack>
        );
        if (!wide)
          return (
            <Page>
              {head}
              {parts}
            </Page>
          );
        return (
          <ScrollView tabIndex={0} contentContainerStyle={{ padding: 20, paddingTop: 28, gap: 20 }}>
            {head}
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 40, rowGap: 24 }}>{parts}</View>
          </ScrollView>
        );
      }}
    </Loaded>
  );
}
