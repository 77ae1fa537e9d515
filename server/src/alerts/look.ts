import {
  dateIn,
  isSilenced,
  lookAtChild,
  nextLooks,
  step,
  upkeepSignals,
  type ChildFacts,
  type LookedAt,
} from '@cadro/core';
import { readNewComments } from '../gradebook';
import { restrictedAmong } from '../household';
import { groupBy, houseOf, houseWithin, oneAtATime, personalDb, type Db, type Deps } from '../kit';
import { isWhole, studentsIn, wholeOf, type PartOfRecord } from '../records';
import { factsNow } from './histories';
import { forgetNext, saveLooks, saveNext, type NextOf } from './lookStore';
import { keep, type Looked } from './looked';
import { lastStates, silencesOf, type KeptAlert } from './store';
import { guardianSources, guardiansToLookAt, watchesOf, type Watch } from './watchStore';

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
    if (forgets) await forgetNext(trx, meant);
    const watches = (await watchesOf(trx, { studentIds })).filter(
      ({ lookedAt, settings }) => (lookedAt === null || lookedAt <= now) && whose(settings.guardianId),
    );
    if (watches.length === 0) return;
    const guardianIds = [...new Set(watches.map(({ settings }) => settings.guardianId))];
    const parts = widened(meant, watches);
    const partOf = new Map(parts.map((part) => [part.studentId, lookedAtIn(part)]));
    // What is read out of comments is read for everybody.
    await houseWithin(trx, () => readNewComments(trx, studentsIn(parts.filter(isWhole))));
    const facts = await factsNow(trx, parts, now);
    const states = groupBy(await lastStates(trx, { guardianIds, about: parts }), stateOf);
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
    await keep(trx, looks, parts, now);
    const whole = watches.filter(({ studentId }) => partOf.get(studentId) === null);
    await saveLooks(
      trx,
      whole.map(({ studentId, settings }) => ({ studentId, guardianId: settings.guardianId })),
      now,
    );
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
      await lastStates(trx, { guardianIds: ids, about: null }),
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
