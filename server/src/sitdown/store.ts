import type { Agreement, KeptSection, OwnLine, PageChange, Sitdown } from '@cadro/contract';
import type { Db, Trx } from '../kit';

export interface SitdownRow {
  readonly id: string;
  readonly household_id: string;
  readonly on_date: string;
  readonly state: Sitdown['state'];
  readonly started_at: Date | null;
  readonly ended_at: Date | null;
}

export interface PageRow {
  readonly sitdown_id: string;
  readonly student_id: string;
  readonly hidden: readonly string[];
  readonly own: readonly OwnLine[];
  readonly line_order: readonly string[];
  readonly question: string | null;
  readonly answer: string | null;
  readonly agreed: readonly Agreement[];
  readonly kept: readonly KeptSection[] | null;
  readonly version: number;
}

/** So many of the latest are told: two years of weeks. */
const most = 104;

export const sitdownsOf = (db: Db, householdId: string): Promise<SitdownRow[]> =>
  db('sitdowns')
    .where({ household_id: householdId })
    .orderByRaw(`state = 'held', on_date desc, id`)
    .limit(most)
    .select('*');

export const sitdownOf = (db: Db, householdId: string, id: string): Promise<SitdownRow | undefined> =>
  db('sitdowns').where({ household_id: householdId, id }).first('*');

export const openSitdown = (db: Db, householdId: string): Promise<SitdownRow | undefined> =>
  db('sitdowns').where({ household_id: householdId }).whereNot({ state: 'held' }).first('*');

/** The pages of some sit-downs that are about some children. */
export const pagesOf = (
  db: Db,
  sitdownIds: readonly string[],
  studentIds: readonly string[],
): Promise<PageRow[]> =>
  db('sitdown_pages')
    .whereIn('sitdown_id', [...sitdownIds])
    .whereIn('student_id', [...studentIds])
    .select('*');

/** Opens the next one; nothing where one is open. */
export async function addSitdown(trx: Trx, row: { household_id: string; on_date: string }): Promise<void> {
  await trx.raw(
    `insert into sitdowns (household_id, on_date) values (:household_id, :on_date)
     on conflict (household_id) where state <> 'held' do nothing`,
    row,
  );
}

/** A page for each of the children that are the writer's to see and has none. */
export async function addPages(trx: Trx, sitdownId: string, studentIds: readonly string[]): Promise<void> {
  await trx.raw(
    `insert into sitdown_pages (sitdown_id, student_id)
     select :sitdownId, student_id from student_profiles where student_id = any (:studentIds)
     on conflict (sitdown_id, student_id) do nothing`,
    { sitdownId, studentIds: [...studentIds] },
  );
}

/** @returns whether the page stood as it was read, and can still be changed. */
export async function changePage(
  trx: Trx,
  key: { readonly sitdownId: string; readonly studentId: string },
  { version, hidden, own, order, agreed, ...plain }: PageChange,
): Promise<boolean> {
  const json = Object.fromEntries(
    Object.entries({ hidden, own, line_order: order, agreed }).flatMap(([name, value]) =>
      value === undefined ? [] : [[name, JSON.stringify(value)]],
    ),
  );
  const changed = await trx('sitdown_pages')
    .where({ sitdown_id: key.sitdownId, student_id: key.studentId, version })
    .update({ ...plain, ...json, version: version + 1 });
  return changed === 1;
}

/** Moves a sit-down on; tells the windows of its children. @returns whether it stood there. */
export async function moveOn(
  trx: Trx,
  { id, from }: { readonly id: string; readonly from: readonly Sitdown['state'][] },
  to: Partial<Pick<SitdownRow, 'state' | 'started_at' | 'ended_at'>>,
): Promise<boolean> {
  const moved = await trx('sitdowns')
    .where({ id })
    .whereIn('state', [...from])
    .update(to);
  if (moved !== 1) return false;
  await trx('sitdown_pages')
    .where({ sitdown_id: id })
    .update({ version: trx.raw('version + 1') });
  return true;
}

export async function keepPage(
  trx: Trx,
  key: { readonly sitdownId: string; readonly studentId: string },
  sections: readonly KeptSection[],
): Promise<void> {
  await trx('sitdown_pages')
    .where({ sitdown_id: key.sitdownId, student_id: key.studentId })
    .update({ kept: JSON.stringify(sections) });
}

export const dropOpen = async (db: Db, householdId: string, id: string): Promise<boolean> =>
  (await db('sitdowns').where({ household_id: householdId, id, state: 'open' }).delete()) === 1;

export const rhythmOf = async (db: Db, householdId: string): Promise<string | null> => {
  const row = await db('sitdown_rhythms')
    .where({ household_id: householdId })
    .first<{ entry_id: string } | undefined>('entry_id');
  return row?.entry_id ?? null;
};

export async function setRhythm(trx: Trx, householdId: string, entryId: string | null): Promise<void> {
  await trx('sitdown_rhythms').where({ household_id: householdId }).delete();
  if (entryId !== null) await trx('sitdown_rhythms').insert({ household_id: householdId, entry_id: entryId });
}
