import { Link } from 'expo-router';
import { StyleSheet, Pressable, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { ChildDays } from '@cadro/contract';
import { isWeekend } from '@cadro/core';
import { useFormat } from '../household';
import { DayStrip, styles, usePalette, Weekdays, weeksOf, Words } from '../ui';
import { dayHref } from './DayRow';
import { dayWords } from './markWords';

/** A month of day strips: the same lesson stands in the same place, so that a pattern
 * shows at a glance. A weekend without marks is no column. */
export function MonthOfMarks({ days, month }: { days: ChildDays; month: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  const palette = usePalette();
  const marks = new Map(days.days.map((day) => [day.on, day.marks]));
  const weekends = days.days.some(({ on }) => on.startsWith(month) && isWeekend(on));
  const most = Math.max(1, ...days.days.map((day) => day.marks.length));
  return (
    <View role="table" aria-label={format.month(`${month}-01`)} style={styles.gap4}>
      <Weekdays weekend={weekends} />
      {weeksOf(month).map((week) => (
        <View key={week[0]} role="row" style={looks.marks}>
          {week
            .filter((on) => weekends || !isWeekend(on))
            .map((on) => {
              const own = on.startsWith(month) ? marks.get(on) : undefined;
              const cell = {
                flex: 1,
                minHeight: 54,
                paddingVertical: 4,
                alignItems: 'center' as const,
                gap: 2,
                borderTopWidth: 1,
                borderColor: on === days.today ? palette.ink : palette.line,
              };
              const date = (
                <Words size="small" bold={on === days.today} colour={own ? 'ink' : 'soft'}>
                  {on.startsWith(month) ? Number(on.slice(8)) : ' '}
                </Words>
              );
              if (!own)
                return (
                  <View key={on} role="cell" style={cell}>
                    {date}
                  </View>
                );
              return (
                <View key={on} role="cell" style={looks.cell}>
                  <Link href={dayHref(days.studentId, on)} asChild>
                    <Pressable
                      role="link"
                      aria-label={t('days.strip', { day: format.dayLong(on), what: dayWords(t, own) })}
                      style={cell}
                    >
                      {date}
                      <View aria-hidden>
                        <DayStrip marks={own} label="" size="small" of={most} />
                      </View>
                    </Pressable>
                  </Link>
                </View>
              );
            })}
        </View>
      ))}
    </View>
  );
}

const looks = StyleSheet.create({
  marks: { flexDirection: 'row', gap: 4 },
  cell: { flex: 1 },
});
