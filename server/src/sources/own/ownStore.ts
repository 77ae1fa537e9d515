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

/** Whether a source is what a family writes itself of a child whose school hands nothing over. */
export const isOwnSource = async (db: Db, id: string): Promise<boolean> =>
  (await db('sources').where({ id, kind: 'own' }).whereNull('beside').first('id')) !== undefined;

/** What a household has beside the record that a school keeps of a child; null before it has anything. */
export const sourceBeside = async (
  db: Db,
  { householdId, studentId }: { readonly householdId: string; readonly studentId: string },
): Promise<string | null> =>
  (
    await db('sources')
      .where({ household_id: householdId, beside: studentId })
      .first<{ id: string } | undefined>('id')
  )?.id ?? null;

/** Makes the source of what a household has beside a school's record; of two who do so at once, one does. */
export async function addSourceBeside(
  db: Db,
  place: { readonly householdId: string; readonly studentId: string },
  { name, timeZone, now }: { readonly name: string; readonly timeZone: string; readonly now: Date },
): Promise<string> {
  const id = randomUUID();
  await db('sources')
    .insert({
      ...{ id, name, kind: 'own', time_zone: timeZone },
      ...{ household_id: place.householdId, beside: place.studentId },
      ...{ base_url: `urn:cadro:own:${id}`, client_id: '', client_secret_sealed: '' },
      ...{ complete_at: now, read_at: now },
    })
    .onConflict(db.raw('(household_id, beside) where beside is not null'))
    .ignore();
  return (await sourceBeside(db, place)) ?? id;
}

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
