import { StyleSheet, Pressable, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Calendar, CalendarEvent, DayMark } from '@cadro/contract';
import { useDaysQuery } from '../../attendance/api';
import { MarkOf, useChildren, useFormat } from '../../household';
import { useAppSelector } from '../../store';
import { DayStrip, MonthGrid, Row, styles, themed, useWide, Words } from '../../ui';
import { AwaySign } from './AwaySign';
import { loadOf, type ChildLoad, type DayLoad } from './dayOf';

/** Events that a wide cell names; more are counted. */
const namedEvents = 2;

/** Of one child alone there is room for the lessons of the day, as they were marked. */
function useStrips(studentId: string | null): ReadonlyMap<string, readonly DayMark[]> {
  const { data } = useDaysQuery(undefined, { skip: studentId === null });
  const own = data?.children.find((each) => each.studentId === studentId);
  return new Map((own?.days ?? []).map(({ on, marks }) => [on, marks]));
}

function Child({ load, alone }: { load: ChildLoad; alone: boolean }) {
  const looks = useLooks();
  const { studentId, open, cluster, away } = load;
  return (
    <Row space={0.25} style={own.day}>
      {alone ? null : <MarkOf studentId={studentId} size={16} />}
      {open > 0 ? (
        <View style={[looks.load, cluster && looks.cluster]}>
          <Words size="small" bold={cluster} colour={cluster ? 'paper' : 'ink'} style={own.number}>
            {open}
          </Words>
        </View>
      ) : null}
      {away && !alone ? <AwaySign marks={away} /> : null}
    </Row>
  );
}

/** Events as short lines on a phone, by name where there is room. */
function Others({ events }: { events: readonly CalendarEvent[] }) {
  const looks = useLooks();
  const wide = useWide();
  if (events.length === 0) return null;
  if (!wide) {
    return (
      <Row space={0.25} style={own.dots}>
        {events.slice(0, 3).map(({ key }) => (
          <View key={key} style={looks.entry} />
        ))}
      </Row>
    );
  }
  return (
    <View style={own.inset4}>
      {events.slice(0, namedEvents).map(({ key, title }) => (
        <Words key={key} size="small" lines={1} colour="soft">
          {title}
        </Words>
      ))}
      {events.length > namedEvents ? (
        <Words size="small" colour="soft">
          +{events.length - namedEvents}
        </Words>
      ) : null}
    </View>
  );
}

/** A day in words, for those who do not see its signs. */
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

/** A month at a glance: open work by child, absences, events; a touch opens the day beside or below it. */
export function MonthView({ month, chosen, calendar, events, onChoose }: MonthProps) {
  const looks = useLooks();
  const { shown } = useChildren();
  const words = useDayWords();
  const hidden = useAppSelector((state) => state.prefs.hiddenLayers);
  const ids = shown.map(({ id }) => id);
  const [one = null] = ids.length === 1 && !hidden.includes('attendance') ? ids : [];
  const strips = useStrips(one);
  const cell = (on: string, outside: boolean) => {
    const load = loadOf(events, calendar.clusters, ids, on);
    const strip = strips.get(on);
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
        <View style={styles.middle}>
          <Words
            bold={today}
            colour={outside ? 'soft' : 'ink'}
            style={today ? { textDecorationLine: 'underline' } : {}}
          >
            {Number(on.slice(8))}
          </Words>
        </View>
        {strip ? (
          <View aria-hidden style={styles.middle}>
            <DayStrip marks={strip} label="" size="tiny" />
          </View>
        ) : null}
        {load.children.map((child) => (
          <Child key={child.studentId} load={child} alone={ids.length === 1} />
        ))}
        <Others events={load.others} />
      </Pressable>
    );
  };
  return <MonthGrid month={month} cell={cell} />;
}

const own = StyleSheet.create({
  day: { justifyContent: 'center', height: 18 },
  number: { lineHeight: 18 },
  dots: { justifyContent: 'center', height: 8 },
  inset4: { paddingHorizontal: 4 },
});

const useLooks = themed((palette, wide) => ({
  load: { minWidth: 18, paddingHorizontal: 3, borderRadius: 3, alignItems: 'center' },
  cluster: { backgroundColor: palette.ink },
  entry: { width: 10, height: 3, backgroundColor: palette.soft },
  day: { minHeight: wide ? 104 : 80, paddingTop: 4, gap: 2, borderTopWidth: 1, borderColor: palette.line },
  closed: { backgroundColor: palette.sand },
  here: { outlineWidth: 2, outlineStyle: 'solid', outlineColor: palette.ink, borderRadius: 4 },
}));
