import { syncFaults, type SyncFault } from '@cadro/contract';
import { dayMs } from '@cadro/core';
import { groupBy, type Db, type Trx } from '../kit';
import type { NeutralCollection, NeutralRecord } from '../records';
import type { BrokenRecord } from './connector';
import { keepable } from './readRows';

/** What is wrong with a record by itself, whatever else has come. */
export const shapeFaults = ['misfit', 'unknown-zone'] as const satisfies readonly SyncFault[];

export async function reportBroken(
  trx: Trx,
  sourceId: string,
  collection: string,
  broken: readonly BrokenRecord[],
  now: Date,
): Promise<void> {
  if (broken.length === 0) return;
  // The last of a name stands: one statement cannot write a row twice.
  const last = [...new Map(broken.map((each) => [each.externalId, each])).values()];
  const rows = last.map(({ externalId, fault, reason, raw }) => ({
    externalId,
    fault,
    reason,
    // One that waits is taken in later as it is here; its schema has let it through.
    record: fault === 'unknown-reference' ? raw : keepable(raw),
  }));
  // As one value, however many they are: a statement has no room for each of their columns.
  await trx.raw(
    `insert into sync_problems (source_id, collection, external_id, fault, reason, record, seen_at)
     select :sourceId, :collection, r."externalId", r.fault, r.reason, r.record, :now
     from jsonb_to_recordset(:rows::jsonb) as r("externalId" text, fault text, reason text, record jsonb)
     on conflict (source_id, collection, external_id) do update
       set fault = excluded.fault, reason = excluded.reason, record = excluded.record, seen_at = excluded.seen_at`,
    { sourceId, collection, now, rows: JSON.stringify(rows) },
  );
}

/** What is reported of a source's records: a record that goes in is asked about here first, without the database. */
export type Reported = Map<string, Set<string>>;

export async function reportedOf(db: Db, sourceId: string): Promise<Reported> {
  const rows = await db('sync_problems')
    .where({ source_id: sourceId })
    .select<{ collection: string; external_id: string }[]>('collection', 'external_id');
  return new Map(
    [...groupBy(rows, ({ collection }) => collection)].map(([collection, of]) => [
      collection,
      new Set(of.map(({ external_id }) => external_id)),
    ]),
  );
}

export async function clearProblems(
  trx: Trx,
  sourceId: string,
  collection: string,
  ids: readonly string[],
  faults: readonly SyncFault[] = syncFaults,
): Promise<void> {
  if (ids.length === 0) return;
  await trx('sync_problems')
    .where({ source_id: sourceId, collection })
    .whereIn('fault', [...faults])
    .whereIn('external_id', [...ids])
    .delete();
}

/** Records that named something unknown when they came; it may have arrived since. */
export async function waitingRecords(
  db: Db,
  sourceId: string,
): Promise<ReadonlyMap<NeutralCollection, readonly NeutralRecord[]>> {
  const rows = await db('sync_problems')
    .where({ source_id: sourceId, fault: 'unknown-reference' })
    .select<{ collection: NeutralCollection; record: NeutralRecord }[]>('collection', 'record');
  return new Map(
    [...groupBy(rows, ({ collection }) => collection)].map(([collection, of]) => [
      collection,
      of.map(({ record }) => record),
    ]),
  );
}

/** What a whole table was wrong in before is told anew by itself. */
export async function clearShapes(db: Db, sourceId: string, collections: readonly string[]): Promise<void> {
  await db('sync_problems')
    .where({ source_id: sourceId })
    .whereIn('collection', [...collections])
    .whereIn('fault', [...shapeFaults])
    .delete();
}

/** So long it is told that an id names another child: nothing that comes later can mend it. */
const toldOfPassedMs = 30 * dayMs;

/**
 * When all of a source has been read, what was wrong before and did not come again is wrong no more: it was mended while
 * nothing of it was asked for, or has gone.
 */
export async function clearUnseen(db: Db, sourceId: string, now: Date): Promise<void> {
  const before = new Date(now.getTime() - toldOfPassedMs);
  await db('sync_problems')
    .where({ source_id: sourceId })
    .whereRaw(`seen_at < case when collection = 'passedIds' then ?::timestamptz else ?::timestamptz end`, [
      before,
      now,
    ])
    .delete();
}

export const problemsOf = (db: Db, sourceIds: readonly string[]) =>
  db('sync_problems')
    .whereIn('source_id', [...sourceIds])
    .orderBy('seen_at', 'desc')
    .limit(100)
    .select<
      {
        source_id: string;
        collection: string;
        external_id: string;
        fault: SyncFault;
        reason: string;
        seen_at: Date;
      }[]
    >('source_id', 'collection', 'external_id', 'fault', 'reason', 'seen_at');
