import { byCodePoint, type Fault } from '../gradebook';

/** Work that could be done on an evening. */
export interface PlanTask {
  readonly id: string;
  /** Whole minutes it takes. */
  readonly minutes: number;
  /** What doing it is worth, in any one unit; the gains of a plan are summed. */
  readonly gain: number;
  /** The last date it can be done on, `YYYY-MM-DD`; null: any. */
  readonly deadline?: string | null;
  /** The first date it can be done on; null: any. */
  readonly notBefore?: string | null;
}

export interface PlanEvening {
  readonly date: string;
  /** Whole free minutes. */
  readonly minutes: number;
}

/**
 * Which task may go on which evening and what that is worth, in whole numbers: the gain first, then how early. A task
 * left out is counted as later than every evening, so of two plans with one gain the earlier and fuller is worth more.
 */
export interface Problem {
  readonly tasks: readonly PlanTask[];
  readonly evenings: readonly PlanEvening[];
  /** Minutes in the greatest unit that divides them all. */
  readonly size: readonly number[];
  readonly room: readonly number[];
  /** By task, then evening; 0 where the task may not go. */
  readonly worth: readonly Float64Array[];
  /** One step of gain is worth as much as this many evenings earlier: more than there can be. */
  readonly gainWeighs: number;
}

const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));

/** Nine decimal places of the greatest gain: sums of them and of their places in time stay exact whole numbers. */
const decimals = 9;

/** Whether a task may be done on an evening, were it the only one. */
export const mayGo = (
  { minutes, deadline, notBefore }: PlanTask,
  { date, minutes: free }: PlanEvening,
): boolean => minutes <= free && (!deadline || date <= deadline) && (!notBefore || date >= notBefore);

/** Brings a question into the order in which it is solved, so that its answer does not depend on the order it came in. */
export function problemOf(askedTasks: readonly PlanTask[], askedEvenings: readonly PlanEvening[]): Problem {
  const evenings = [...askedEvenings].sort((a, b) => byCodePoint(a.date, b.date));
  const tasks = askedTasks
    .filter((task) => task.gain >= 0 && evenings.some((evening) => mayGo(task, evening)))
    .sort((a, b) => b.gain - a.gain || byCodePoint(a.id, b.id));
  const greatest = tasks[0]?.gain ?? 0;
  const step = greatest > 0 ? 10 ** (Math.ceil(Math.log10(greatest)) - decimals) : 1;
  const gainWeighs = tasks.length * evenings.length + 1;
  const unit = Math.max(
    1,
    tasks.reduce((common, { minutes }) => divisor(minutes, common), 0),
  );
  const size = tasks.map(({ minutes }) => minutes / unit);
  const all = size.reduce((sum, each) => sum + each, 0);
  return {
    tasks,
    gainWeighs,
    evenings,
    size,
    room: evenings.map(({ minutes }) => Math.min(all, Math.floor(minutes / unit))),
    worth: tasks.map((task) =>
      Float64Array.from(evenings, (evening, index) =>
        mayGo(task, evening) ? Math.round(task.gain / step) * gainWeighs + (evenings.length - index) : 0,
      ),
    ),
  };
}

function twice(path: string, member: string, keys: readonly string[]): Fault | null {
  const index = keys.findIndex((key, at) => keys.indexOf(key) !== at);
  return index < 0
    ? null
    : { path: `${path}/${index}/${member}`, message: `'${keys[index]}' is given twice` };
}

/** The first inconsistency of a question that fits its schema; null when it is sound. */
export const planFault = (tasks: readonly PlanTask[], evenings: readonly PlanEvening[]): Fault | null =>
  twice(
    '/tasks',
    'id',
    tasks.map(({ id }) => id),
  ) ??
  twice(
    '/evenings',
    'date',
    evenings.map(({ date }) => date),
  );

/** The evening of each task, -1 when it is left out. */
export type Assignment = Int32Array;

export const worthOf = ({ worth }: Problem, assignment: Assignment): number =>
  assignment.reduce((sum, evening, task) => sum + (evening < 0 ? 0 : worth[task]![evening]!), 0);
