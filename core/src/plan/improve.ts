import { Knapsack } from './knapsack';
import { refillPair } from './pairs';
import type { Assignment, Problem } from './problem';

/** Makes plans better by filling one evening anew while the others stay, until none can be filled better. */
export class Improver {
  private readonly knapsack: Knapsack;

  constructor(private readonly problem: Problem) {
    this.knapsack = new Knapsack(problem.tasks.length, Math.max(0, ...problem.room));
  }

  improve(start: Assignment): Assignment {
    const assignment = start.slice();
    while (this.problem.room.some((room, evening) => room > 0 && this.refill(assignment, evening))) {
      // Each round is worth more than the one before, so it ends.
    }
    return assignment;
  }

  /** As `improve`, also filling any two evenings at once; slower. */
  improveWell(start: Assignment): Assignment {
    const { problem } = this;
    let assignment = this.improve(start);
    const evenings = problem.room.flatMap((room, evening) => (room > 0 ? [evening] : []));
    const pairs = evenings.flatMap((first, index) =>
      evenings.slice(index + 1).map((second) => [first, second] as const),
    );
    for (let quiet = 0, next = 0; quiet < pairs.length; next = (next + 1) % pairs.length) {
      if (refillPair(problem, assignment, pairs[next]!)) {
        assignment = this.improve(assignment);
        quiet = 0;
      } else quiet++;
    }
    return assignment;
  }

  /** Whatever may go on this evening is drawn to it for what it gains over where it is now. */
  private refill(assignment: Assignment, evening: number): boolean {
    const { worth, size, room } = this.problem;
    const who = [...assignment.keys()].filter((task) => worth[task]![evening]! > 0);
    const values = Float64Array.from(who, (task) => {
      const now = assignment[task]!;
      return worth[task]![evening]! - (now < 0 || now === evening ? 0 : worth[task]![now]!);
    });
    const drawn = who.filter((_, index) => values[index]! > 0);
    const before = who.reduce(
      (sum, task) => sum + (assignment[task] === evening ? worth[task]![evening]! : 0),
      0,
    );
    const chosen = new Uint8Array(drawn.length);
    const after = this.knapsack.fill(
      drawn.length,
      values.filter((value) => value > 0),
      Int32Array.from(drawn, (task) => size[task]!),
      room[evening]!,
      chosen,
    );
    if (after <= before) return false;
    for (const task of who) if (assignment[task] === evening) assignment[task] = -1;
    drawn.forEach((task, index) => {
      if (chosen[index]) assignment[task] = evening;
    });
    return true;
  }
}
