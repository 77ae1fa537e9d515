import { randomUUID } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { wholeCollections, type WholeCollection } from '@cadro/contract';
import { forgetTold, putTold, rolesOfPeople, toldKey } from '../../records';
import type { Db, Deps } from '../../kit';
import { linkOwnChildren } from '../../household';
import { BundleError } from '../bundle/errors';
import type { RolesOfPerson } from '../bundle/joined';
import { openApart, type BundleApart } from '../bundle/openApart';
import type { Batch, RowFault } from '../bundle/readBundle';
import type { ReadingHooks } from '../hooks';
import { clearShapes, reportedOf } from '../problemStore';
import * as sources from '../store';
import { settle, writePage, type Run, type Sheet } from '../taking';
import { muchUntold, tableOf, takeAwayUntold } from '../untold';
import { ahead } from './ahead';
import { familySource } from './family/familyStore';
import * as store from './bundleStore';

export interface TakeDeps extends Deps {
  readonly reading: ReadingHooks;
}

interface Taking {
  readonly deps: TakeDeps;
  readonly bundle: store.BundleRow;
  readonly open: BundleApart;
  readonly run: Run;
  /** Whether the source has been read before. */
  readonly again: boolean;
}

const brokenOf = ({ file, row, sourcedId, fault, reason, raw }: RowFault) => ({
  externalId: sourcedId ?? (row === null ? file : `row ${row}`),
  fault,
  reason: row === null ? reason : `${file}, row ${row}: ${reason}`,
  raw,
});

const sheetOf = ({ records, faults }: Pick<Batch, 'records' | 'faults'>): Sheet => ({
  records,
  broken: faults.map(brokenOf),
  sound: records.map(({ record }) => record.id),
});

const wholesIn = ({ modes }: BundleApart): WholeCollection[] =>
  wholeCollections.filter((collection) => modes.get(tableOf[collection]) === 'bulk');

/** Puts down what whole tables name, and reckons what would go. */
async function reckonGone({ deps: { db }, open, bundle }: Taking): Promise<store.BundleRow['ask']> {
  const whole = wholesIn(open);
  await forgetTold(db, bundle.source_id);
  for await (const { name, records, mode } of open.batches()) {
    const collection = whole.find((each) => tableOf[each] === name);
    if (mode !== 'bulk' || !collection) continue;
    const own = records.filter((each) => each.collection === collection && !each.record.gone);
    await putTold(
      db,
      bundle.source_id,
      collection,
      own.map(({ record }) => toldKey(collection, record)),
    );
  }
  return muchUntold(db, bundle.source_id, whole);
}

/** What whole tables name no longer goes. */
async function takeGone({ deps, bundle, open, run }: Taking): Promise<void> {
  await takeAwayUntold(run, wholesIn(open));
  await forgetTold(deps.db, bundle.source_id);
}

/** Takes the rows in, from where they have been taken to. @returns false where somebody has stopped it. */
async function takeRows({ deps: { db }, bundle, open, run }: Taking): Promise<boolean> {
  const from = bundle.at_table && { name: bundle.at_table, row: bundle.at_row ?? 1 };
  for await (const batch of ahead(open.batches(from ?? undefined))) {
    if (await store.isStopped(db, bundle.id)) return false;
    await writePage(run, batch.name, sheetOf(batch), (trx) =>
      store.tellBundle(trx, bundle.id, {
        at_table: batch.name,
        at_row: batch.upTo,
        records: bundle.records + run.report.records,
        problems: bundle.problems + run.report.problems,
      }),
    );
  }
  return true;
}

/** Of what a family hands over itself, the children are theirs to see. */
async function linkFamily({ deps, bundle, run: { now } }: Taking): Promise<void> {
  const guardianId = (await familySource(deps.db, bundle.source_id))?.begun_by ?? null;
  if (guardianId === null) return;
  await linkOwnChildren(deps.db, { sourceId: bundle.source_id, guardianId, now }, deps.reading);
}

