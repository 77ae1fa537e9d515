import { Link, type Href } from 'expo-router';
import { StyleSheet, Pressable, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { pageOfEvent, type CalendarEvent } from '@cadro/contract';
import { MarkOf, useChildren, useFormat } from '../../household';
import { OutLink, Row, styles, themed, Tick, Words } from '../../ui';
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
  const format = useFormat();
  const { startsAt, endsAt } = event;
  return (
    <View style={own.time}>
      {startsAt ? <Words size="small">{format.clock(startsAt)}</Words> : null}
      {endsAt ? (
        <Words size="small" colour="soft">
          {format.clock(endsAt)}
        </Words>
      ) : null}
    </View>
  );
}

/** When, whose and what. */
function Line({ event, timed, names }: { event: CalendarEvent; timed: boolean; names: readonly string[] }) {
  const subtitle = useSubtitle(event);
  const done = isDone(event);
  const { studentIds, title, layer } = event;
  return (
    <Row space={1} style={styles.top}>
      {timed ? <When event={event} /> : null}
      <Row space={0.25} style={own.sign}>
        {names.length > 0 ? studentIds.map((id) => <MarkOf key={id} studentId={id} />) : null}
      </Row>
      <View style={styles.fill}>
        <Words bold={!done && layer !== 'attendance'} colour={done ? 'soft' : 'ink'} style={done && own.done}>
          {title}
        </Words>
        <Words size="small" colour="soft">
          {subtitle}
        </Words>
      </View>
    </Row>
  );
}

/** What a screen reader says of it, in one breath. */
function useLabel(event: CalendarEvent, names: readonly string[]): string {
  const { t } = useTranslation();
  const format = useFormat();
  const subtitle = useSubtitle(event);
  const { startsAt, endsAt, title } = event;
  return [
    [startsAt, endsAt].flatMap((time) => (time === null ? [] : [format.clock(time)])).join(' – '),
    names.join(', '),
    title,
    subtitle,
    isDone(event) ? t('calendar.settled') : '',
  ]
    .filter(Boolean)
    .join(', ');
}

/**
 * One event of a day: when, whose, what, and the way on; an own reminder can be ticked off in place.
 * @param timed whether the day has times, for which there is a column then.
 */
export function EventRow({ event, timed }: { event: CalendarEvent; timed: boolean }) {
  const { t } = useTranslation();
  const looks = useLooks();
  const { nameOf, mayWrite, all } = useChildren();
  const [tick] = useTickEntryMutation();
  const { studentIds, title, settled, link, on, href, layer } = event;
  // The contract knows the pages by their addresses only.
  const page = pageOfEvent(event) as Href | null;
  const names = studentIds.length === all.length ? [] : studentIds.map(nameOf);
  const label = useLabel(event, names);
  const line = <Line event={event} timed={timed} names={names} />;
  return (
    <View style={looks.event}>
      <View style={styles.fill}>
        {page ? (
          <Link href={page} asChild>
            <Pressable role="link" aria-label={label} style={styles.touchable}>
              {line}
            </Pressable>
          </Link>
        ) : (
          <View style={styles.touchable}>{line}</View>
        )}
      </View>
      {href && layer !== 'due' ? <OutLink label={t('calendar.open')} href={href} /> : null}
      {link?.to === 'entry' && mayWrite(studentIds) ? (
        <Tick
          label={t('calendar.tick', { title })}
          on={settled}
          onChange={(done) => void tick({ entryId: link.entryId, on, as: done ? 'done' : 'open' })}
        />
      ) : null}
    </View>
  );
}

const own = StyleSheet.create({
  time: { width: 68 },
  done: { textDecorationLine: 'line-through' },
  sign: { minWidth: 22, paddingTop: 2 },
});

const useLooks = themed((palette) => ({
  event: { borderBottomWidth: 1, borderColor: palette.line, flexDirection: 'row', alignItems: 'center' },
}));
