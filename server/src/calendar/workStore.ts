import type { Db, Trx } from '../kit';
import {
  datedWorks,
  isAsked,
  isOpen,
  moveAbout,
  openStatuses,
  type DatedWork,
  type Dissolved,
} from '../records';

/** Work that is given out or due between two instants. */
export const worksBetween = async (
  db: Db,
  studentIds: readonly string[],
  { from, to, now }: { from: Date; to: Date; now: Date },
): Promise<DatedWork[]> =>
  (
    await datedWorks(db, studentIds, now)
      .where('i.assigned_at', '<=', now)
      .where((is) => is.whereBetween('i.assigned_at', [from, to]).orWhereBetween('i.due_at', [from, to]))
      .orderByRaw('i.due_at, i.title')
  ).filter(isAsked);

/** Work that is due between two instants, also what is announced and not given out yet. */
export const worksDue = async (
  db: Db,
  studentIds: readonly string[],
  { from, to, now }: { from: Date; to: Date; now: Date },
): Promise<DatedWork[]> =>
  (
    await datedWorks(db, studentIds, now).whereBetween('i.due_at', [from, to]).orderByRaw('i.due_at, i.title')
  ).filter(isAsked);

export interface UndatedRow extends DatedWork {
  readonly ownDate: string | null;
  readonly open: boolean;
}

/** Work without a date, with the day that a household has given it. */
export async function ownDated(
  db: Db,
  studentIds: readonly string[],
  householdId: string,
  now: Date,
): Promise<UndatedRow[]> {
  const [rows, dates] = await Promise.all([
    datedWorks(db, studentIds, now)
      .where('i.assigned_at', '<=', now)
      .where({ 'i.undated': true })
      .orderBy('i.title'),
    db('own_dates')
      .whereIn('student_id', [...studentIds])
      .where({ household_id: householdId })
      .select<{ student_id: string; item_id: string; on_date: string }[]>('student_id', 'item_id', 'on_date'),
  ]);
  const own = new Map(dates.map(({ student_id, item_id, on_date }) => [`${student_id}:${item_id}`, on_date]));
  return rows.filter(isAsked).map((row) => ({
    ...row,
    ownDate: own.get(`${row.studentId}:${row.itemId}`) ?? null,
    open: isOpen(row.status),
  }));
}

/** Gives undated work a day of the household's own, or takes it away. */
export async function saveOwnDate(
  db: Db,
  key: { studentId: string; householdId: string; itemId: string },
  on: string | null,
): Promise<void> {
  const row = { student_id: key.studentId, household_id: key.householdId, item_id: key.itemId };
  if (on === null) await db('own_dates').where(row).delete();
  else {
    await db('own_dates')
      .insert({ ...row, on_date: on })
      .onConflict(['student_id', 'household_id', 'item_id'])
      .merge();
  }
}

/** Whether one of the children has a work. */
export const enrolledInItem = async (
  db: Db,
  studentIds: readonly string[],
  itemId: string,
): Promise<boolean> =>
  (await db('student_items')
    .whereIn('student_id', [...studentIds])
    .where({ item_id: itemId })
    .first('item_id')) !== undefined;

/** Open work that something has to be there for. */
export const suppliedWorks = (
  db: Db,
  studentIds: readonly string[],
  now: Date,
): Promise<(DatedWork & { readonly supplies: string[] })[]> =>
  datedWorks(db, studentIds, now)
    .where('i.assigned_at', '<=', now)
    .whereRaw(`i.supplies <> '[]'`)
    .whereRaw(`coalesce(i.status, 'open') = any(?)`, [[...openStatuses]])
    .select('i.supplies');

/** Supplies a household has ticked off, as `student:item:supply`. */
export async function gotOf(
  db: Db,
  studentIds: readonly string[],
  householdId: string,
): Promise<ReadonlySet<string>> {
  const rows = await db('supplies_got')
    .whereIn('student_id', [...studentIds])
    .where({ household_id: householdId })
    .select<{ student_id: string; item_id: string; supply: string }[]>('student_id', 'item_id', 'supply');
  return new Set(rows.map(({ student_id, item_id, supply }) => `${student_id}:${item_id}:${supply}`));
}

export async function saveGot(
  db: Db,
  key: { studentId: string; householdId: string; itemId: string },
  supply: string,
  got: boolean,
): Promise<void> {
  const row = { student_id: key.studentId, household_id: key.householdId, item_id: key.itemId, supply };
  if (got) await db('supplies_got').insert(row).onConflict().ignore();
  else await db('supplies_got').where(row).delete();
}

/** Days, things to bring and entries about a household's own work are about the school's, once the two are one. */
export async function moveDates(trx: Trx, each: Dissolved): Promise<void> {
  await moveAbout(trx, { table: 'own_dates' }, each);
  await moveAbout(trx, { table: 'supplies_got', also: ['supply'] }, each);
  await trx('calendar_entries')
    .where({ household_id: each.householdId, item_id: each.ownId })
    .update({ item_id: each.itemId });
}
