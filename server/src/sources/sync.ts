import { demographicsScope, feedScope, oneRosterScopes, type OneRosterVersion } from '@cadro/contract';
import type { Config, Deps } from '../kit';
import type { Connector } from './connector';
import { FeedConnector } from './connectors/feed';
import { OneRosterConnector, versionOf } from './connectors/oneRoster';
import { Copies } from './copies';
import { SourceError } from './errors';
import type { ReadingHooks } from './hooks';
import { Budget, mostRecords, usualLimits, type ReadingLimits } from './http/budget';
import { doorTo } from './http/door';
import { takeBundles } from './imports/takeBundle';
import { reportedOf, type Reported } from './problemStore';
import * as store from './store';
import { ShrinkGuard } from './shrinking';
import { settle, writePage, type Run } from './taking';
import { WholeReading } from './wholeReading';

export interface SyncDeps extends Deps {
  readonly config: Pick<Config, 'secret' | 'sourceTimeoutMs' | 'privateSources'>;
  readonly reading: ReadingHooks;
  /** What a reading may cost; the usual where it is not said. */
  readonly limits?: ReadingLimits;
}

export interface SyncReport {
  readonly records: number;
  readonly problems: number;
}

/** A reading of a source that is under way. */
interface Reading {
  readonly deps: SyncDeps;
  readonly source: store.SourceRow;
  readonly now: Date;
  readonly report: Run['report'];
  readonly reported: Reported;
  readonly guard: ShrinkGuard;
  /** Where all of it is read, to be compared. */
  readonly whole: WholeReading | null;
}

/** The backlog of a part's first reading counts as known from its records' own times on. */
const runOf = ({ deps, source, now, report, reported }: Reading, known: boolean): Run => ({
  ...{ deps, sourceId: source.id, now, report, reported },
  knownAt: known ? now : null,
});

/** The school's system by its version of the standard, which is found out once. */
async function connectorsOf({ deps, source, now }: Reading): Promise<Connector[]> {
  const { config, limits = usualLimits } = deps;
  const budget = new Budget(limits, () => performance.now());
  const told = { zone: source.time_zone, now: now.toISOString() };
  const door = doorTo(config, source, budget);
  const roster = (version: OneRosterVersion) => door(oneRosterScopes(version), true);
  const version = source.version ?? (await versionOf(roster));
  if (version !== source.version) await store.tellVersion(deps.db, source.id, version);
  return [
    new OneRosterConnector(roster(version), told, { version, apart: false, budget }),
    new OneRosterConnector(door([demographicsScope(version)]), told, { version, apart: true, budget }),
    new FeedConnector(door([feedScope]), told, budget),
  ];
}

/** Tells how far it has come, where something has; and stops where somebody has asked for it. */
async function goOn({ deps, source, report }: Reading, collection: string): Promise<void> {
  const progress = { collection, records: report.records };
  if (report.records > 0 && (await store.tellProgress(deps.db, source.id, progress)))
    throw new SourceError('source-stopped', `${collection} were stopped`, false);
}

/** So long before the last change a source is asked from: what is put down late bears an earlier instant. */
const overlapMs = 3_600_000;
const overlapping = (instant: string): string => new Date(Date.parse(instant) - overlapMs - 1).toISOString();

/** Of so many pages it is remembered what was on them. */
const mostSeen = 500;

async function readCollection(reading: Reading, connector: Connector, collection: string): Promise<void> {
  const { source, deps } = reading;
  const run = runOf(reading, Boolean(source.parts[connector.part]?.since));
  // What bears a passed id is another child's now, though it has not changed: all of it is asked for anew.
  const all = reading.whole !== null || reading.report.passed > 0;
  const from = all ? null : (source.cursors[collection] ?? null);
  const before = (from !== null && source.seen[collection]) || '';
  const known = new Set(before.split(' '));
  const most = mostRecords[collection] ?? Infinity;
  const copies = new Copies();
  const seen: string[] = [];
  let to = from ?? '';
  let count = 0;
  for await (const page of connector.pages(collection, from && overlapping(from), known)) {
    count += page.records.length;
    if (count > most) throw new SourceError('source-too-much', `more than ${most} ${collection}`, false);
    // A source gives again what it gave before: the very same is not written again.
    const records = copies.newestOf(page.records);
    await reading.whole?.takeNote(collection, { ...page, records });
    if (!known.has(page.digest)) {
      if (run.knownAt) await reading.guard.letThrough(records);
      await writePage(run, collection, { ...page, records });
      await goOn(reading, collection);
    }
    // An old copy on it may be what the source has come back to.
    if (records.length === page.records.length) seen.push(page.digest);
    if (page.changedUpTo && page.changedUpTo > to) to = page.changedUpTo;
  }
  // Only now: a pass that was cut is read again from where the last whole one ended.
  const now = seen.slice(-mostSeen).join(' ');
  if (to !== '' && (to !== from || now !== before)) {
    await store.moveCursor(deps.db, source.id, collection, { instant: to, seen: now });
  }
}

