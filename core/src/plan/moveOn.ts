/** A chosen task and where it stands. */
interface Placed {
  readonly minutes: number;
  readonly evening: string | null;
  readonly deadline: string | null;
  readonly doneAt: string | null;
  readonly movedFrom: string | null;
}

/**
 * What was not done on its evening moves on to the first evening that has room for it, on or before its deadline; where
 * there is none it stands on no evening. Either way it says where it came from.
 * @param evenings from today on, by date.
 */
export function movedOn<T extends Placed>(
  tasks: readonly T[],
  evenings: readonly { readonly date: string; readonly minutes: number }[],
  today: string,
): T[] {
  const past = ({ evening, doneAt }: T) => doneAt === null && evening !== null && evening < today;
  const left = new Map(evenings.map(({ date, minutes }) => [date, minutes]));
  for (const task of tasks) {
    if (task.evening === null || past(task) || task.doneAt !== null) continue;
    left.set(task.evening, (left.get(task.evening) ?? 0) - task.minutes);
  }
  return tasks.map((task) => {
    if (!past(task)) return task;
    const next = evenings.find(
      ({ date }) =>
        (left.get(date) ?? 0) >= task.minutes && (task.deadline === null || date <= task.deadline),
    );
    if (next) left.set(next.date, (left.get(next.date) ?? 0) - task.minutes);
    return { ...task, evening: next?.date ?? null, movedFrom: task.evening };
  });
}

interface Gaining extends Pick<Placed, 'evening' | 'doneAt'> {
  readonly gain: number;
}

/** The gain of what stands on an evening. */
export const placedGain = (tasks: readonly Gaining[]): number =>
  tasks.reduce((sum, { gain, evening, doneAt }) => sum + (evening !== null && doneAt === null ? gain : 0), 0);

/** Less of a point than is told. */
const hardly = 0.005;

/** What the best plan would gain beyond this one, in points; 0 where it is less than is told. */
export const missedGain = (bestGain: number, tasks: readonly Gaining[]): number => {
  const missed = bestGain - placedGain(tasks);
  return missed > hardly ? missed : 0;
};

/** Whether all that is still to be done stands on an evening, and no plan is known to be better. */
export const isSettledPlan = (
  best: { readonly gain: number; readonly proven: boolean } | null,
  tasks: readonly Gaining[],
): boolean =>
  best?.proven === true &&
  tasks.every(({ doneAt, evening }) => doneAt !== null || evening !== null) &&
  missedGain(best.gain, tasks) === 0;
