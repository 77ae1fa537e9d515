import { isDeepStrictEqual } from 'node:util';
import { channels, type AlertDelivery } from '@cadro/contract';
import {
  dateIn,
  isSilenced,
  lookAtChild,
  nextLooks,
  soonest,
  step,
  underCap,
  upkeepSignals,
  type AlertState,
  type ChildFacts,
  type LookedAt,
  type Telling,
} from '@cadro/core';
import { readNewComments } from '../gradebook';
import { restrictedAmong } from '../household';
import {
  groupBy,
  houseOf,
  houseWithin,
  oneAtATime,
  personalDb,
  startOfDay,
  type Db,
  type Deps,
  type Trx,
} from '../kit';
import { isWhole, studentsIn, wholeOf, type PartOfRecord } from '../records';
import { factsNow } from './histories';
import { putOut, toldSince, type Outgoing } from './delivery/outboxStore';
import { forgetNext, saveLooks, saveNext, type NextOf } from './lookStore';
import { lastStates, notify, saveStates, silencesOf, type KeptAlert } from './store';
import { guardianSources, guardiansToLookAt, watchesOf, type Settings, type Watch } from './watchStore';

/** What a look came to for one guardian. */
interface Looked {
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
async function keep(
  trx: Trx,
  looks: readonly Looked[],
  about: readonly string[] | null,
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
    const alerts = await lastStates(trx, { guardianIds, studentIds: about });
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

/**
 * Looks at children for everyone who is told about them: a bounded number of queries, however many children. The first
 * look of a guardian at a child takes in what is there. One that lies before the last, because the clock was set back,
 * waits until the time is reached again.
 * @param quietFor a guardian for whom what is there is only taken in: their rules have changed, and what those find
 * that was so before is no news.
 */
export const lookAtChildren = (
  deps: Deps,
  studentIds: readonly string[],
  quietFor: string | null = null,
): Promise<void> => lookAtParts(deps, wholeOf(studentIds), quietFor);

/** Looks at what is meant of children likewise; what lies elsewhere in their records stays as it was. */
export async function lookAtParts(
  deps: Deps,
  parts: readonly PartOfRecord[],
  quietFor: string | null = null,
): Promise<void> {
  if (parts.length === 0) return;
  const now = await deps.clock.now();
  const house = houseOf(deps.db);
  const restricted = new Set(await restrictedAmong(house, studentsIn(parts)));
  const wanted = (guardianId: string) => quietFor === null || guardianId === quietFor;
  const by = (db: Db, whose: (guardianId: string) => boolean, forgets: boolean) =>
    lookFor(db, parts, now, { whose, quiet: quietFor !== null, forgets });
  // What was next to be said is reckoned anew for everyone together.
  await by(house, (guardianId) => wanted(guardianId) && !restricted.has(guardianId), quietFor === null);
  // From whom the school holds something back, the look sees what they see.
  for (const guardianId of [...restricted].filter(wanted))
    await by(personalDb(house, guardianId), (id) => id === guardianId, false);
}

/** A link that was taken up again begins anew. */
const isFirst = ({ lookedAt, linkedAt }: Watch): boolean => lookedAt === null || lookedAt < linkedAt;

/** Whose alert it is, and about whom. */
const stateOf = ({ guardianId, studentId }: Pick<KeptAlert, 'guardianId' | 'studentId'>): string =>
  `${guardianId}:${studentId ?? ''}`;

/** A first look takes in all of a child, or what it leaves out would be news afterwards. */
function widened(parts: readonly PartOfRecord[], watches: readonly Watch[]): PartOfRecord[] {
  const first = new Set(watches.filter(isFirst).map(({ studentId }) => studentId));
  const watched = new Set(watches.map(({ studentId }) => studentId));
  return parts
    .filter(({ studentId }) => watched.has(studentId))
    .flatMap((part) => (first.has(part.studentId) ? wholeOf([part.studentId]) : [part]));
}

const lookedAtIn = ({ courses, attendance }: PartOfRecord): LookedAt | null =>
  courses && { courses: new Set(courses), attendance };

async function lookFor(
  db: Db,
  meant: readonly PartOfRecord[],
  now: Date,
  ask: {
    readonly whose: (guardianId: string) => boolean;
    readonly quiet: boolean;
    readonly forgets: boolean;
  },
): Promise<void> {
  const { whose, quiet, forgets } = ask;
  const studentIds = studentsIn(meant);
  await db.transaction(async (trx) => {
    await oneAtATime(trx, studentIds);
    const watches = (await watchesOf(trx, { studentIds })).filter(
      ({ lookedAt, settings }) => (lookedAt === null || lookedAt <= now) && whose(settings.guardianId),
    );
    if (watches.length === 0) return;
    const guardianIds = [...new Set(watches.map(({ settings }) => settings.guardianId))];
    const parts = widened(meant, watches);
    const partOf = new Map(parts.map((part) => [part.studentId, lookedAtIn(part)]));
    const watched = studentsIn(parts);
    // What is read out of comments is read for everybody.
    await houseWithin(trx, () => readNewComments(trx, studentsIn(parts.filter(isWhole))));
    const facts = await factsNow(trx, parts, now);
    const states = groupBy(await lastStates(trx, { guardianIds, studentIds: watched }), stateOf);
    const silences = groupBy(await silencesOf(trx, guardianIds), ({ guardianId }) => guardianId);
    const looks = watches.map((watch): Looked => {
      const { settings, studentId } = watch;
      const before = states.get(stateOf({ guardianId: settings.guardianId, studentId })) ?? [];
      const looked = lookAtChild(before, facts(watch), {
        rules: settings.rules,
        silences: silences.get(settings.guardianId) ?? [],
        first: quiet || isFirst(watch),
        part: partOf.get(studentId) ?? null,
      });
      return { settings, before, ...looked };
    });
    await keep(trx, looks, watched, now);
    const whole = watches.filter(({ studentId }) => partOf.get(studentId) === null);
    await saveLooks(
      trx,
      whole.map(({ studentId, settings }) => ({ studentId, guardianId: settings.guardianId })),
      now,
    );
    if (forgets) await forgetNext(trx, parts);
    await saveNext(trx, nextOf(watches, facts));
  });
}

/** When something is next to be said of each of the children, to whichever of those who are told. */
function nextOf(watches: readonly Watch[], facts: (watch: Watch) => ChildFacts): NextOf[] {
  const first = new Map<string, NextOf>();
  for (const watch of watches) {
    const { studentId, settings } = watch;
    for (const next of nextLooks(facts(watch), settings.rules)) {
      const key = `${studentId}:${next.courseId ?? ''}`;
      const known = first.get(key);
      if (!known || next.atMs < known.atMs) first.set(key, { studentId, ...next });
    }
  }
  return [...first.values()];
}

async function lookAtSome(db: Db, ids: readonly string[], now: Date): Promise<void> {
  const watches = await watchesOf(db, { guardianIds: ids });
  const byGuardian = new Map(watches.map(({ settings }) => [settings.guardianId, settings]));
  const sources = groupBy(await guardianSources(db, ids), (row) => row.guardian_id);
  await db.transaction(async (trx) => {
    await oneAtATime(trx, ['guardians']);
    const states = groupBy(
      await lastStates(trx, { guardianIds: ids, studentIds: null }),
      ({ guardianId }) => guardianId,
    );
    const silences = groupBy(await silencesOf(trx, ids), ({ guardianId }) => guardianId);
    const looks = [...byGuardian.values()].map((settings): Looked => {
      const { guardianId, rules, delivery } = settings;
      const own = sources.get(guardianId) ?? [];
      const before = states.get(guardianId) ?? [];
      const signals = upkeepSignals(
        {
          guardianId,
          asOfMs: now.getTime(),
          lookedAt: own[0]?.looked_at?.toISOString() ?? null,
          sources: own.map((row) => ({
            id: row.source_id,
            name: row.name,
            readAt: row.read_at.toISOString(),
          })),
        },
        rules.rules,
      );
      const quiet = silences.get(guardianId) ?? [];
      const today = dateIn(delivery.timeZone, now);
      const looked = step({
        states: before,
        signals,
        asOfMs: now.getTime(),
        silenced: (subject) => isSilenced(subject, quiet, today),
        first: false,
      });
      return { settings, before, ...looked };
    });
    await keep(trx, looks, null, now);
  });
}

/** So many guardians are looked at together. */
const guardiansAtOnce = 200;

/**
 * Looks at what concerns guardians themselves: silent sources, and looks that were not taken. Only at whom something may
 * be said to, or is no longer to be said to.
 */
export async function lookAtGuardians({ db, clock }: Deps): Promise<void> {
  const now = await clock.now();
  let after: string | null = null;
  for (;;) {
    const ids: string[] = await guardiansToLookAt(db, { now, after, most: guardiansAtOnce });
    if (ids.length > 0) await lookAtSome(db, ids, now);
    if (ids.length < guardiansAtOnce) return;
    after = ids.at(-1) ?? null;
  }
}
