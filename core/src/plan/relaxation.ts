import { Knapsack } from './knapsack';
import type { Problem } from './problem';

/** Which evenings are still open to each task while a plan is searched: by task × evening, 1 or 0. */
export type Open = Uint8Array;

/** An answer that may put a task on several evenings: no plan is worth more than `bound`. */
export interface Relaxed {
  readonly bound: number;
  /** By task × evening. */
  readonly placed: Uint8Array;
  /** On how many evenings each task stands. */
  readonly times: Int32Array;
  /** How far the bound falls, at the least, when a task must go where it is not placed: by task × evening. */
  readonly falls: Float64Array;
}

/**
 * The plan without the rule that a task is done once: instead each placing of a task costs its price, so every evening
 * can be filled for itself. Whatever the prices are, the prices together with what the evenings earn above them are
 * at least the worth of the best plan; good prices make it close.
 */
export class Relaxation {
  private readonly knapsack: Knapsack;
  private readonly values: Float64Array;
  private readonly sizes: Int32Array;
  private readonly who: Int32Array;
  private readonly chosen: Uint8Array;

  constructor(private readonly problem: Problem) {
    const count = problem.tasks.length;
    this.knapsack = new Knapsack(count, Math.max(0, ...problem.room));
    this.values = new Float64Array(count);
    this.sizes = new Int32Array(count);
    this.who = new Int32Array(count);
    this.chosen = new Uint8Array(count);
  }

  /** @param room what is left of the evenings. */
  at(prices: Float64Array, open: Open, room: Int32Array): Relaxed {
    const { worth, size } = this.problem;
    const [tasks, evenings] = [size.length, room.length];
    const placed = new Uint8Array(tasks * evenings);
    const times = new Int32Array(tasks);
    const falls = new Float64Array(tasks * evenings);
    let bound = 0;
    for (let task = 0; task < tasks; task++) bound += prices[task]!;
    for (let evening = 0; evening < evenings; evening++) {
      let count = 0;
      for (let task = 0; task < tasks; task++) {
        if (!open[task * evenings + evening]) continue;
        const value = worth[task]![evening]! - prices[task]!;
        if (value <= 0) continue;
        this.values[count] = value;
        this.sizes[count] = size[task]!;
        this.who[count++] = task;
      }
      const filled = this.knapsack.fill(count, this.values, this.sizes, room[evening]!, this.chosen);
      bound += filled;
      for (let thing = 0; thing < count; thing++) {
        if (!this.chosen[thing]) continue;
        const task = this.who[thing]!;
        placed[task * evenings + evening] = 1;
        times[task]!++;
      }
      for (let task = 0; task < tasks; task++) {
        const place = task * evenings + evening;
        if (!open[place] || placed[place]) continue;
        const rest = room[evening]! - size[task]!;
        const value = worth[task]![evening]! - prices[task]!;
        falls[place] = rest < 0 ? Infinity : filled - this.knapsack.best[rest]! - value;
      }
    }
    return { bound, placed, times, falls };
  }
}

/** Prices to begin with: what a task is worth above the minutes it takes, a minute being worth what the last one earns. */
export function startPrices({ worth, size, room }: Problem): Float64Array {
  const top = worth.map((row) => Math.max(...row));
  const rate = (task: number) => top[task]! / Math.max(size[task]!, 1e-9);
  let left = room.reduce((sum, each) => sum + each, 0);
  const last = [...top.keys()]
    .sort((a, b) => rate(b) - rate(a))
    .find((task) => {
      left -= size[task]!;
      return left < 0;
    });
  const minute = last === undefined ? 0 : rate(last);
  return Float64Array.from(top, (value, task) => Math.max(0, Math.round(value - minute * size[task]!)));
}
