import type { Problem } from './problem';

/** One way to fill an evening. */
export interface Filling {
  readonly evening: number;
  readonly tasks: readonly number[];
}

/**
 * Every way to fill an evening that can be part of a plan worth at least `least`: at the given prices it must not
 * fall further below the evening's best than the bound stands above `least`.
 * @returns null when there are more than `most`.
 */
export function fillingsOf(
  { tasks, evenings, room, size, worth }: Problem,
  { prices, bound }: { readonly prices: Float64Array; readonly bound: number },
  { least, most }: { readonly least: number; readonly most: number },
): Filling[] | null {
  const gap = bound - least + 0.25;
  const found: Filling[] = [];
  for (const evening of evenings.keys()) {
    const things = [...tasks.keys()]
      .filter((task) => worth[task]![evening]! > 0)
      .map((task) => ({ task, size: size[task]!, value: worth[task]![evening]! - prices[task]! }))
      .sort((a, b) => b.value - a.value);
    /** The most that the things from each on can still bring, for every room. */
    const rest = [new Float64Array(room[evening]! + 1)];
    for (const thing of [...things].reverse()) {
      const after = rest[0]!;
      rest.unshift(
        after.map((value, at) =>
          at >= thing.size ? Math.max(value, after[at - thing.size]! + thing.value) : value,
        ),
      );
    }
    const enough = rest[0]![room[evening]!]! - gap;
    const chosen: number[] = [];
    const choose = (next: number, left: number, value: number): void => {
      if (found.length > most || value + rest[next]![left]! < enough) return;
      const thing = things[next];
      if (!thing) {
        if (chosen.length > 0) found.push({ evening, tasks: [...chosen] });
        return;
      }
      if (thing.size <= left) {
        chosen.push(thing.task);
        choose(next + 1, left - thing.size, value + thing.value);
        chosen.pop();
      }
      choose(next + 1, left, value);
    };
    choose(0, room[evening]!, 0);
    if (found.length > most) return null;
  }
  return found;
}
