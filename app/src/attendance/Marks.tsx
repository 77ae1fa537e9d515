import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { ChildDays } from '@cadro/contract';
import { daysAfter, monthsAfter, weekOf } from '@cadro/core';
import { beginning, dayGiven } from '../i18n';
import { useFormat } from '../household';
import { Action, Choice, Heading, List, Quiet, Quietly, Row, Stack, styles } from '../ui';
import { DayRow } from './DayRow';
import { MonthOfMarks } from './MonthOfMarks';
import { StripKey } from './StripKey';

const views = ['month', 'week', 'list'] as const;
type ViewName = (typeof views)[number];
/** Days in sight before one asks for all. */
const firstDays = 15;

/** The days of a span, the latest first. */
function DayList({ days, from, to }: { days: ChildDays; from?: string; to?: string }) {
  const { t } = useTranslation();
  const [all, setAll] = useState(false);
  const within = days.days.filter(({ on }) => (!from || on >= from) && (!to || on <= to));
  if (within.length === 0) return <Quiet>{t('days.nothingIn')}</Quiet>;
  return (
    <View>
      <List>
        {within.slice(0, all ? undefined : firstDays).map(({ on, marks }) => (
          <DayRow key={on} studentId={days.studentId} on={on} marks={marks} />
        ))}
      </List>
      {!all && within.length > firstDays ? (
        <View style={styles.above12}>
          <Action label={t('days.showAll')} onPress={() => setAll(true)} />
        </View>
      ) : null}
    </View>
  );
}

/** Marks by month, week or list; which one and when stands in the address. */
export function Marks({ days }: { days: ChildDays }) {
  const { t } = useTranslation();
  const format = useFormat();
  const router = useRouter();
  const params = useLocalSearchParams<{ view?: string; on?: string }>();
  const view: ViewName = views.find((name) => name === params.view) ?? 'month';
  const on = dayGiven(params.on, days.today);
  const go = (to: { view?: ViewName; on?: string }) => router.setParams({ view, on, ...to });
  const move = (by: -1 | 1) => go({ on: view === 'month' ? monthsAfter(on, by) : daysAfter(on, 7 * by) });
  const { from, to } = weekOf(on);
  const title = view === 'month' ? beginning(format.month(on)) : format.span(from, to);
  return (
    <Stack space={1.5}>
      <Choice
        label={t('days.view')}
        options={views.map((value) => ({ value, label: t(`days.views.${value}`) }))}
        value={view}
        onChange={(value) => go({ view: value })}
      />
      {view === 'list' ? (
        <DayList days={days} />
      ) : (
        <>
          <Row style={styles.apart}>
            <Quietly label={t('days.earlier')} onPress={() => move(-1)} />
            <Heading level={3}>{title}</Heading>
            <Quietly label={t('days.later')} onPress={() => move(1)} />
          </Row>
          {view === 'month' ? (
            <MonthOfMarks days={days} month={on.slice(0, 7)} />
          ) : (
            <DayList days={days} from={from} to={to} />
          )}
        </>
      )}
      <StripKey />
    </Stack>
  );
}
