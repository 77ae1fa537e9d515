import type { TFunction } from 'i18next';
import type { ItemDetail } from '@cadro/contract';
import { byCodePoint } from '@cadro/core';
import type { Format } from '../i18n';
import { frameOf, type StoryPoint } from '../ui';
import { stateWords } from './words';

/** Assigned → due → every change of the record → today → last day: the points of a work's story, in order. */
export function storyPoints(t: TFunction, format: Format, item: ItemDetail, now: string): StoryPoint[] {
  const { assignedAt, dueAt, acceptedUntil, history, looseEnd, state } = item;
  const points: (StoryPoint & { at: string })[] = [];
  const add = (at: string, point: Omit<StoryPoint, 'when'> & { when?: string }) =>
    points.push({ at, when: format.day(at), ...point });
  if (assignedAt) add(assignedAt, { key: 'assigned', what: t('item.assigned'), frame: 'nothing' });
  if (dueAt) {
    const count = assignedAt ? format.daysBetween(assignedAt, dueAt) : 0;
    add(dueAt, {
      key: 'due',
      when: format.dayTime(dueAt),
      what: t('item.dueHad', { count }),
      frame: 'nothing',
      ahead: dueAt > now,
    });
  }
  history.forEach((change, index) => {
    if (!change.at) return;
    const what =
      change.status === 'scored' && change.earned !== null
        ? t('item.becameScored', {
            earned: format.amount(change.earned),
            possible: format.amount(item.possible),
          })
        : t('item.became', { state: t(`item.states.${change.status}`) });
    add(change.at, {
      key: `change-${index}`,
      what,
      frame: frameOf(change.status, null),
      needsYou: change.status === 'missing' || change.status === 'incomplete',
    });
  });
  const needsYou = looseEnd !== null && looseEnd.kind !== 'unmarked';
  if (looseEnd || state.status === 'open') {
    add(now, {
      key: 'today',
      what: t('item.today', { state: stateWords(t, item) }),
      frame: frameOf(state.status, looseEnd?.kind ?? null),
      needsYou,
    });
  }
  if (acceptedUntil) {
    add(acceptedUntil, {
      key: 'last',
      what: t('item.lastDay'),
      frame: 'nothing',
      ahead: acceptedUntil > now,
    });
  }
  return points.sort((a, b) => byCodePoint(a.at, b.at));
}
