import type { Problem } from './problem';

/** One way to fill an evening: nothing else that may go there would still fit. */
export interface Filling {
  readonly evening: number;
  readonly tasks: readonly number[];
}

/** So many beginnings of fillings are looked at before it is given up. */
const patience = 3_000_000;

/**
 * Every full filling of an evening that can be part of a plan worth at least `least`: at the given prices it must not
 * fall further below the evening's best than the bound stands above `least`. A plan that leaves room is part of one
 * that does not, with a task on several evenings, so full ones are enough.
 * @returns null when there are more than `most`.
 */
export function fillingsOf(
  { tasks, evenings, room, size, worth }: Problem,
  { prices, bound }: { readonly prices: Float64Array; readonly bound: number },
  { least, most }: { readonly least: number; readonly most: number },
): Filling[] | null {
  const gap = bound - least + 0.25;
  const found: Filling[] = [];
  let looked = 0;
  for (const evening of evenings.keys()) {
    const things = [...tasks.keys()]
      .filter((task) => worth[task]![evening]! > 0)
      // A task that is priced above its worth here is taken to cost nothing: it may stand elsewhere as well.
      .map((task) => ({
        task,
        size: size[task]!,
        value: Math.max(0, worth[task]![evening]! - prices[task]!),
      }))
      .sort((a, b) => b.value - a.value || b.size - a.size);
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
    /** @param spared the least size of what was left out so far: less room than that must be left in the end. */
    const choose = (next: number, left: number, value: number, spared: number): void => {
      if (found.length > most || looked > patience || value + rest[next]![left]! < enough) return;
      looked++;
      const thing = things[next];
      if (!thing) {
        if (left < spared && chosen.length > 0) found.push({ evening, tasks: [...chosen] });
        return;
      }
      if (thing.size <= left) {
        chosen.push(thing.task);
        choose(next + 1, left - thing.size, value + thing.value, spared);
        chosen.pop();
        choose(next + 1, left, value, Math.min(spared, thing.size));
      } else choose(next + 1, left, value, spared);
    };
    choose(0, room[evening]!, 0, Infinity);
    if (found.length > most || looked > patience) return null;
  }
  return found;
}
