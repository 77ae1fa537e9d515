import type { Child, DigestContent } from '@cadro/contract';
import {
  dateIn,
  dayMs,
  daysAfter,
  digestChild,
  digestDueOn,
  fitDigest,
  isEmptyDigest,
  nextDigestMs,
  type ChildFacts,
} from '@cadro/core';
import { restrictedAmong } from '../../household';
import { groupBy, personalDb, type Db, type Deps } from '../../kit';
import { wholeOf } from '../../records';
import { keepDigests, lastDigests, putTurns, takeTurns, type NewDigest, type Rhythm } from './digestStore';
import { factsNow } from '../histories';
import { putOut, type Outgoing } from '../delivery/outboxStore';
import { silencesOf, type SilenceRow } from '../store';
import { watchesOf, type Watch } from '../watchStore';

const daysOf: Readonly<Record<Rhythm, number>> = { daily: 1, weekly: 7 };

/** What digests of one rhythm are made from: loaded once for all whose digest is due. */
interface Material {
  readonly now: Date;
  readonly days: number;
  readonly facts: (watch: Watch) => ChildFacts;
  readonly silences: readonly SilenceRow[];
}

async function materialFor(db: Db, watches: readonly Watch[], now: Date, days: number): Promise<Material> {
  const studentIds = [...new Set(watches.map(({ studentId }) => studentId))];
  const guardianIds = [...new Set(watches.map(({ settings }) => settings.guardianId))];
  const [facts, silences] = await Promise.all([
    factsNow(db, wholeOf(studentIds), now, days * dayMs),
    silencesOf(db, guardianIds),
  ]);
  return { now, days, facts, silences };
}

/** What a digest of some days up to now says of a guardian's children. */
function digestOf(watches: readonly Watch[], { now, days, facts, silences }: Material): DigestContent {
  const settings = watches[0]?.settings;
  const own = silences.filter(({ guardianId }) => guardianId === settings?.guardianId);
  const toOn = dateIn(settings?.delivery.timeZone ?? 'UTC', now);
  return {
    fromOn: daysAfter(toOn, 1 - days),
    toOn,
    madeAt: now.toISOString(),
    children: fitDigest(
      watches.map((watch) =>
        digestChild(facts(watch), {
          givenName: watch.givenName,
          rules: watch.settings.rules,
          silences: own,
          sinceMs: now.getTime() - days * dayMs,
        }),
      ),
    ),
  };
}

/** The digest as it would be now, for the app: of a day where that is the guardian's rhythm, else of a week. */
export async function digestNow(
  { db, clock }: Deps,
  guardianId: string,
  children: readonly Child[],
): Promise<DigestContent & { id: null; rhythm: Rhythm }> {
  const watches = await watchesOf(db, { guardianIds: [guardianId] });
  const shown = watches.filter(({ studentId }) => children.some(({ id }) => id === studentId));
  const rhythm = shown[0]?.settings.delivery.digest === 'daily' ? 'daily' : 'weekly';
  const material = await materialFor(db, shown, await clock.now(), daysOf[rhythm]);
  return { ...digestOf(shown, material), id: null, rhythm };
}

interface Due {
  readonly watches: readonly Watch[];
  readonly settings: Watch['settings'];
  readonly rhythm: Rhythm;
  readonly dueOn: string;
}

/** Of some guardians those whose digest is due and has not been made. One who has never been looked at has nothing to digest. */
async function dueOf(db: Db, byGuardian: ReadonlyMap<string, readonly Watch[]>, now: Date): Promise<Due[]> {
  const last = await lastDigests(db, [...byGuardian.keys()]);
  return [...byGuardian].flatMap(([guardianId, all]): Due[] => {
    const watches = all.filter(({ lookedAt }) => lookedAt !== null);
    const settings = watches[0]?.settings;
    if (!settings || settings.delivery.digest === 'none') return [];
    const dueOn = digestDueOn(now.getTime(), settings.delivery);
    // A clock that was set back asks for nothing again.
    if (!dueOn || dueOn <= (last.get(guardianId) ?? '')) return [];
    // Days before the first link are nobody's news.
    const linkedAt = new Date(Math.min(...watches.map((watch) => watch.linkedAt.getTime())));
    if (dueOn <= dateIn(settings.delivery.timeZone, linkedAt)) return [];
    return [{ watches, settings, rhythm: settings.delivery.digest, dueOn }];
  });
}

