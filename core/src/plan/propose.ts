import { byCodePoint } from '../gradebook';
import { Improver, worthOf, type Assignment } from './improve';
import { fillingsOf, type Filling } from './fillings';
import { problemOf, type PlanEvening, type PlanTask, type Problem } from './problem';
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
 * Chooses one filling an evening at most, each task in one of them at most, so that the gains are greatest.
 * `chosen` are indexes of fillings; `proven` whether no choice is better.
 */
export type Packer = (
  fillings: readonly Filling[],
  gains: readonly number[],
) => Promise<{ readonly chosen: readonly number[]; readonly proven: boolean }>;

const branches = 300;
const mostFillings = 60_000;

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
  const gainPart = (worth: number) => Math.floor(worth / problem.gainWeighs);
  const settled = { plan: planOf(problem, found.assignment), proven: true };
  if (!found.root || gainPart(found.bound) === gainPart(found.worth)) return settled;
  const fillings = fillingsOf(problem, found.root, { least: found.worth, most: mostFillings });
  if (!fillings) return { ...settled, proven: false };
  const gainOf = ({ tasks: own }: Filling) => own.reduce((sum, task) => sum + problem.tasks[task]!.gain, 0);
  const { chosen, proven } = await pack(fillings, fillings.map(gainOf));
  const packed = new Int32Array(problem.tasks.length).fill(-1);
  for (const index of chosen)
    for (const task of fillings[index]!.tasks) packed[task] = fillings[index]!.evening;
  const improved = new Improver(problem).improveWell(packed);
  const better = worthOf(problem, improved) > found.worth ? improved : found.assignment;
  return { plan: planOf(problem, better), proven };
}
