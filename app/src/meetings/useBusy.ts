import { useTranslation } from 'react-i18next';
import type { Between } from '@cadro/contract';
import { busyIn, daysAfter, type Stretch } from '@cadro/core';
import { useFormat } from '../household';
import { useBusyQuery } from './api';

/** So many days ahead times are looked for. */
const daysAhead = 28;

const stretchOf = ({ startsAt, endsAt }: Between): Stretch => ({
  fromMs: Date.parse(startsAt),
  toMs: Date.parse(endsAt),
});

/** The days from one to another. */
const daysBetween = (from: string, to: string): string[] =>
  from > to ? [] : [from, ...daysBetween(daysAfter(from, 1), to)];

/** Who at home has something when, and how one says it of a time; null while it is not known. */
export function useBusy() {
  const { t } = useTranslation();
  const format = useFormat();
  const { data } = useBusyQuery({ from: format.today, to: format.daysAhead(daysAhead) });
  if (!data) return null;
  const people = data.people.map(({ name, busy }, at) => ({
    name: at === 0 ? t('meeting.you') : (name.split(' ')[0] ?? name),
    busy: busy.map(stretchOf),
  }));
  /** The days on which a child's school is shut. */
  const closedFor = (studentId: string): Set<string> =>
    new Set(
      data.closed
        .filter(({ studentIds }) => studentIds.includes(studentId))
        .flatMap(({ on, lastOn }) => daysBetween(on, lastOn)),
    );
  return {
    people,
    closedFor,
    /** Whether everybody at home is free at a time, or who is not. */
    said: (between: Between): string => {
      const names = busyIn(stretchOf(between), people);
      if (names.length > 0) return t('meeting.busy', { names: format.list(names) });
      return t(people.length > 1 ? 'meeting.everybodyFree' : 'meeting.youFree');
    },
  };
}
