import { Link } from 'expo-router';
import { Pressable, StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { ChildDays } from '@cadro/contract';
import { yearLine } from '@cadro/core';
import { useFormat } from '../household';
import { DayStrip, KeepPicture, Row, Stack, touch, Words, YearLine } from '../ui';
import { dayHref } from './DayRow';
import { dayWords } from './markWords';
import { totalsWords } from './totals';

/** A school week. */
const lately = 5;

/**
 * The last school days as strips, each with its day; then the year so far on one line.
 * @param name what the line is called where it may be kept.
 */
export function Strips({ days, name }: { days: ChildDays; name?: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  const held = days.days.filter(({ marks }) => marks.some(({ kind }) => kind !== 'closed'));
  const most = Math.max(1, ...held.slice(0, lately).map(({ marks }) => marks.length));
  const year = (
    <YearLine
      days={yearLine(held)}
      label={t('days.yearLine', { totals: totalsWords(t, days.year, days.markedBy) })}
      monthOf={format.monthShort}
    />
  );
  return (
    <Stack>
      <Row space={1} style={own.days}>
        {held
          .slice(0, lately)
          .reverse()
          .map(({ on, marks }) => (
            <Link key={on} href={dayHref(days.studentId, on)} asChild>
              <Pressable
                role="link"
                aria-label={t('days.strip', { day: format.dayLong(on), what: dayWords(t, marks) })}
                style={own.day}
              >
                <Words size="small" colour="soft">
                  {format.weekday(on)}
                </Words>
                <View aria-hidden>
                  <DayStrip marks={marks} label="" size="small" of={most} />
                </View>
              </Pressable>
            </Link>
          ))}
      </Row>
      {name ? <KeepPicture name={name}>{year}</KeepPicture> : year}
    </Stack>
  );
}

const own = StyleSheet.create({
  days: { flexWrap: 'wrap', rowGap: 0 },
  day: { minHeight: touch, minWidth: touch, justifyContent: 'center', gap: 2 },
});
