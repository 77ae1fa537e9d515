/** Fills one evening at a time; its tables are kept and used again, since it is asked many thousand times. */
export class Knapsack {
  /** After a filling: what is the most for each smaller room. */
  readonly best: Float64Array;
  private readonly taken: Uint8Array;

  constructor(
    most: number,
    private readonly room: number,
  ) {
    this.best = new Float64Array(room + 1);
    this.taken = new Uint8Array(most * (room + 1));
  }

  /**
   * The most that fits: which of the things, and what they are worth together.
   * @param values above 0. @param sizes whole numbers. @param chosen receives 1 or 0 for each thing.
   */
  fill(count: number, values: Float64Array, sizes: Int32Array, room: number, chosen: Uint8Array): number {
    const { best, taken } = this;
    const width = this.room + 1;
    best.fill(0, 0, room + 1);
    for (let thing = 0; thing < count; thing++) {
      const size = sizes[thing]!;
      const value = values[thing]!;
      const row = thing * width;
      taken.fill(0, row, row + room + 1);
      for (let at = room; at >= size; at--) {
        const withIt = best[at - size]! + value;
        if (withIt > best[at]!) {
          best[at] = withIt;
          taken[row + at] = 1;
        }
      }
    }
    let left = room;
    for (let thing = count - 1; thing >= 0; thing--) {
      const takes = taken[thing * width + left]!;
      chosen[thing] = takes;
      if (takes) left -= sizes[thing]!;
    }
    return best[room]!;
  }
}
