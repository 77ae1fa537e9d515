import { demographicsScope, feedScope, oneRosterScopes } from '@cadro/contract';
import { unseal, type Config, type Db, type Deps, type Job, type Trx } from '../kit';
import {
  logChanges,
  neutralCollections,
  studentsOfCourses,
  writeCollection,
  type NeutralCollection,
  type NeutralRecord,
} from '../records';
import type { BrokenRecord, Connector, Page } from './connector';
import { FeedConnector } from './connectors/feed';
import { OneRosterConnector } from './connectors/oneRoster';
import { justBefore } from './connectors/paging';
import { SourceError } from './errors';
import { SchoolHttp } from './schoolHttp';
import * as store from './store';

/** What the rooms below do about a reading; handed in, because this room does not know them. */
export interface ReadingHooks {
  /** Records of these children have changed; runs in the transaction that writes them. */
  readonly onRecords: (trx: Trx, studentIds: readonly string[], now: Date) => Promise<void>;
  /** A reading is over, whole or cut. */
  readonly onReading: (
    db: Db,
    sourceId: string,
    reading: { readonly whole: boolean; readonly now: Date },
  ) => Promise<void>;
}

export interface SyncDeps extends Deps {
  readonly config: Pick<Config, 'secret' | 'sourceTimeoutMs'>;
  readonly reading: ReadingHooks;
}

export interface SyncReport {
  readonly records: number;
  readonly problems: number;
}

interface Run {
  readonly deps: SyncDeps;
  readonly source: store.SourceRow;
  readonly now: Date;
  report: { records: number; problems: number };
  readonly reported: store.Reported;
}

function connectorsOf({ config }: SyncDeps, source: store.SourceRow): Connector[] {
  const access = {
    baseUrl: source.base_url,
    clientId: source.client_id,
    clientSecret: unseal(config.secret, source.client_secret_sealed),
    timeoutMs: config.sourceTimeoutMs,
  };
  return [
    new OneRosterConnector(new SchoolHttp({ ...access, scopes: oneRosterScopes }), { apart: false }),
    new OneRosterConnector(new SchoolHttp({ ...access, scopes: [demographicsScope] }), { apart: true }),
    new FeedConnector(new SchoolHttp({ ...access, scopes: [feedScope] })),
  ];
}

/** The backlog of a first reading counts as known from its records' own times on. */
const knownAt = ({ source, now }: Run): Date | null => (source.complete_at ? now : null);

/** Sets records aside with their reasons; they may be mended within this very reading. */
async function report(
  trx: Trx,
  { source, now, reported }: Run,
  collection: string,
  broken: readonly BrokenRecord[],
): Promise<void> {
  await store.reportBroken(trx, source.id, collection, broken, now);
  const known = reported.get(collection) ?? new Set();
  reported.set(collection, known);
  for (const { externalId } of broken) known.add(externalId);
}

async function takeIn(trx: Trx, run: Run, collection: NeutralCollection, records: readonly NeutralRecord[]) {
  const written = await writeCollection(trx, run.source.id, collection, records, knownAt(run));
  const reported = run.reported.get(collection);
  const mended = [...written.ids].filter((id) => reported?.has(id));
  await store.clearProblems(trx, run.source.id, collection, mended);
  const waiting = records.filter(({ id }) => !written.ids.has(id));
  const broken = waiting.map((record) => ({
    externalId: record.id,
    fault: 'unknown-reference' as const,
    reason: '',
    raw: record,
  }));
  await report(trx, run, collection, broken);
  // The backlog of a first reading is no news.
  if (run.source.complete_at) await logChanges(trx, written.changes, run.now);
  run.report.records += written.ids.size;
  run.report.problems += broken.length;
  const students = await studentsOfCourses(trx, written.courseIds);
  const touched = [...new Set([...written.studentIds, ...students])];
  if (touched.length > 0) await run.deps.reading.onRecords(trx, touched, run.now);
}

