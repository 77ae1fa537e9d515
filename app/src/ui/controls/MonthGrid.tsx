import { createContext, useContext, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import type { DateData } from 'react-native-calendars';
import { styles } from '../theme/styles';
import { useTranslation } from 'react-i18next';
import { nothingMore, placed } from '../placed';
import { Words } from '../Words';

const Calendar = placed(() => import('./Calendar'), nothingMore)((month) => month.Calendar);

type Cell = (on: string, outside: boolean) => ReactNode;
/** The grid keeps its own component for a day; what a day shows comes to it from here. */
const CellContext = createContext<Cell>(() => null);

function Day({ date, state }: { date?: DateData; state?: string }) {
  const cell = useContext(CellContext);
  return date ? <View style={own.stretch}>{cell(date.dateString, state === 'disabled')}</View> : null;
}

/** The names over the columns of a month, from Monday on; without the weekend where it is no column. */
export function Weekdays({ weekend = true }: { weekend?: boolean }) {
  const { i18n } = useTranslation();
  const name = new Intl.DateTimeFormat(i18n.language, { weekday: 'short', timeZone: 'UTC' });
  // 5 January 2026 was a Monday.
  const days = [5, 6, 7, 8, 9, ...(weekend ? [10, 11] : [])].map((day) =>
    name.format(new Date(Date.UTC(2026, 0, day))),
  );
  return (
    <View aria-hidden style={styles.row}>
      {days.map((day) => (
        <View key={day} style={own.weekday}>
          <Words size="small" colour="soft">
            {day}
          </Words>
        </View>
      ))}
    </View>
  );
}

const WholeWeek = () => <Weekdays />;

const flat = {
  container: { paddingLeft: 0, paddingRight: 0, backgroundColor: 'transparent' },
  monthView: { backgroundColor: 'transparent' },
  week: { flexDirection: 'row' },
  dayContainer: { flex: 1, minWidth: 0 },
};
// The package takes overrides under this very key, of which its types do not know.
const theme = { 'stylesheet.calendar.main': flat } as object;

/**
 * The weeks that hold a month, Monday first.
 * @param month `2026-10`.
 * @param cell what a day shows; `outside` for days of the months around.
 */
export function MonthGrid({ month, cell }: { month: string; cell: Cell }) {
  return (
    <CellContext.Provider value={cell}>
      <Calendar
        key={month}
        initialDate={`${month}-01`}
        firstDay={1}
        disableMonthChange
        dayComponent={Day}
        customHeader={WholeWeek}
        theme={theme}
      />
    </CellContext.Provider>
  );
}

const own = StyleSheet.create({
  stretch: { alignSelf: 'stretch' },
  weekday: { flex: 1, alignItems: 'center' },
});
