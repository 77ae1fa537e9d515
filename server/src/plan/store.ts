import type { Db, Trx } from '../kit';
import { moveAbout, type Dissolved } from '../records';

/** Whose evenings: a child's, as one household plans them. */
export interface Owner {
  readonly studentId: string;
  readonly householdId: string;
}
const keyOf = ({ studentId, householdId }: Owner) => ({ student_id: studentId, household_id: householdId });

/** Minutes by weekday, Sunday first, until a household has said otherwise: school evenings, and some of Sunday. */
const usualPattern = [45, 60, 60, 60, 60, 0, 0];

/** Of which children rows are read, as one household plans their evenings. */
export interface Owners {
  readonly studentIds: readonly string[];
  readonly householdId: string;
}
const ofOwners = (db: Db, table: string, { studentIds, householdId }: Owners) =>
  db(table)
    .where({ household_id: householdId })
    .whereIn('student_id', [...studentIds]);

export interface PlanRow {
  readonly pattern: number[];
  readonly best_gain: number | null;
  readonly proven: boolean | null;
}

/** A row about a child's evenings. */
type Of<T> = T & { readonly student_id: string };

/** A plan of which nothing has been said yet. */
export const usualPlan: PlanRow = { pattern: usualPattern, best_gain: null, proven: null };

export const plansOf = (db: Db, owners: Owners): Promise<Of<PlanRow>[]> =>
  ofOwners(db, 'plans', owners).select<Of<PlanRow>[]>('student_id', 'pattern', 'best_gain', 'proven');

/** What was best for other evenings or other tasks says nothing of these. */
export async function putPlan(db: Db | Trx, owner: Owner, change: Partial<PlanRow>): Promise<void> {
  await db('plans')
    .insert({ ...keyOf(owner), pattern: usualPattern, ...change })
    .onConflict(['student_id', 'household_id'])
    .merge(Object.keys(change));
}

export async function forgetBest(db: Db | Trx, owner: Owner): Promise<void> {
  await db('plans').where(keyOf(owner)).update({ best_gain: null, proven: null });
}

export interface ExceptionRow {
  readonly on_date: string;
  readonly minutes: number;
}

export const exceptionsOf = (db: Db, owners: Owners, from: string): Promise<Of<ExceptionRow>[]> =>
  ofOwners(db, 'plan_exceptions', owners)
    .where('on_date', '>=', from)
    .select<Of<ExceptionRow>[]>('student_id', 'on_date', 'minutes');

export async function putExceptions(
  trx: Trx,
  owner: Owner,
  exceptions: readonly { readonly date: string; readonly minutes: number | null }[],
): Promise<void> {
  for (const { date, minutes } of exceptions) {
    const key = { ...keyOf(owner), on_date: date };
    if (minutes === null) await trx('plan_exceptions').where(key).delete();
    else {
      await trx('plan_exceptions')
        .insert({ ...key, minutes })
        .onConflict(['student_id', 'household_id', 'on_date'])
        .merge();
    }
  }
}

export interface TaskRow {
  readonly item_id: string;
  readonly minutes: number;
  readonly evening: string | null;
  readonly done_at: Date | null;
}

/** What was chosen; what was done longer ago than `doneSince` is past. */
export const tasksOf = (db: Db, owners: Owners, doneSince: Date): Promise<Of<TaskRow>[]> =>
  ofOwners(db, 'plan_tasks', owners)
    .where((is) => is.whereNull('done_at').orWhere('done_at', '>=', doneSince))
    .select<Of<TaskRow>[]>('student_id', 'item_id', 'minutes', 'evening', 'done_at');

export async function putTasks(
  trx: Trx,
  owner: Owner,
  tasks: readonly { readonly itemId: string; readonly minutes: number }[],
  at: Date,
): Promise<void> {
  await trx('plan_tasks')
    .insert(
      tasks.map(({ itemId, minutes }) => ({ ...keyOf(owner), item_id: itemId, minutes, chosen_at: at })),
    )
    .onConflict(['student_id', 'household_id', 'item_id'])
    .merge({ minutes: trx.raw('excluded.minutes'), done_at: null });
}

/** Tells whether there was such a task. */
export const changeTask = async (
  db: Db | Trx,
  owner: Owner,
  itemId: string,
  change: { evening?: string | null; minutes?: number; done_at?: Date | null },
): Promise<boolean> =>
  (await db('plan_tasks')
    .where({ ...keyOf(owner), item_id: itemId })
    .update(change)) === 1;

export const dropTask = async (db: Db | Trx, owner: Owner, itemId: string): Promise<boolean> =>
  (await db('plan_tasks')
    .where({ ...keyOf(owner), item_id: itemId })
    .delete()) === 1;

/** Puts the open tasks on the evenings of a proposal; those it has no room for stand on none. */
export async function placeTasks(
  trx: Trx,
  owner: Owner,
  openIds: readonly string[],
  evenings: readonly { readonly date: string; readonly taskIds: readonly string[] }[],
): Promise<void> {
  const open = () => trx('plan_tasks').where(keyOf(owner));
  await open()
    .whereIn('item_id', [...openIds])
    .update({ evening: null });
  for (const { date, taskIds } of evenings) {
    if (taskIds.length > 0)
      await open()
        .whereIn('item_id', [...taskIds])
        .update({ evening: date });
  }
}

/** An evening that was planned for a household's own work is the school's work's, once the two are one. */
export const moveTasks = (trx: Trx, each: Dissolved): Promise<void> =>
  moveAbout(trx, { table: 'plan_tasks' }, each);
