import { byCodePoint } from '../gradebook';
import { Improver } from './improve';
import { fillingsOf, type Filling } from './fillings';
import {
  problemOf,
  worthOf,
  type Assignment,
  type PlanEvening,
  type PlanTask,
  type Problem,
} from './problem';
import { Search } from './search';

export interface Plan {
  /** The gains of its tasks together. */
  readonly gain: number;
  /** Every evening that was given, by date; the tasks of each by deadline, then id. */
  readonly evenings: readonly { readonly date: string; readonly taskIds: readonly string[] }[];
}

export interface Proposal {
  readonly plan: Plan;
  /** Whether no other plan gains more. */
  readonly proven: boolean;
}

/**
 * Chooses one filling an evening at most, so that the gains of the tasks that stand in any of them are greatest; a task
 * brings its gain once. `chosen` are indexes of fillings; `proven` whether no choice is better.
 * @param gains by task.
 */
export type Packer = (
  fillings: readonly Filling[],
  gains: readonly number[],
) => Promise<{ readonly chosen: readonly number[]; readonly proven: boolean }>;

const branches = 300;
/** More than can be chosen from while somebody waits. */
const mostFillings = 12_000;
/** First the fillings that hardly fall short are tried: what they give shuts out most of the others. */
const shares = [0.25, 1] as const;

function planOf({ tasks, evenings }: Problem, assignment: Assignment): Plan {
  const at = (index: number) => tasks.filter((_, task) => assignment[task] === index);
  return {
    gain: tasks.reduce((sum, { gain }, task) => sum + (assignment[task]! < 0 ? 0 : gain), 0),
    evenings: evenings.map(({ date }, index) => ({
      date,
      taskIds: at(index)
        .sort((a, b) => byCodePoint(a.deadline ?? '9999', b.deadline ?? '9999') || byCodePoint(a.id, b.id))
        .map(({ id }) => id),
    })),
  };
}

/**
 * What to do on which evening, so that the summed gain is greatest: each task on one evening at most, not after its
 * deadline nor before `notBefore`, no evening overfilled. Of plans with one gain an earlier and fuller one is taken.
 * Tasks that gain less than 0 are left out.
 * @param pack is asked when branch and bound has not closed by itself.
 */
export async function proposePlan(
  tasks: readonly PlanTask[],
  evenings: readonly PlanEvening[],
  pack: Packer,
): Promise<Proposal> {
  const problem = problemOf(tasks, evenings);
  const found = new Search(problem).run(branches);
  const improver = new Improver(problem);
  const gainPart = (worth: number) => Math.floor(worth / problem.gainWeighs);
  let [best, worth] = [found.assignment, found.worth];
  const { root } = found;
  let proven = !root || gainPart(found.bound) === gainPart(worth);
  for (const share of shares) {
    if (proven || !root) break;
    const least = root.bound - (root.bound - worth) * share;
    const fillings = fillingsOf(problem, root, { least, most: mostFillings });
    if (!fillings) break;
    const packed = await pack(
      fillings,
      problem.tasks.map(({ gain }) => gain),
    );
    const improved = improver.improveWell(placed(problem, fillings, packed.chosen));
    if (worthOf(problem, improved) > worth) [best, worth] = [improved, worthOf(problem, improved)];
    proven = packed.proven && share === 1;
  }
  return { plan: planOf(problem, best), proven };
}

/** Each task of the chosen fillings on the first of their evenings. */
function placed({ tasks }: Problem, fillings: readonly Filling[], chosen: readonly number[]): Assignment {
  const assignment: Assignment = new Int32Array(tasks.length).fill(-1);
  const byEvening = chosen.map((index) => fillings[index]!).sort((a, b) => b.evening - a.evening);
  for (const filling of byEvening) for (const task of filling.tasks) assignment[task] = filling.evening;
  return assignment;
}
