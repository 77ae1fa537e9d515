import { useState } from 'react';
import { View } from 'react-native';
import type { TFunction } from 'i18next';
import { useTranslation } from 'react-i18next';
import type { Calendar, CalendarEvent } from '@cadro/contract';
import { useChildren, useFormat } from '../../household';
import { type Format } from '../../i18n';
import { Heading, List, Quiet, Quietly, Row, Stack, styles, WayOn, Words } from '../../ui';
import { hasTimes, parted, touches } from './dayOf';
import { ByChild } from './ByChild';
import { EventRow } from './EventRow';

/** More things on a day than these are many. */
const few = 4;

/** 'Much for Isolde: 7 works, 3 of them tests.' */
function Clusters({ clusters, on }: { clusters: Calendar['clusters']; on: string }) {
  const { t } = useTranslation();
  const { shown, nameOf } = useChildren();
  const own = clusters.filter((each) => each.on === on && shown.some(({ id }) => id === each.studentId));
  return own.map(({ studentId, count, tests }) => (
    <Words key={studentId} bold>
      {[
        t('calendar.cluster', { child: nameOf(studentId), count }),
        ...(tests > 0 ? [t('calendar.clusterTests', { count: tests })] : []),
      ].join(', ')}
      .
    </Words>
  ));
}

function Settled({ events }: { events: readonly CalendarEvent[] }) {
  const timed = hasTimes(events);
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  if (events.length === 0) return null;
  return (
    <View>
      <Quietly
        label={t(open ? 'calendar.hideSettled' : 'calendar.showSettled', { count: events.length })}
        onPress={() => setOpen(!open)}
        open={open}
      />
      {open ? (
        <List>
          {events.map((event) => (
            <EventRow key={event.key} event={event} timed={timed} />
          ))}
        </List>
      ) : null}
    </View>
  );
}

/** 'Today, Wednesday 21 October'. */
export const dayTitle = (t: TFunction, format: Format, on: string): string =>
  on === format.today ? t('calendar.todayIs', { day: format.dayLong(on) }) : format.dayLong(on);

/** One day: what is open first, what is settled folded; the children's lessons one step further. */
export function DayEvents({
  on,
  events,
  clusters,
  short,
  titled,
  folded,
}: {
  on: string;
  events: readonly CalendarEvent[];
  clusters: Calendar['clusters'];
  /** Without the ways on, for a list of many days. */
  short?: boolean;
  /** The page's title names the day. */
  titled?: boolean;
  /** A full day of several children stands child by child. */
  folded?: boolean;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const { shown, mayWrite } = useChildren();
  const day = events.filter((event) => touches(event, on));
  const { open, settled } = parted(day);
  const timed = hasTimes(open);
  const byChild = folded && shown.length > 1 && open.length > few;
  return (
    <Stack space={0.5}>
      {titled ? null : <Heading level={short ? 3 : 2}>{dayTitle(t, format, on)}</Heading>}
      <Clusters clusters={clusters} on={on} />
      <View>
        {byChild ? (
          <ByChild key={on} events={open} on={on} />
        ) : (
          <List>
            {open.map((event) => (
              <EventRow key={event.key} event={event} timed={timed} />
            ))}
          </List>
        )}
      </View>
      {day.length === 0 ? <Quiet>{t('calendar.nothing')}</Quiet> : null}
      <Settled key={on} events={settled} />
      {short ? null : (
        <Row wrap style={styles.spread}>
          {byChild
            ? null
            : shown.map(({ id, givenName }) => (
                <WayOn
                  key={id}
                  label={t('calendar.lessonsOf', { child: givenName })}
                  href={`/days/${id}/${on}`}
                />
              ))}
          {mayWrite([]) ? <WayOn label={t('calendar.write')} href={`/days/entries/new?on=${on}`} /> : null}
        </Row>
      )}
    </Stack>
  );
}
