import { Link, type Href } from 'expo-router';
import { Pressable, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { pageOfEvent, type CalendarEvent } from '@cadro/contract';
import { MarkOf, useChildren, useFormat } from '../../household';
import { OutLink, Row, Tick, touch, usePalette, Words } from '../../ui';
import { useTickEntryMutation } from '../calendarApi';
import { isDone } from './dayOf';

/** 'Test · Kelp chemistry · Hall': what it is, beside its title. */
function useSubtitle(event: CalendarEvent): string {
  const { t } = useTranslation();
  const format = useFormat();
  const { layer, detail, place, on, lastOn } = event;
  return [
    t(`calendar.layer.${layer}`),
    ...(lastOn > on ? [format.span(on, lastOn)] : []),
    ...(layer === 'attendance' ? [t('calendar.seeCost')] : []),
    ...(detail ? [detail] : []),
    ...(place ? [place] : []),
  ].join(' · ');
}

function When({ event }: { event: CalendarEvent }) {
  const { startsAt, endsAt } = event;
  return (
    <View style={{ width: 48 }}>
      {startsAt ? <Words size="small">{startsAt}</Words> : null}
      {endsAt ? (
        <Words size="small" colour="soft">
          {endsAt}
        </Words>
      ) : null}
    </View>
  );
}

/**
 * One event of a day: when, whose, what, and the way on; an own reminder can be ticked off in place.
 * @param timed whether the day has times, for which there is a column then.
 */
export function EventRow({ event, timed }: { event: CalendarEvent; timed: boolean }) {
  const { t } = useTranslation();
  const palette = usePalette();
  const { nameOf, mayWrite, all } = useChildren();
  const [tick] = useTickEntryMutation();
  const { studentIds, title, settled, link, on, href, layer } = event;
  const subtitle = useSubtitle(event);
  const done = isDone(event);
  // The contract knows the pages by their addresses only.
  const page = pageOfEvent(event) as Href | null;
  const names = studentIds.length === all.length ? [] : studentIds.map(nameOf);
  const label = [
    event.startsAt ?? '',
    ...(names.length > 0 ? [names.join(', ')] : []),
    title,
    subtitle,
    ...(done ? [t('calendar.settled')] : []),
  ]
    .filter(Boolean)
    .join(', ');
  const line = (
    <Row space={1} style={{ alignItems: 'flex-start' }}>
      {timed ? <When event={event} /> : null}
      <Row space={0.25} style={{ minWidth: 22, paddingTop: 2 }}>
        {names.length > 0 ? studentIds.map((id) => <MarkOf key={id} studentId={id} />) : null}
      </Row>
      <View style={{ flex: 1 }}>
        <Words
          bold={!done && layer !== 'attendance'}
          colour={done ? 'soft' : 'ink'}
          style={done ? { textDecorationLine: 'line-through' } : {}}
        >
          {title}
        </Words>
        <Words size="small" colour="soft">
          {subtitle}
        </Words>
      </View>
    </Row>
  );
  const ticks = link?.to === 'entry' && mayWrite(studentIds);
  return (
    <View
      style={{ borderBottomWidth: 1, borderColor: palette.line, flexDirection: 'row', alignItems: 'center' }}
    >
      <View style={{ flex: 1 }}>
        {page ? (
          <Link href={page} asChild>
            <Pressable
              role="link"
              aria-label={label}
              style={{ minHeight: touch, paddingVertical: 8, justifyContent: 'center' }}
            >
              {line}
            </Pressable>
          </Link>
        ) : (
          <View style={{ minHeight: touch, paddingVertical: 8, justifyContent: 'center' }}>{line}</View>
        )}
      </View>
      {href && layer !== 'due' ? <OutLink label={t('calendar.open')} href={href} /> : null}
      {ticks ? (
        <Tick
          label={t('calendar.tick', { title })}
          on={settled}
          onChange={(done) => void tick({ entryId: link.entryId, on, as: done ? 'done' : 'open' })}
        />
      ) : null}
    </View>
  );
}
