import { addDays } from 'date-fns/addDays';
import { eachWeekOfInterval } from 'date-fns/eachWeekOfInterval';
import { endOfMonth } from 'date-fns/endOfMonth';
import { format as stamp } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { localeOf } from '@cadro/core';
import { styles } from '../theme/styles';
import { Words } from '../Words';

type Cell = (on: string, outside: boolean) => ReactNode;

/** The names over the columns of a month, from Monday on; without the weekend where it is no column. */
export function Weekdays({ weekend = true }: { weekend?: boolean }) {
  const { i18n } = useTranslation();
  const names = (['short', 'long'] as const).map(
    (weekday) => new Intl.DateTimeFormat(localeOf(i18n.language), { weekday, timeZone: 'UTC' }),
  );
  // 5 January 2026 was a Monday.
  const days = [5, 6, 7, 8, 9, ...(weekend ? [10, 11] : [])].map((day) =>
    names.map((name) => name.format(new Date(Date.UTC(2026, 0, day)))),
  );
  return (
    <View role="row" style={styles.row}>
      {days.map(([short, long]) => (
        <View key={short} role="columnheader" aria-label={long} style={own.weekday}>
          <Words size="small" colour="soft">
            {short}
          </Words>
        </View>
      ))}
    </View>
  );
}

/**
 * The days of a month by weeks, Monday first, with the days around that fill its first and last week.
 * @param month `2026-10`. @param most so many weeks at most, among them the day's `around`.
 * @returns days, `2026-10-21`.
 */
export function weeksOf(month: string, most = 6, around = ''): string[][] {
  const start = parseISO(`${month}-01`);
  const weeks = eachWeekOfInterval({ start, end: endOfMonth(start) }, { weekStartsOn: 1 }).map((monday) =>
    [0, 1, 2, 3, 4, 5, 6].map((day) => stamp(addDays(monday, day), 'yyyy-MM-dd')),
  );
  if (weeks.length <= most) return weeks;
  // The first of six holds a weekend of the month at most: it stands at the end of the month before.
  return around.startsWith(month) && weeks[0]?.includes(around) ? weeks.slice(0, most) : weeks.slice(-most);
}

/**
 * The weeks that hold a month, as a table.
 * @param label what the table is of. @param cell what a day shows; `outside` for days of the months around.
 */
export function MonthGrid({
  month,
  label,
  cell,
  weeks = weeksOf(month),
}: {
  month: string;
  label: string;
  cell: Cell;
  weeks?: readonly (readonly string[])[];
}) {
  return (
    <View role="table" aria-label={label}>
      <Weekdays />
      {weeks.map((days) => (
        <View key={days[0]} role="row" style={styles.row}>
          {days.map((on) => (
            <View key={on} role="cell" style={own.cell}>
              {cell(on, !on.startsWith(month))}
            </View>
          ))}
        </View>
      ))}
    </View>
  );
}

const own = StyleSheet.create({
  cell: { flex: 1, minWidth: 0 },
  weekday: { flex: 1, alignItems: 'center' },
});
