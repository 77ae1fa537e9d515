import type { Child, DigestContent } from '@cadro/contract';
import { dateIn, daysAfter, digestChild, digestDueOn, factsAt, fitDigest, isEmptyDigest } from '@cadro/core';
import type { Clock, Db } from '../db';
import { historiesOf } from './histories';
import { putOut } from './outbox';
import { silencesOf } from './store';
import { watchesOf, type Watch } from './watchers';

interface Deps {
  readonly db: Db;
  readonly clock: Clock;
}

const dayMs = 24 * 60 * 60 * 1000;
const daysOf = { daily: 1, weekly: 7 } as const;

/** What a digest of some days up to an instant says of a guardian's children. */
export async function digestFor(
  db: Db,
  watches: readonly Watch[],
  now: Date,
  days: number,
): Promise<DigestContent> {
  const zone = watches[0]?.settings.delivery.timeZone ?? 'UTC';
  const historyOf = await historiesOf(
    db,
    watches.map(({ studentId }) => studentId),
    now,
  );
  const silences = await silencesOf(db, [...new Set(watches.map(({ settings }) => settings.guardianId))]);
  const sinceMs = now.getTime() - days * dayMs;
  const toOn = dateIn(zone, now);
  return {
    fromOn: daysAfter(toOn, 1 - days),
    toOn,
    madeAt: now.toISOString(),
    children: fitDigest(
      watches.map((watch) =>
        digestChild(factsAt(historyOf(watch), now.getTime(), days * dayMs), {
          givenName: watch.givenName,
          rules: watch.settings.rules,
          silences,
          sinceMs,
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
): Promise<DigestContent & { id: null; rhythm: 'daily' | 'weekly' }> {
  const watches = await watchesOf(db, { guardianIds: [guardianId] });
  const shown = watches.filter(({ studentId }) => children.some(({ id }) => id === studentId));
  const rhythm = shown[0]?.settings.delivery.digest === 'daily' ? 'daily' : 'weekly';
  return { ...(await digestFor(db, shown, await clock.now(), daysOf[rhythm])), id: null, rhythm };
}

interface Due {
  readonly watches: readonly Watch[];
  readonly dueOn: string;
}

/** The guardians whose digest is due and has not been made. One who has never been looked at has nothing to digest. */
async function dueDigests(db: Db, now: Date): Promise<Due[]> {
  const byGuardian = new Map<string, Watch[]>();
  for (const watch of await watchesOf(db, {})) {
    if (watch.lookedAt === null) continue;
    const { guardianId } = watch.settings;
    byGuardian.set(guardianId, [...(byGuardian.get(guardianId) ?? []), watch]);
  }
  const made = await db('digests')
    .whereIn('guardian_id', [...byGuardian.keys()])
    .groupBy('guardian_id')
    .select<{ guardian_id: string; last: string }[]>('guardian_id', db.raw('max(due_on) as last'));
  const last = new Map(made.map((row) => [row.guardian_id, row.last]));
  return [...byGuardian].flatMap(([guardianId, watches]): Due[] => {
    const first = watches[0];
    const dueOn = first && digestDueOn(now.getTime(), first.settings.delivery);
    // A clock that was set back asks for nothing again.
    if (!first || !dueOn || dueOn <= (last.get(guardianId) ?? '')) return [];
    // Days before the first link are nobody's news.
    const linkedAt = new Date(Math.min(...watches.map((watch) => watch.linkedAt.getTime())));
    if (dueOn <= dateIn(first.settings.delivery.timeZone, linkedAt)) return [];
    return [{ watches, dueOn }];
  });
}

/** Makes the digests that are due and puts them out; one for each guardian and day, whoever asks and how often. */
export async function makeDigests({ db, clock }: Deps): Promise<void> {
  const now = await clock.now();
  for (const { watches, dueOn } of await dueDigests(db, now)) {
    const settings = watches[0]?.settings;
    if (!settings || settings.delivery.digest === 'none') continue;
    const rhythm = settings.delivery.digest;
    const content = await digestFor(db, watches, now, daysOf[rhythm]);
    await db.transaction(async (trx) => {
      const [row] = await trx('digests')
        .insert({
          guardian_id: settings.guardianId,
          due_on: dueOn,
          rhythm,
          content: JSON.stringify(content),
        })
        .onConflict(['guardian_id', 'due_on'])
        .ignore()
        .returning<{ id: string }[]>('id');
      const silent = isEmptyDigest(content.children) && settings.delivery.emptyDigest === 'none';
      if (!row || silent) return;
      const { guardianId } = settings;
      await putOut(
        trx,
        [
          {
            ...{ guardianId, channel: 'mail', about: 'digest', alertId: null, digestId: row.id },
            ...{ key: `digest:${dueOn}`, told: [], notBefore: null },
          },
        ],
        now,
      );
    });
  }
}
