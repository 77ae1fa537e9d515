import { useLocalSearchParams, useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Calendar, CalendarEvent } from '@cadro/contract';
import { useChildren, useFormat } from '../../household';
import { beginning, dayGiven } from '../../i18n';
import { useAppSelector } from '../../store';
import {
  Choice,
  Heading,
  IconAction,
  Loaded,
  Quietly,
  Row,
  Stack,
  styles,
  useWide,
  WayOn,
  WidePage,
} from '../../ui';
import { useCalendarQuery } from '../calendarApi';
import { DayEvents, dayTitle } from './DayEvents';
import { inSight } from './dayOf';
import { Layers } from './Layers';
import { MonthView } from './MonthView';
import { moved, rangeOf, viewNames, type ViewName } from './range';
import { Tray } from './Tray';
import { AgendaView, WeekView } from './WeekView';

interface Place {
  readonly view: ViewName;
  readonly on: string;
  readonly go: (to: { view?: ViewName; on?: string }) => void;
}

/** Which view, and of when: both stand in the address. */
function usePlace(): Place {
  const { today } = useFormat();
  const router = useRouter();
  const params = useLocalSearchParams<{ view?: string; on?: string }>();
  const view = viewNames.find((name) => name === params.view) ?? 'month';
  const on = dayGiven(params.on, today);
  return { view, on, go: (to) => router.setParams({ view, on, ...to }) };
}

function useTitle({ view, on }: Place): string {
  const { t } = useTranslation();
  const format = useFormat();
  if (view === 'month') return beginning(format.month(on));
  if (view === 'day') return dayTitle(t, format, on);
  const { from, to } = rangeOf(view, on);
  return format.span(from, to);
}

/** The places beside the calendar. */
function WaysOn() {
  const { t } = useTranslation();
  return (
    <Row wrap style={styles.spread}>
      <WayOn label={t('days.attendance')} href="/days/attendance" />
      <WayOn label={t('calendar.shopping')} href="/days/shopping" />
      <WayOn label={t('calendar.elsewhere')} href="/days/elsewhere" />
    </Row>
  );
}

function Shown({ calendar, place }: { calendar: Calendar; place: Place }) {
  const wide = useWide();
  const { shown } = useChildren();
  const hidden = useAppSelector((state) => state.prefs.hiddenLayers);
  const ids = shown.map(({ id }) => id);
  const events: CalendarEvent[] = inSight(calendar.events, ids, hidden);
  const { view, on, go } = place;
  const day = (
    <DayEvents
      {...{ on, events }}
      clusters={calendar.clusters}
      titled={view === 'day'}
      folded={!wide && view === 'month'}
    />
  );
  const tray = <Tray undated={calendar.undated} />;
  if (view === 'month') {
    return (
      <View style={[styles.columns, wide && styles.row]}>
        <View style={wide ? { flex: 5 } : {}}>
          <MonthView
            month={on.slice(0, 7)}
            chosen={on}
            calendar={calendar}
            events={events}
            onChoose={(date) => go({ on: date })}
          />
        </View>
        <View style={wide ? { flex: 2, gap: 32, maxWidth: 480 } : { gap: 32 }}>
          {day}
          {tray}
        </View>
      </View>
    );
  }
  return (
    <Stack space={4}>
      {view === 'week' ? (
        <WeekView calendar={calendar} events={events} />
      ) : view === 'agenda' ? (
        <AgendaView calendar={calendar} events={events} />
      ) : (
        <View style={styles.readable}>{day}</View>
      )}
      <View style={styles.readable}>{tray}</View>
    </Stack>
  );
}

/** When is what: a month, a week, a day or the next weeks over all children. */
export function CalendarScreen() {
  const { t } = useTranslation();
  const { today } = useFormat();
  const place = usePlace();
  const { view, on, go } = place;
  const title = useTitle(place);
  const wide = useWide();
  const query = useCalendarQuery(rangeOf(view, on));
  const views = (
    <Choice
      label={t('days.view')}
      options={viewNames.map((value) => ({ value, label: t(`calendar.views.${value}`) }))}
      value={view}
      onChange={(value) => go({ view: value })}
    />
  );
  return (
    <WidePage>
      <Row wrap={wide} style={own.bar}>
        <View style={styles.shrink}>
          <Heading level={1}>{title}</Heading>
        </View>
        <Row space={0}>
          {on === today ? null : <Quietly label={t('calendar.today')} onPress={() => go({ on: today })} />}
          <IconAction icon="back" label={t('days.earlier')} onPress={() => go({ on: moved(view, on, -1) })} />
          <IconAction icon="on" label={t('days.later')} onPress={() => go({ on: moved(view, on, 1) })} />
        </Row>
      </Row>
      {wide ? views : null}
      <Loaded query={query}>{(calendar) => <Shown calendar={calendar} place={place} />}</Loaded>
      {wide ? null : views}
      <Layers />
      <WaysOn />
    </WidePage>
  );
}

const own = StyleSheet.create({
  bar: { justifyContent: 'space-between', rowGap: 4 },
});