/**
 * What a school need not give, it may refuse; and what it has never given may fail: it has told nothing of it then, and
 * the rest is read all the same.
 */
async function readPart(reading: Reading, connector: Connector): Promise<void> {
  const { source, deps, now } = reading;
  const { part } = connector;
  const { state: before, since = null } = source.parts[part] ?? {};
  const tell = (state: store.PartState['state'], first = since) =>
    store.tellPart(deps.db, source.id, part, { state, since: first, at: now.toISOString() });
  try {
    for (const collection of connector.collections) await readCollection(reading, connector, collection);
  } catch (error) {
    if (part === 'roster' || !(error instanceof SourceError)) throw error;
    const refused = error.code === 'source-refuses';
    if (before !== (refused ? 'refused' : 'failing')) await tell(refused ? 'refused' : 'failing');
    if (!refused && since !== null) throw error;
    return;
  }
  if (before !== 'told' || since === null) await tell('told', since ?? now.toISOString());
}

async function readSource(reading: Reading): Promise<void> {
  for (const connector of await connectorsOf(reading)) await readPart(reading, connector);
  const run = runOf(reading, reading.source.complete_at !== null);
  await settle(run);
  await reading.whole?.compare(run);
}

/**
 * Reads what changed at a source since the last whole pass, everything the first time. Cut anywhere and run
 * again it ends in the same rows.
 * @param how.whole reads all of it, and takes away what the source names no longer. What was asked and allowed is found
 *   by reading all of it, too.
 * @throws SourceError when the source is down or answers nonsense; the old data stays whole and its age shows.
 */
export async function syncSource(
  deps: SyncDeps,
  sourceId: string,
  { whole = false } = {},
): Promise<SyncReport> {
  const source = await store.findSource(deps.db, sourceId);
  if (!source) throw new Error(`no source ${sourceId}`);
  if (source.paused_at !== null) return { records: 0, problems: 0 };
  if (source.kind === 'bundles') {
    await takeBundles(deps, sourceId);
    return { records: 0, problems: 0 };
  }
  const now = await deps.clock.now();
  const reported = await reportedOf(deps.db, sourceId);
  const compares = source.complete_at !== null && (whole || source.may_shrink);
  const reading: Reading = {
    ...{ deps, source, now, reported },
    report: { records: 0, problems: 0, passed: 0 },
    guard: new ShrinkGuard(deps.db, source),
    whole: compares ? await WholeReading.begin(deps.db, source) : null,
  };
  try {
    await readSource(reading);
  } catch (error) {
    const failure = error instanceof SourceError ? error.code : null;
    await store.endProgress(deps.db, sourceId);
    if (failure === 'source-stopped') {
      await deps.reading.onReading(deps.db, sourceId, { whole: false, now });
      return reading.report;
    }
    const reason = error instanceof Error ? error.message : String(error);
    await store.markFailed(deps.db, sourceId, now, { failure, reason });
    // It may speak another version by now.
    if (failure === 'source-refuses') await store.tellVersion(deps.db, sourceId, null);
    await deps.reading.onReading(deps.db, sourceId, { whole: false, now });
    throw error;
  }
  await store.endProgress(deps.db, sourceId);
  await store.markRead(deps.db, sourceId, now);
  // Only now, when all of a reading is in: half of one would be told as if it were whole.
  await deps.reading.onReading(deps.db, sourceId, { whole: true, now });
  return reading.report;
}
