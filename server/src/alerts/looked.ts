import { isDeepStrictEqual } from 'node:util';
import { channels, type AlertDelivery } from '@cadro/contract';
import { dateIn, soonest, underCap, type AlertState, type Telling } from '@cadro/core';
import { groupBy, oneAtATime, startOfDay, type Trx } from '../kit';
import type { PartOfRecord } from '../records';
import { putOut, toldSince, type Outgoing } from './delivery/outboxStore';
import { lastStates, notify, saveStates, type KeptAlert } from './store';
import type { Settings } from './watchStore';

/** What a look came to for one guardian. */
export interface Looked {
  readonly settings: Settings;
  readonly before: readonly KeptAlert[];
  readonly states: readonly AlertState[];
  readonly tellings: readonly Telling[];
}

const instants = ['raisedAt', 'toldAt', 'newsAt', 'overAt'] as const;

/** Whether nothing of an alert has changed, however its instants are written. */
const sameState = (a: AlertState, b: AlertState): boolean =>
  instants.every((name) => Date.parse(a[name] ?? '') === Date.parse(b[name] ?? '') || a[name] === b[name]) &&
  isDeepStrictEqual([a.reasons, a.known, a.told, a.courseTitle], [b.reasons, b.known, b.told, b.courseTitle]);

function changesOf({ settings, before, states }: Looked) {
  const known = new Map(before.map((state) => [`${state.key}#${state.episode}`, state]));
  return states.flatMap((state) => {
    const was = known.get(`${state.key}#${state.episode}`);
    return was && sameState(was, state) ? [] : [{ guardianId: settings.guardianId, state }];
  });
}

const startOfToday = ({ timeZone }: AlertDelivery, now: Date): Date =>
  startOfDay(dateIn(timeZone, now), timeZone);

/** What goes out of one guardian's tellings, by the channels of its kind, up to the cap of the day. */
function outgoing(
  settings: Settings,
  tellings: readonly (Telling & { readonly alert: KeptAlert })[],
  ask: { readonly now: Date; readonly told: number },
): Outgoing[] {
  const { guardianId, delivery, rules } = settings;
  if (!delivery.atOnce) return [];
  const there = { mail: true, text: delivery.phone !== null, push: settings.pushed };
  const wanted = tellings
    .map((telling) => ({ ...telling, kind: telling.alert.kind, ways: delivery.ways[telling.alert.kind] }))
    .filter(({ ways }) => channels.some((channel) => ways[channel] && there[channel]));
  const notBefore = new Date(soonest(ask.now.getTime(), delivery));
  return underCap(wanted, { told: ask.told, perDay: rules.capPerDay }).now.flatMap(
    ({ alert, reasonIds, ways }) =>
      channels
        .filter((channel) => ways[channel] && there[channel])
        .map((channel) => ({
          guardianId,
          channel,
          about: 'alert' as const,
          alertId: alert.id,
          digestId: null,
          key: `alert:${alert.id}:${alert.toldAt ?? ''}`,
          told: reasonIds,
          notBefore,
        })),
  );
}

/** Puts down what looks came to, what is to go out of it, and that it has changed: all of it or none. */
export async function keep(
  trx: Trx,
  looks: readonly Looked[],
  about: readonly PartOfRecord[] | null,
  now: Date,
): Promise<void> {
  const changes = looks.flatMap(changesOf);
  await saveStates(trx, changes);
  const telling = looks.filter(({ tellings }) => tellings.length > 0);
  const guardianIds = [...new Set(telling.map(({ settings }) => settings.guardianId))];
  if (guardianIds.length > 0) {
    // Two children of one guardian may be looked at in two processes: the cap of the day is counted one after the other.
    await oneAtATime(
      trx,
      guardianIds.map((guardianId) => `cap:${guardianId}`),
    );
    const alerts = await lastStates(trx, { guardianIds, about });
    const byKey = new Map(alerts.map((alert) => [`${alert.guardianId}:${alert.key}`, alert]));
    const days = new Map(
      telling.map(({ settings }) => [settings.guardianId, startOfToday(settings.delivery, now)]),
    );
    const told = await toldSince(
      trx,
      [...days].map(([guardianId, since]) => ({ guardianId, since })),
    );
    const tellingOf = groupBy(telling, ({ settings }) => settings.guardianId);
    const out = guardianIds.flatMap((guardianId) => {
      const own = tellingOf.get(guardianId) ?? [];
      const settings = own[0]?.settings;
      const all = own.flatMap(({ tellings }) =>
        tellings.flatMap((each) => {
          const alert = byKey.get(`${guardianId}:${each.key}`);
          return alert ? [{ ...each, alert }] : [];
        }),
      );
      return settings ? outgoing(settings, all, { now, told: told.get(guardianId) ?? 0 }) : [];
    });
    await putOut(trx, out, now);
  }
  await notify(trx, [...new Set(changes.map(({ guardianId }) => guardianId))], 'news');
}
