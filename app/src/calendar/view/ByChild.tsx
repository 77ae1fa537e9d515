import { useTranslation } from 'react-i18next';
import type { CalendarEvent, Child } from '@cadro/contract';
import { MarkOf, useChildren } from '../../household';
import { List, Unfolding, WayOn } from '../../ui';
import { awayWord, hasTimes, isWork } from './dayOf';
import { EventRow } from './EventRow';

/** 'Three due · out': a child's day in few words. */
function useInShort(events: readonly CalendarEvent[]): { words: string; needsYou: boolean } {
  const { t } = useTranslation();
  const due = events.filter(isWork).length;
  const away = events.find(({ layer }) => layer === 'attendance')?.marks ?? null;
  const others = events.length - due - (away ? 1 : 0);
  const words = [
    ...(due > 0 ? [t('calendar.cell.due', { count: due })] : []),
    ...(away ? [t(`calendar.cell.${awayWord(away)}`)] : []),
    ...(others > 0 ? [t('calendar.cell.other', { count: others })] : []),
  ];
  return {
    words: words.join(' · ') || t('calendar.cell.nothing'),
    needsYou: (away?.unexplained ?? 0) > 0,
  };
}

interface ChildDay {
  readonly child: Child;
  readonly events: readonly CalendarEvent[];
  readonly on: string;
}

/** One child's day in a line, and all of it at a touch. */
function ChildLine({ child, events, on }: ChildDay) {
  const { t } = useTranslation();
  const { words, needsYou } = useInShort(events);
  const timed = hasTimes(events);
  return (
    <Unfolding
      mark={<MarkOf studentId={child.id} />}
      label={child.givenName}
      value={words}
      needsYou={needsYou}
    >
      <List>
        {events.map((event) => (
          <EventRow key={event.key} event={event} timed={timed} />
        ))}
      </List>
      <WayOn label={t('calendar.lessonsOf', { child: child.givenName })} href={`/days/${child.id}/${on}`} />
    </Unfolding>
  );
}

const isOf = ({ studentIds }: CalendarEvent, { id }: Child): boolean =>
  studentIds.length === 1 && studentIds[0] === id;

/** A full day, child by child; what is everybody's stands above. */
export function ByChild({ events, on }: { events: readonly CalendarEvent[]; on: string }) {
  const { shown } = useChildren();
  const common = events.filter((event) => !shown.some((child) => isOf(event, child)));
  const timed = hasTimes(common);
  return (
    <List>
      {common.map((event) => (
        <EventRow key={event.key} event={event} timed={timed} />
      ))}
      {shown.map((child) => (
        <ChildLine
          key={child.id}
          child={child}
          events={events.filter((event) => isOf(event, child))}
          on={on}
        />
      ))}
    </List>
  );
}
