import { StyleSheet, View } from 'react-native';
import type { Calendar, CalendarEvent } from '@cadro/contract';
import { datesOf } from '@cadro/core';
import { useWide } from '../../ui';
import { DayEvents } from './DayEvents';
import { touches } from './dayOf';

/** A week day by day: below one another on a phone, two abreast where there is room. */
export function WeekView({ calendar, events }: { calendar: Calendar; events: readonly CalendarEvent[] }) {
  const wide = useWide();
  return (
    <View style={wide ? { flexDirection: 'row', flexWrap: 'wrap', columnGap: 40, rowGap: 24 } : { gap: 24 }}>
      {datesOf(calendar).map((on) => (
        <View key={on} style={wide ? { flexGrow: 1, flexBasis: 300, maxWidth: 560 } : {}}>
          <DayEvents on={on} events={events} clusters={calendar.clusters} short />
        </View>
      ))}
    </View>
  );
}

/** The next weeks, only the days on which something is still open. */
export function AgendaView({ calendar, events }: { calendar: Calendar; events: readonly CalendarEvent[] }) {
  const open = events.filter(({ settled }) => !settled);
  const days = datesOf(calendar).filter((date) => open.some((event) => touches(event, date)));
  return (
    <View style={own.week}>
      {days.map((on) => (
        <DayEvents key={on} on={on} events={open} clusters={calendar.clusters} short />
      ))}
    </View>
  );
}

const own = StyleSheet.create({
  week: { gap: 24, maxWidth: 720 },
});
