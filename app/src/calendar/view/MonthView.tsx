import { StyleSheet, Pressable, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Calendar, CalendarEvent } from '@cadro/contract';
import { MarkOf, useChildren, useFormat } from '../../household';
import { CountDots, MonthGrid, Row, styles, themed, useWide, weeksOf, Words } from '../../ui';
import { AwayMark } from './AwayMark';
import { awayWord, loadOf, type DayLoad } from './dayOf';

/** Events that a wide cell names; more are counted. */
const most = 4;
/** Weeks of a month on a phone, so that the chosen day stands below them. */
const phoneWeeks = 5;

/** What is on a day and whose it is, by name. */
function Named({ load: { named: names } }: { load: DayLoad }) {
  const { t } = useTranslation();
  const { all } = useChildren();
  const shown = names.length > most ? names.slice(0, most - 1) : names;
  return (
    <View style={own.inset4}>
      {shown.map(({ key, title, studentIds, marks }) => (
        <Row key={key} space={0.25}>
          {all.length > 1 && studentIds.length < all.length
            ? studentIds.map((id) => (
                <View key={id} style={own.mark}>
                  <MarkOf studentId={id} size={16} />
                </View>
              ))
            : null}
          <Words
            size="small"
            lines={1}
            colour={marks?.unexplained ? 'plum' : marks ? 'soft' : 'ink'}
            style={styles.shrink}
          >
            {marks ? t(`calendar.cell.${awayWord(marks)}`) : title}
          </Words>
        </Row>
      ))}
      {names.length > shown.length ? (
        <Words size="small" colour="soft">
          {t('calendar.cell.more', { count: names.length - shown.length })}
        </Words>
      ) : null}
    </View>
  );
}

/** As much of it as a phone's cell holds: a dot for each thing that is due, hollow for what else there is, and who was away. */
function InShort({ load: { children, others } }: { load: DayLoad }) {
  const open = children.reduce((sum, child) => sum + child.open, 0);
  return (
    <View style={own.short}>
      {open > 0 ? <CountDots count={open} /> : null}
      {others.length > 0 ? <CountDots hollow count={others.length} /> : null}
      <Row space={0.25}>
        {children.map(({ away, studentId }) =>
          away ? <AwayMark key={studentId} studentId={studentId} marks={away} /> : null,
        )}
      </Row>
    </View>
  );
}

/** A day in words, for those who do not see its cell. */
function useDayWords() {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  return (on: string, { children, others, closed }: DayLoad): string =>
    [
      format.dayLong(on),
      ...(closed ? [closed.title] : []),
      ...children.flatMap(({ studentId, open, tests, away }) => [
        ...(open > 0 ? [t('calendar.openOf', { child: nameOf(studentId), count: open })] : []),
        ...(tests > 0 ? [t('calendar.clusterTests', { count: tests })] : []),
        ...(away ? [t('calendar.awayOf', { child: nameOf(studentId) })] : []),
      ]),
      ...others.map(({ title }) => title),
    ].join(', ');
}

interface MonthProps {
  readonly month: string;
  readonly chosen: string;
  readonly calendar: Calendar;
  readonly events: readonly CalendarEvent[];
  readonly onChoose: (on: string) => void;
}

/** A month at a glance: what is due and whose it is, absences, events; a touch opens the day beside or below it. */
export function MonthView({ month, chosen, calendar, events, onChoose }: MonthProps) {
  const looks = useLooks();
  const wide = useWide();
  const format = useFormat();
  const { shown } = useChildren();
  const words = useDayWords();
  const ids = shown.map(({ id }) => id);
  const cell = (on: string, outside: boolean) => {
    const load = loadOf(events, calendar.clusters, ids, on);
    const here = on === chosen;
    const today = on === calendar.today;
    return (
      <Pressable
        role="button"
        aria-label={words(on, load)}
        aria-pressed={here}
        {...(today ? { 'aria-current': 'date' as const } : {})}
        onPress={() => onChoose(on)}
        style={[looks.day, load.closed && looks.closed, here && looks.here]}
      >
        <View style={wide ? own.inset4 : styles.middle}>
          <Words
            bold={today}
            colour={outside ? 'soft' : 'ink'}
            style={today ? { textDecorationLine: 'underline' } : {}}
          >
            {Number(on.slice(8))}
          </Words>
        </View>
        {wide ? <Named load={load} /> : <InShort load={load} />}
      </Pressable>
    );
  };
  return (
    <MonthGrid
      month={month}
      label={format.month(`${month}-01`)}
      cell={cell}
      {...(wide ? {} : { weeks: weeksOf(month, phoneWeeks, chosen) })}
    />
  );
}

const own = StyleSheet.create({
  short: { alignItems: 'center', gap: 2 },
  inset4: { paddingHorizontal: 4 },
  mark: { flexShrink: 0 },
});

const useLooks = themed((palette, wide) => ({
  day: { minHeight: wide ? 112 : 72, paddingTop: 2, borderTopWidth: 1, borderColor: palette.line },
  closed: { backgroundColor: palette.sand },
  here: { outlineWidth: 2, outlineStyle: 'solid', outlineColor: palette.ink, borderRadius: 4 },
}));
