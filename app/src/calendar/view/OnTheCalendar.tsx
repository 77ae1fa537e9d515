import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { CalendarLayer } from '@cadro/contract';
import { useChildren, useFormat } from '../../household';
import { Heading, Stack, WayOn, Words } from '../../ui';
import { useCalendarQuery } from '../calendarApi';
import { inSight, touches } from './dayOf';
import { dayTitle } from './DayEvents';
import { EventRow } from './EventRow';

/** What the Brief tells of itself: work, absences and what is in hand. */
const told: readonly CalendarLayer[] = ['due', 'test', 'offer', 'attendance', 'look-again'];

/** Today and tomorrow beside the work: reminders, events, meetings, days without school. Nothing when there is none. */
export function OnTheCalendar() {
  const { t } = useTranslation();
  const format = useFormat();
  const { shown } = useChildren();
  const days = [format.today, format.daysAhead(1)];
  const { data } = useCalendarQuery({ from: format.today, to: format.daysAhead(1) });
  const ids = shown.map(({ id }) => id);
  const events = inSight(data?.events ?? [], ids, told).filter(({ settled }) => !settled);
  if (events.length === 0) return null;
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('calendar.soon')}</Heading>
      {days.map((on) => {
        const own = events.filter((event) => touches(event, on));
        if (own.length === 0) return null;
        return (
          <View key={on}>
            <Words size="small" colour="soft">
              {dayTitle(t, format, on)}
            </Words>
            {own.map((event) => (
              <EventRow key={event.key} event={event} timed={own.some(({ startsAt }) => startsAt !== null)} />
            ))}
          </View>
        );
      })}
      <WayOn label={t('calendar.openDays')} href="/days" />
    </Stack>
  );
}
