import type { BundleFault, BundleState, OneRosterName, WholeCollection } from '@cadro/contract';
import type { Db, Trx } from '../../kit';

export interface BundleRow {
  readonly id: string;
  readonly source_id: string;
  readonly name: string;
  readonly digest: string | null;
  readonly bytes: number;
  readonly state: BundleState;
  readonly fault: BundleFault | null;
  readonly detail: string | null;
  /** What would go, and of how much; null where nothing is asked. */
  readonly ask: { readonly what: WholeCollection; readonly gone: number; readonly of: number } | null;
  readonly agreed: boolean;
  readonly at_table: OneRosterName | null;
  readonly at_row: number | null;
  readonly records: number;
  readonly problems: number;
  readonly came_at: Date;
  readonly over_at: Date | null;
}

export async function beginBundle(db: Db, sourceId: string, name: string, now: Date): Promise<string> {
  const [row] = await db('bundles')
    .insert({ source_id: sourceId, name, came_at: now })
    .returning<{ id: string }[]>('id');
  if (!row) throw new Error('a bundle could not be put down');
  return row.id;
}

export const putPart = async (db: Db, bundleId: string, seq: number, bytes: Buffer): Promise<void> =>
  void (await db('bundle_parts').insert({ bundle_id: bundleId, seq, bytes }));

/** All of it has come. */
export const haveBundle = async (
  db: Db,
  id: string,
  { digest, bytes }: { readonly digest: string; readonly bytes: number },
): Promise<void> => void (await db('bundles').where({ id }).update({ state: 'waiting', digest, bytes }));

export const dropBundle = async (db: Db, id: string): Promise<void> =>
  void (await db('bundles').where({ id }).delete());

/** Whether the very same file has been taken, or is about to be. */
export const hasDigest = async (db: Db, sourceId: string, digest: string): Promise<boolean> =>
  (await db('bundles').where({ source_id: sourceId, digest }).whereNot({ state: 'stopped' }).first('id')) !==
  undefined;

/** The bundle of a source that is to be read first. */
export const nextBundle = (db: Db, sourceId: string): Promise<BundleRow | undefined> =>
  db<BundleRow>('bundles')
    .where({ source_id: sourceId })
    .whereIn('state', ['waiting', 'reading'])
    .orderBy('seq')
    .first();

/** Whether a bundle waits for an answer: none of its source's that came later is read before it. */
export const isAsking = async (db: Db, sourceId: string): Promise<boolean> =>
  (await db('bundles').where({ source_id: sourceId, state: 'asking' }).first('id')) !== undefined;

/** The file, part by part. */
export async function* partsOf(db: Db, bundleId: string): AsyncGenerator<Buffer> {
  for (let seq = 0; ; seq += 1) {
    const row = await db('bundle_parts')
      .where({ bundle_id: bundleId, seq })
      .first<{ bytes: Buffer }>('bytes');
    if (!row) return;
    yield row.bytes;
  }
}

export const tellBundle = async (
  db: Db | Trx,
  id: string,
  told: Partial<
    Pick<
      BundleRow,
      'state' | 'fault' | 'detail' | 'over_at' | 'agreed' | 'at_table' | 'at_row' | 'records' | 'problems'
    >
  > & {
    readonly ask?: BundleRow['ask'];
  },
): Promise<void> => {
  const { ask, ...more } = told;
  await db('bundles')
    .where({ id })
    .update({ ...more, ...(ask === undefined ? {} : { ask: ask && JSON.stringify(ask) }) });
};

/** A bundle that is over needs its file no longer. */
export async function endBundle(
  db: Db,
  id: string,
  told: {
    readonly state: 'done' | 'refused' | 'stopped';
    readonly now: Date;
    readonly fault?: BundleFault;
    readonly detail?: string;
  },
): Promise<void> {
  const { state, now, fault = null, detail = null } = told;
  await db('bundles').where({ id }).update({ state, fault, detail, ask: null, over_at: now });
  await db('bundle_parts').where({ bundle_id: id }).delete();
}

/** Whether somebody has stopped it meanwhile. */
export const isStopped = async (db: Db | Trx, id: string): Promise<boolean> =>
  (await db('bundles').where({ id, state: 'reading' }).first('id')) === undefined;

/** Answers what is asked, or stops what is under way. @returns its source, where there was something to answer. */
export async function answerBundle(
  db: Db,
  id: string,
  answer: 'take' | 'stop',
  now: Date,
): Promise<string | null> {
  const states: BundleState[] = answer === 'take' ? ['asking'] : ['asking', 'waiting', 'reading'];
  const [row] = await db('bundles')
    .where({ id })
    .whereIn('state', states)
    .update(
      answer === 'take'
        ? { state: 'waiting', agreed: true, ask: null }
        : { state: 'stopped', over_at: now, ask: null },
    )
    .returning<{ source_id: string }[]>('source_id');
  if (row && answer === 'stop') await db('bundle_parts').where({ bundle_id: id }).delete();
  return row?.source_id ?? null;
}

const shown = 10;
/** The last bundles of sources, newest first. */
export async function bundlesOf(db: Db, sourceIds: readonly string[]): Promise<BundleRow[]> {
  const { rows } = await db.raw<{ rows: BundleRow[] }>(
    `select b.* from unnest(:sourceIds::uuid[]) as s(id)
     cross join lateral (select * from bundles where source_id = s.id order by seq desc limit ${shown}) b`,
    { sourceIds: [...sourceIds] },
  );
  return rows;
}

/** What has begun to come and never came whole. */
export const sweepBundles = async (db: Db, before: Date): Promise<void> =>
  void (await db('bundles').where({ state: 'coming' }).where('came_at', '<', before).delete());
