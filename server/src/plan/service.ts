import type {
  Child,
  ChosenBody,
  EveningsBody,
  Plan,
  PlannedTask,
  TaskChange,
  WorkRow,
} from '@cadro/contract';
import { mostPlanEvenings, mostPlanTasks } from '@cadro/contract';
import { byCodePoint, dateIn, dayMs, daysAfter, movedOn, weekdayOf } from '@cadro/core';
import { type Clock, type Db, groupBy, HttpProblem, type ServerDeps } from '../kit';
import { saveEffort, workOf } from '../outlook';
import { solving } from './solving';
import * as store from './store';

export interface Deps {
  readonly db: Db;
  readonly clock: Clock;
}

const bringsMost = (a: PlannedTask, b: PlannedTask): number =>
  b.gain - a.gain || byCodePoint(a.title, b.title);

/** What was done stays in sight for a week. */
const doneDays = 7;

/** Hundredths of the scale, so that a course of 4 and one of 100 are summed alike. */
const gainOf = ({ gain, outOf, recoverable, kind }: WorkRow): number =>
  gain === null || (kind !== null && !recoverable) ? 0 : (gain / outOf) * 100;

/** Whether there is something left to do: neither settled nor excused nor waiting for the teacher, nor too late. */
const isOpenWork = ({ group, kind, recoverable }: WorkRow): boolean =>
  group !== 'settled' && group !== 'excused' && group !== 'waiting' && (kind === null || recoverable);

interface Loaded {
  readonly plan: Plan;
  /** The child's work that can be chosen, by item. */
  readonly work: ReadonlyMap<string, WorkRow>;
}

/** What is known of one child's evenings and work. */
interface Material {
  readonly row: store.PlanRow;
  readonly exceptions: readonly store.ExceptionRow[];
  readonly tasks: readonly store.TaskRow[];
  readonly rows: readonly WorkRow[];
}

function planFrom({ row, exceptions, tasks, rows }: Material, timeZone: string, now: Date): Loaded {
  const today = dateIn(timeZone, now);
  const differs = new Map(exceptions.map(({ on_date, minutes }) => [on_date, minutes]));
  const evenings = Array.from({ length: mostPlanEvenings }, (_, ahead) => {
    const date = daysAfter(today, ahead);
    const usual = row.pattern[weekdayOf(date)] ?? 0;
    return { date, minutes: differs.get(date) ?? usual, exception: differs.has(date) };
  });
  const work = new Map(rows.map((each) => [each.itemId, each]));
  const open = tasks.flatMap((task): PlannedTask[] => {
    const of = work.get(task.item_id);
    // Settled in the meantime, or taken back by the school: nothing to plan.
    if (!of || (task.done_at === null && !isOpenWork(of))) return [];
    const until = of.kind ? of.deadline : of.dueAt;
    return [
      {
        itemId: task.item_id,
        courseId: of.courseId,
        courseTitle: of.courseTitle,
        title: of.title,
        kind: of.kind,
        minutes: task.minutes,
        gain: gainOf(of),
        deadline: until && dateIn(timeZone, new Date(until)),
        notBefore: of.assignedAt && of.kind === null ? dateIn(timeZone, new Date(of.assignedAt)) : null,
        evening: task.evening,
        movedFrom: null,
        doneAt: task.done_at?.toISOString() ?? null,
      },
    ];
  });
  return {
    work,
    plan: {
      today,
      pattern: row.pattern,
      evenings,
      tasks: movedOn(open.sort(bringsMost), evenings, today),
      best: row.best_gain === null ? null : { gain: row.best_gain, proven: row.proven ?? false },
    },
  };
}

/** The plans of a household's children: the same few questions, however many children. */
async function loadAll(
  deps: Deps,
  guardianId: string,
  children: readonly Child[],
  householdId: string,
): Promise<Loaded[]> {
  const { db, clock } = deps;
  const now = await clock.now();
  const owners = { studentIds: children.map(({ id }) => id), householdId };
  const first = children.map(({ timeZone }) => dateIn(timeZone, now)).sort()[0] ?? dateIn('UTC', now);
  const [plans, exceptions, tasks, { rows }] = await Promise.all([
    store.plansOf(db, owners),
    store.exceptionsOf(db, owners, first),
    store.tasksOf(db, owners, new Date(now.getTime() - doneDays * dayMs)),
    workOf(deps, guardianId, children),
  ]);
  const planOf = new Map(plans.map((row) => [row.student_id, row]));
  const exceptionsOf = groupBy(exceptions, (row) => row.student_id);
  const tasksOf = groupBy(tasks, (row) => row.student_id);
  const rowsOf = groupBy(rows, ({ studentId }) => studentId);
  return children.map(({ id, timeZone }) => {
    const material = {
      row: planOf.get(id) ?? store.usualPlan,
      exceptions: exceptionsOf.get(id) ?? [],
      tasks: tasksOf.get(id) ?? [],
      rows: rowsOf.get(id) ?? [],
    };
    return planFrom(material, timeZone, now);
  });
}

