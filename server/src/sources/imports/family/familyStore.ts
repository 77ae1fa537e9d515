import { randomUUID } from 'node:crypto';
import type { WantedChild } from '@cadro/contract';
import type { Db, Trx } from '../../../kit';

/** A school whose exports a family hands over. */
export interface FamilySource {
  readonly id: string;
  readonly name: string;
  readonly household_id: string;
  readonly begun_by: string | null;
  readonly wanted: readonly WantedChild[];
}

const columns = ['id', 'name', 'household_id', 'begun_by', 'wanted'] as const;

export async function addFamilySource(
  db: Db,
  {
    name,
    timeZone,
    ...of
  }: {
    readonly name: string;
    readonly timeZone: string;
    readonly householdId: string;
    readonly guardianId: string;
    readonly wanted: readonly WantedChild[];
  },
): Promise<string> {
  const id = randomUUID();
  await db('sources').insert({
    ...{ id, name, kind: 'bundles', time_zone: timeZone, base_url: `urn:cadro:bundles:${id}` },
    ...{ client_id: '', client_secret_sealed: '', household_id: of.householdId, begun_by: of.guardianId },
    wanted: JSON.stringify(of.wanted),
  });
  return id;
}

export const familySource = (db: Db | Trx, id: string): Promise<FamilySource | undefined> =>
  db('sources')
    .where({ id, kind: 'bundles' })
    .whereNotNull('household_id')
    .first<FamilySource | undefined>(...columns);

/** The schools whose exports a household hands over. */
export const familySources = (db: Db, householdId: string): Promise<FamilySource[]> =>
  db('sources')
    .where({ household_id: householdId, kind: 'bundles' })
    .orderBy('name')
    .select<FamilySource[]>(...columns);

export const dropFamilySource = async (db: Db, id: string): Promise<void> =>
  void (await db('sources').where({ id, kind: 'bundles' }).whereNotNull('household_id').delete());

/** Which source a file came for. */
export const sourceOfBundle = async (db: Db, bundleId: string): Promise<string | undefined> =>
  (await db('bundles').where({ id: bundleId }).first<{ source_id: string } | undefined>('source_id'))
    ?.source_id;
