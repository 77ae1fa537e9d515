import { randomUUID } from 'node:crypto';
import type { Db, Trx } from '../../kit';

/** What a family writes of one child: a source of its own, which belongs to the household that began it. */
export async function addOwnSource(
  trx: Trx,
  {
    name,
    timeZone,
    householdId,
    now,
  }: {
    readonly name: string;
    readonly timeZone: string;
    readonly householdId: string;
    readonly now: Date;
  },
): Promise<string> {
  const id = randomUUID();
  await trx('sources').insert({
    ...{ id, name, kind: 'own', time_zone: timeZone, household_id: householdId },
    ...{ base_url: `urn:cadro:own:${id}`, client_id: '', client_secret_sealed: '' },
    ...{ complete_at: now, read_at: now },
  });
  return id;
}

/** Whether a source is what a family writes itself. */
export const isOwnSource = async (db: Db, id: string): Promise<boolean> =>
  (await db('sources').where({ id, kind: 'own' }).first('id')) !== undefined;

export async function renameOwnSource(
  trx: Trx,
  id: string,
  { name, timeZone }: { readonly name: string; readonly timeZone: string },
): Promise<void> {
  await trx('sources').where({ id, kind: 'own' }).update({ name, time_zone: timeZone });
}

/** Deletes a source with all that came from it. */
export async function dropOwnSource(db: Db, id: string): Promise<void> {
  await db('sources').where({ id, kind: 'own' }).delete();
}

/**
 * Deletes what families brought in themselves once the household that did is gone, and nobody else sees the children.
 * @returns how many sources.
 */
export const sweepOwnSources = (db: Db): Promise<number> =>
  db('sources as s')
    .whereNull('s.household_id')
    .where((is) => is.where({ 's.kind': 'own' }).orWhereRaw(`s.wanted <> '[]'`))
    .whereNotExists(
      db('student_profiles as p')
        .join('standing_links as l', 'l.student_id', 'p.student_id')
        .whereRaw('p.source_id = s.id')
        .select(db.raw('1')),
    )
    .delete();