async function finish(taking: Taking): Promise<void> {
  const { deps, bundle, run, again } = taking;
  const { db } = deps;
  if (again) await takeGone(taking);
  await settle(run);
  const at = run.now.toISOString();
  // What only the classroom's feed tells stands in no table.
  await sources.tellPart(db, bundle.source_id, 'feed', { state: 'refused', since: null, at });
  await sources.markRead(db, bundle.source_id, run.now);
  await linkFamily(taking);
  await store.endBundle(db, bundle.id, { state: 'done', now: run.now });
  await deps.reading.onReading(db, bundle.source_id, { whole: true, now: run.now });
}

async function takeOpen(taking: Taking): Promise<'done' | 'stopped' | 'asking'> {
  const {
    deps: { db },
    bundle,
    again,
    open,
    run,
  } = taking;
  // Where it was cut is past what was asked.
  if (again && bundle.at_table === null) {
    const ask = await reckonGone(taking);
    if (ask && !bundle.agreed) {
      await store.tellBundle(db, bundle.id, { state: 'asking', ask });
      return 'asking';
    }
  }
  if (bundle.at_table === null) {
    const whole = [...open.modes].flatMap(([name, mode]) => (mode === 'bulk' ? [name] : []));
    await clearShapes(db, bundle.source_id, [...whole, 'manifest']);
  }
  await store.tellBundle(db, bundle.id, { state: 'reading' });
  await writePage(run, 'manifest', sheetOf({ records: [], faults: open.faults }));
  if (!(await takeRows(taking))) return 'stopped';
  await finish(taking);
  return 'done';
}

/** The file, unpacked from the parts it is kept in, for as long as it is worked on. */
async function withFile<T>(db: Db, bundleId: string, work: (path: string) => Promise<T>): Promise<T> {
  const path = join(tmpdir(), `cadro-bundle-${randomUUID()}.zip`);
  try {
    await pipeline(store.partsOf(db, bundleId), createWriteStream(path, { mode: 0o600 }));
    return await work(path);
  } finally {
    await rm(path, { force: true });
  }
}

/** What is known of a source's people, for a bundle that changes them and does not tell their roles anew. */
async function rolesBefore(db: Db, sourceId: string): Promise<RolesOfPerson[]> {
  const people = await rolesOfPeople(db, sourceId);
  return people.map(({ id, role, school }) => ({
    id,
    roles: [{ role, ...(school ? { org: { sourcedId: school } } : {}) }],
  }));
}

async function takeBundle(deps: TakeDeps, source: sources.SourceRow, bundle: store.BundleRow) {
  const now = await deps.clock.now();
  const again = source.complete_at !== null;
  const reported = await reportedOf(deps.db, source.id);
  const run: Run = {
    deps,
    sourceId: source.id,
    now,
    knownAt: again ? now : null,
    report: { records: 0, problems: 0, passed: 0 },
    reported,
  };
  return withFile(deps.db, bundle.id, async (path) => {
    let open: BundleApart | null = null;
    try {
      const told = { zone: source.time_zone, now: now.toISOString() };
      open = await openApart(path, told);
      if (again && open.namesPeople) await open.knowRoles(await rolesBefore(deps.db, source.id));
      return await takeOpen({ deps, bundle, open, run, again });
    } catch (error) {
      if (!(error instanceof BundleError)) throw error;
      await store.endBundle(deps.db, bundle.id, {
        state: 'refused',
        now,
        fault: error.code,
        detail: error.message,
      });
      return 'refused';
    } finally {
      await open?.close();
    }
  });
}

/** Takes in whatever bundles of a source are waiting, in the order they came; one that is asked about holds the others. */
export async function takeBundles(deps: TakeDeps, sourceId: string): Promise<void> {
  for (;;) {
    const source = await sources.findSource(deps.db, sourceId);
    if (!source || (await store.isAsking(deps.db, sourceId))) return;
    const bundle = await store.nextBundle(deps.db, sourceId);
    if (!bundle) return;
    await takeBundle(deps, source, bundle).catch(async (error: unknown) => {
      // It goes on where it was cut; until then it is seen that it does not.
      const reason = error instanceof Error ? error.message : String(error);
      await sources.markFailed(deps.db, sourceId, await deps.clock.now(), { failure: null, reason });
      throw error;
    });
  }
}
