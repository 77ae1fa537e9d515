import type { OwnEntryKind } from '@cadro/contract';
import type { Db, Trx } from '../kit';
import type { Viewer } from './viewer';

export interface EntryRow {
  readonly id: string;
  readonly guardian_id: string;
  readonly author: string;
  readonly shared: boolean;
  readonly kind: OwnEntryKind;
  readonly title: string;
  readonly text: string | null;
  /** For whom; empty for all of the household's children. */
  readonly student_ids: string[];
  readonly on_date: string | null;
  readonly last_on: string | null;
  readonly starts_at: string | null;
  readonly ends_at: string | null;
  readonly time_zone: string;
  readonly rule: string | null;
  readonly skipped: string[];
  readonly done: string[];
  readonly item_id: string | null;
  readonly item_title: string | null;
  /** A child that has the work, to tell whose school's clock rules. */
  readonly item_student_id: string | null;
  readonly days_before: number | null;
  readonly due_at: Date | null;
  readonly version: number;
}

/**
 * What a household has written down and this guardian may see: shared or their own, about children whose talk is
 * theirs to read, or about all of them.
 * @param removed those that were taken out instead.
 */
export const entriesFor = (
  db: Db | Trx,
  viewer: Viewer,
  { entryId, removed = false }: { readonly entryId?: string; readonly removed?: boolean } = {},
): Promise<EntryRow[]> => {
  const ids = viewer.talk.map(({ id }) => id);
  if (ids.length === 0) return Promise.resolve([]);
  return db('calendar_entries as t')
    .join('guardian_profiles as g', 'g.guardian_id', 't.guardian_id')
    .joinRaw(
      `left join lateral (
         select coalesce(json_agg(x.student_id order by x.student_id), '[]') as all_ids,
           coalesce(json_agg(x.student_id order by x.student_id) filter (where x.student_id = any(:ids)), '[]') as ids
         from calendar_entry_children x where x.entry_id = t.id) x on true
       left join course_items i on i.item_id = t.item_id and not i.removed
       left join lateral (
         select e.student_id from student_courses e
         where e.course_id = i.course_id and e.student_id = any(:ids) limit 1) e on true`,
      { ids },
    )
    .where({ 't.household_id': viewer.householdId })
    .where((is) => is.where({ 't.shared': true }).orWhere({ 't.guardian_id': viewer.guardianId }))
    .whereRaw(`(json_array_length(x.all_ids) = 0 or json_array_length(x.ids) > 0)`)
    .modify((query) => {
      if (entryId) query.where({ 't.id': entryId });
      if (removed) query.whereNotNull('t.removed_at');
      else query.whereNull('t.removed_at');
    })
    .orderBy(['t.on_date', 't.title', 't.id'])
    .select<EntryRow[]>(
      't.id',
      't.guardian_id',
      'g.name as author',
      't.shared',
      't.kind',
      't.title',
      't.text',
      'x.ids as student_ids',
      't.on_date',
      't.last_on',
      't.starts_at',
      't.ends_at',
      't.time_zone',
      't.rule',
      't.skipped',
      't.done',
      't.item_id',
      'i.title as item_title',
      'e.student_id as item_student_id',
      't.days_before',
      'i.due_at',
      't.version',
    );
};

export interface EntryFields {
  readonly kind: OwnEntryKind;
  readonly title: string;
  readonly text: string | null;
  readonly shared: boolean;
  readonly on_date: string | null;
  readonly last_on: string | null;
  readonly starts_at: string | null;
  readonly ends_at: string | null;
  readonly time_zone: string;
  readonly rule: string | null;
  readonly item_id: string | null;
  readonly days_before: number | null;
}

async function putChildren(trx: Trx, entryId: string, studentIds: readonly string[]): Promise<void> {
  await trx('calendar_entry_children').where({ entry_id: entryId }).delete();
  if (studentIds.length > 0)
    await trx('calendar_entry_children').insert(
      studentIds.map((id) => ({ entry_id: entryId, student_id: id })),
    );
}

export async function insertEntry(
  trx: Trx,
  by: { guardianId: string; householdId: string; at: Date },
  fields: EntryFields,
  studentIds: readonly string[],
): Promise<string> {
  const [row] = await trx('calendar_entries')
    .insert({ ...fields, guardian_id: by.guardianId, household_id: by.householdId, updated_at: by.at })
    .returning<{ id: string }[]>('id');
  if (!row) throw new Error('an entry could not be stored');
  await putChildren(trx, row.id, studentIds);
  return row.id;
}

/** Changes the row only if it still has the version; tells whether it had. */
export async function changeEntry(
  trx: Trx,
  key: { entryId: string; version: number },
  at: Date,
  fields: EntryFields,
  studentIds: readonly string[],
): Promise<boolean> {
  const changed = await trx('calendar_entries')
    .where({ id: key.entryId, version: key.version })
    .update({ ...fields, version: key.version + 1, updated_at: at });
  if (changed === 1) await putChildren(trx, key.entryId, studentIds);
  return changed === 1;
}

/** Ticks a day off, leaves it out or puts it back. Two guardians may do so at once: the row is one statement. */
export async function tickEntry(
  db: Db,
  entryId: string,
  on: string,
  as: 'done' | 'skipped' | 'open',
): Promise<void> {
  const list = (column: 'done' | 'skipped') =>
    db.raw(as === column ? `(?? - ?::text) || to_jsonb(?::text)` : `?? - ?::text`, [
      column,
      on,
      ...(as === column ? [on] : []),
    ]);
  await db('calendar_entries')
    .where({ id: entryId })
    .update({ done: list('done'), skipped: list('skipped') });
}

/** Takes an entry out, or puts it back. */
export const markRemoved = async (db: Db, entryId: string, at: Date | null): Promise<void> => {
  await db('calendar_entries').where({ id: entryId }).update({ removed_at: at });
};

/** Forgets what a household took out before an instant. */
export const forgetRemoved = async (db: Db, householdId: string, before: Date): Promise<void> => {
  await db('calendar_entries').where({ household_id: householdId }).where('removed_at', '<', before).delete();
};

/** Those of some entries that nobody has taken out. */
export const standingIds = async (db: Db, ids: readonly string[]): Promise<ReadonlySet<string>> =>
  new Set(
    await db('calendar_entries')
      .whereIn('id', [...ids])
      .whereNull('removed_at')
      .pluck('id'),
  );