const byCollection = (page: Page): [NeutralCollection, NeutralRecord[]][] =>
  neutralCollections.flatMap((collection): [NeutralCollection, NeutralRecord[]][] => {
    const records = page.records.filter((each) => each.collection === collection);
    return records.length > 0 ? [[collection, records.map(({ record }) => record)]] : [];
  });

/** One page, one transaction: all of it goes in, with the jobs it asks for, or none. */
async function writePage(run: Run, collection: string, page: Page): Promise<void> {
  await run.deps.db.transaction(async (trx) => {
    for (const [neutral, records] of byCollection(page)) await takeIn(trx, run, neutral, records);
    await report(trx, run, collection, page.broken);
    run.report.problems += page.broken.length;
  });
}

async function readCollection(run: Run, connector: Connector, collection: string): Promise<void> {
  const { source } = run;
  const known = source.cursors[collection];
  const seen = (known && source.seen[collection]) || '';
  let to = { instant: known ?? '', seen };
  for await (const page of connector.pages(collection, known ? justBefore(known) : null)) {
    // A source gives again what changed in the last instant of before: the very same is not written again.
    if (page.digest !== seen) await writePage(run, collection, page);
    const { changedUpTo, latest } = page;
    if (changedUpTo && changedUpTo > to.instant) to = { instant: changedUpTo, seen: latest };
    // Of an instant that fills several pages no digest is kept.
    else if (changedUpTo === to.instant && latest !== to.seen) to = { instant: changedUpTo, seen: '' };
  }
  // Only now: a pass that was cut is read again from where the last whole one ended.
  if (to.instant !== '' && (to.instant !== known || to.seen !== seen)) {
    await store.moveCursor(run.deps.db, source.id, collection, to);
  }
}

/** What a school need not give, it may refuse: then it has told nothing of it. */
async function readAll(run: Run, connector: Connector): Promise<void> {
  try {
    for (const collection of connector.collections) await readCollection(run, connector, collection);
  } catch (error) {
    const refused = error instanceof SourceError && error.code === 'source-refuses';
    if (!connector.optional || !refused) throw error;
  }
}

async function retryWaiting(run: Run): Promise<void> {
  const waiting = await store.waitingRecords(run.deps.db, run.source.id);
  for (const collection of neutralCollections) {
    const records = waiting.get(collection);
    if (!records) continue;
    await run.deps.db.transaction((trx) => takeIn(trx, run, collection, records));
  }
}

/**
 * Reads what changed at a source since the last whole pass, everything the first time. Cut anywhere and run
 * again it ends in the same rows.
 * @throws SourceError when the source is down or answers nonsense; the old data stays whole and its age shows.
 */
export async function syncSource(deps: SyncDeps, sourceId: string): Promise<SyncReport> {
  const source = await store.findSource(deps.db, sourceId);
  if (!source) throw new Error(`no source ${sourceId}`);
  const now = await deps.clock.now();
  const reported = await store.reportedOf(deps.db, sourceId);
  const run: Run = { deps, source, now, report: { records: 0, problems: 0 }, reported };
  try {
    for (const connector of connectorsOf(deps, source)) {
      await readAll(run, connector);
    }
    await retryWaiting(run);
  } catch (error) {
    await store.markFailed(deps.db, sourceId, now, error instanceof Error ? error.message : String(error));
    await deps.reading.onReading(deps.db, sourceId, { whole: false, now });
    throw error;
  }
  await store.markRead(deps.db, sourceId, now);
  // Only now, when all of a reading is in: half of one would be told as if it were whole.
  await deps.reading.onReading(deps.db, sourceId, { whole: true, now });
  return run.report;
}

/** One source is never read twice at once. */
export const readingJob = (sourceId: string): Job => ({
  task: 'syncSource',
  payload: { sourceId },
  key: `sync:${sourceId}`,
  queue: `source:${sourceId}`,
});