async function load(deps: Deps, guardianId: string, child: Child, owner: store.Owner): Promise<Loaded> {
  const [loaded] = await loadAll(deps, guardianId, [child], owner.householdId);
  if (!loaded) throw new Error('a child has a plan');
  return loaded;
}

export const readPlan = async (
  deps: Deps,
  guardianId: string,
  child: Child,
  owner: store.Owner,
): Promise<Plan> => (await load(deps, guardianId, child, owner)).plan;

/** The plans of several children, in their order. */
export const readPlans = async (
  deps: Deps,
  guardianId: string,
  children: readonly Child[],
  householdId: string,
): Promise<Plan[]> => (await loadAll(deps, guardianId, children, householdId)).map(({ plan }) => plan);

export async function setEvenings({ db }: Deps, owner: store.Owner, body: EveningsBody): Promise<void> {
  const { pattern, exceptions = [] } = body;
  await db.transaction(async (trx) => {
    await store.putPlan(trx, owner, { ...(pattern ? { pattern } : {}), best_gain: null, proven: null });
    await store.putExceptions(trx, owner, exceptions);
  });
}

/**
 * Chooses work for the evenings.
 * @throws HttpProblem 404 for work that is not this child's or not open; 422 when it would be more than can be weighed.
 */
export async function chooseTasks(
  deps: Deps,
  guardianId: string,
  child: Child,
  owner: store.Owner,
  { tasks }: ChosenBody,
): Promise<void> {
  const { db, clock } = deps;
  const { work, plan } = await load(deps, guardianId, child, owner);
  const chosen = tasks.map(({ itemId, minutes }) => {
    const of = work.get(itemId);
    if (!of || !isOpenWork(of)) throw new HttpProblem('not-found');
    return { itemId, minutes: minutes ?? of.effort.minutes, told: minutes !== undefined };
  });
  const open = new Set([
    ...plan.tasks.flatMap(({ itemId, doneAt }) => (doneAt ? [] : [itemId])),
    ...chosen.map(({ itemId }) => itemId),
  ]);
  if (open.size > mostPlanTasks) throw new HttpProblem('plan-full');
  const at = await clock.now();
  await db.transaction(async (trx) => {
    await store.putTasks(trx, owner, chosen, at);
    await store.forgetBest(trx, owner);
    for (const { itemId, minutes, told } of chosen) {
      if (told) await saveEffort(trx, { ...owner, itemId }, minutes, at);
    }
  });
}

/** @throws HttpProblem 404 when the task was not chosen. */
export async function changeTask(
  { db, clock }: Deps,
  owner: store.Owner,
  itemId: string,
  { evening, minutes, done }: TaskChange,
): Promise<void> {
  const at = await clock.now();
  const change = {
    ...(evening === undefined ? {} : { evening }),
    ...(minutes === undefined ? {} : { minutes }),
    ...(done === undefined ? {} : { done_at: done ? at : null }),
  };
  if (Object.keys(change).length === 0) return;
  await db.transaction(async (trx) => {
    if (!(await store.changeTask(trx, owner, itemId, change))) throw new HttpProblem('not-found');
    // The price of a move is told against the best; other minutes, or one task less, ask for another best.
    if (minutes !== undefined || done !== undefined) await store.forgetBest(trx, owner);
    if (minutes !== undefined) await saveEffort(trx, { ...owner, itemId }, minutes, at);
  });
}

/** @throws HttpProblem 404 when the task was not chosen. */
export async function dropTask({ db }: Deps, owner: store.Owner, itemId: string): Promise<void> {
  await db.transaction(async (trx) => {
    if (!(await store.dropTask(trx, owner, itemId))) throw new HttpProblem('not-found');
    await store.forgetBest(trx, owner);
  });
}

/** Places the open tasks so that the summed gain is greatest. */
export async function propose(
  deps: Deps & Pick<ServerDeps, 'threads'>,
  guardianId: string,
  child: Child,
  owner: store.Owner,
): Promise<void> {
  const { plan } = await load(deps, guardianId, child, owner);
  const open = plan.tasks.filter(({ doneAt }) => doneAt === null);
  const { plan: proposed, proven } = await deps.threads.of(solving).run(
    'propose',
    {
      tasks: open.map(({ itemId: id, minutes, gain, deadline, notBefore }) => ({
        ...{ id, minutes, gain, deadline, notBefore },
      })),
      evenings: plan.evenings.map(({ date, minutes }) => ({ date, minutes })),
    },
    { whose: guardianId },
  );
  await deps.db.transaction(async (trx) => {
    await store.placeTasks(
      trx,
      owner,
      open.map(({ itemId }) => itemId),
      proposed.evenings,
    );
    await store.putPlan(trx, owner, { best_gain: proposed.gain, proven });
  });
}