/** So many guardians' digests are made from one load of their children's histories. */
const digestsAtOnce = 100;

const outOf = ({ guardianId, dueOn }: NewDigest, digestId: string): Outgoing => ({
  ...{ guardianId, channel: 'mail', about: 'digest', alertId: null, digestId },
  ...{ key: `digest:${dueOn}`, told: [], notBefore: null },
});

async function makeSome({ db }: Deps, due: readonly Due[], rhythm: Rhythm, now: Date): Promise<void> {
  const material = await materialFor(
    db,
    due.flatMap(({ watches }) => watches),
    now,
    daysOf[rhythm],
  );
  const digests = due.map(({ watches, settings, dueOn }) => ({
    ...{ guardianId: settings.guardianId, dueOn, rhythm },
    content: digestOf(watches, material),
  }));
  const silent = new Set(
    due.flatMap(({ settings: { guardianId, delivery } }, index) =>
      isEmptyDigest(digests[index]?.content.children ?? []) && delivery.emptyDigest === 'none'
        ? [guardianId]
        : [],
    ),
  );
  await db.transaction(async (trx) => {
    const made = await keepDigests(trx, digests);
    const out = digests.flatMap((digest) => {
      const id = made.get(digest.guardianId);
      return id && !silent.has(digest.guardianId) ? [outOf(digest, id)] : [];
    });
    await putOut(trx, out, now);
  });
}

async function makeDue(deps: Deps, all: readonly Due[], now: Date): Promise<void> {
  const studentIds = all.flatMap(({ watches }) => watches.map(({ studentId }) => studentId));
  const restricted = new Set(await restrictedAmong(deps.db, [...new Set(studentIds)]));
  // From whom the school holds something back: theirs is made of what they see.
  for (const each of all.filter(({ settings }) => restricted.has(settings.guardianId))) {
    const own = { ...deps, db: personalDb(deps.db, each.settings.guardianId) };
    await makeSome(own, [each], each.rhythm, now);
  }
  const due = all.filter(({ settings }) => !restricted.has(settings.guardianId));
  for (const [rhythm, some] of groupBy(due, (each) => each.rhythm)) await makeSome(deps, some, rhythm, now);
}

/** When the digest of somebody who is told of nobody just now is looked for. */
const inADay = (now: Date): Date => new Date(now.getTime() + dayMs);

/**
 * Makes the digests that are due and puts them out; one for each guardian and day, whoever asks and how often. Only whose
 * turn it is are looked at, some at a time; several processes share them.
 */
export async function makeDigests(deps: Deps): Promise<void> {
  const now = await deps.clock.now();
  for (;;) {
    const turns = await takeTurns(deps.db, now, digestsAtOnce);
    if (turns.length === 0) return;
    const guardianIds = turns.map(({ guardianId }) => guardianId);
    const byGuardian = groupBy(await watchesOf(deps.db, { guardianIds }), (each) => each.settings.guardianId);
    await makeDue(deps, await dueOf(deps.db, byGuardian, now), now);
    const nextOf = (guardianId: string): Date | null => {
      const delivery = byGuardian.get(guardianId)?.[0]?.settings.delivery;
      if (!delivery) return inADay(now);
      const next = nextDigestMs(now.getTime(), delivery);
      return next === null ? null : new Date(Math.max(next, now.getTime() + 60_000));
    };
    await putTurns(
      deps.db,
      turns.map((turn) => ({ ...turn, next: nextOf(turn.guardianId) })),
    );
  }
}
