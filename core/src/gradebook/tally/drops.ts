/** Fractions closer than this are equal, and then the greater mass is kept. */
const equal = 1e-12;
/** Up to so many drops a short sorted list is faster than a selection. */
const few = 8;

/** The n-th smallest (0-based) of the first `count` numbers; puts the smaller ones before it and the others after. */
function nthSmallest(numbers: Float64Array, count: number, n: number): number {
  let low = 0;
  let high = count - 1;
  while (low < high) {
    const pivot = numbers[(low + high) >> 1]!;
    let left = low;
    let right = high;
    while (left <= right) {
      while (numbers[left]! < pivot) left++;
      while (numbers[right]! > pivot) right--;
      if (left > right) break;
      const swap = numbers[left]!;
      numbers[left++] = numbers[right]!;
      numbers[right--] = swap;
    }
    if (n <= right) high = right;
    else if (n >= left) low = left;
    else break;
  }
  return numbers[n]!;
}

/**
 * One category, from which its lowest scores may be dropped. A score pulls a level λ by mass × (value − λ), so a
 * heavy middling score can pull down more than a light bad one; the best choice at a level drops the least pulls.
 */
export class Pool {
  earned = 0;
  mass = 0;
  extra = 0;
  count = 0;
  /** What is kept after the drops, extra credit included, by the last choice. */
  keptEarned = 0;
  keptMass = 0;
  /** The items that were left out by the last choice, by their index. */
  readonly dropped: number[] = [];
  /** The level of the last choice, and how far one may move from it before another may be better; -1 for not at all. */
  private level = 0;
  private reach = -1;
  /** The least pull that the last choice has kept, and whether what is kept has to be summed anew. */
  private next = -Infinity;
  private stale = false;
  /** The ordinary items, by their index. */
  private readonly members: number[] = [];
  private lightest = Infinity;
  private heaviest = 0;
  private pulls = new Float64Array(0);
  private readonly least = new Float64Array(few + 1);
  private readonly leastItems = new Int32Array(few + 1);

  /**
   * @param values of all items of the course; NaN for none. Shared with whoever sets them.
   * @param masses of all items of the course.
   */
  constructor(
    private readonly dropLowest: number,
    private readonly values: Float64Array,
    private readonly masses: Float64Array,
  ) {}

  add(index: number): void {
    this.members.push(index);
    this.lightest = Math.min(this.lightest, this.masses[index]!);
    this.heaviest = Math.max(this.heaviest, this.masses[index]!);
  }

  /**
   * The value of an item has changed, or the extra credit. While one was kept and is kept again by a clear margin, the
   * others are chosen as before.
   * @param before its value until now; NaN for none.
   */
  changed(index?: number, before = NaN): void {
    const kept = (value: number) => !(this.masses[index!]! * (value - this.level) <= this.next);
    const same =
      this.reach > 0 &&
      this.dropped.length === this.drop &&
      (index === undefined || (kept(before) && kept(this.values[index]!)));
    if (!same) this.reach = -1;
    this.stale = true;
  }

  /** How many are left out: never all. */
  get drop(): number {
    return this.dropLowest === 0 ? 0 : Math.max(0, Math.min(this.dropLowest, this.count - 1));
  }

  /** Makes the best choice for a level. */
  settle(level: number): void {
    if (Math.abs(level - this.level) <= this.reach) return this.stale ? this.sum() : undefined;
    const { drop } = this;
    this.dropped.length = 0;
    this.level = level;
    this.next = -Infinity;
    this.reach = drop === 0 ? Infinity : this.leaveOut(level, drop);
    this.sum();
  }

  /** What is kept, by the choice there is. */
  private sum(): void {
    this.keptEarned = this.earned + this.extra;
    this.keptMass = this.mass;
    for (const index of this.dropped) {
      this.keptEarned -= this.values[index]! * this.masses[index]!;
      this.keptMass -= this.masses[index]!;
    }
    this.stale = false;
  }

  /** Leaves out `drop` items; returns how far the level may move before others may be better to drop. */
  private leaveOut(level: number, drop: number): number {
    const [edge, next] = drop <= few ? this.edgeOfFew(level, drop) : this.edgeOfMany(level, drop);
    const apart = next - edge;
    const clear = apart > equal * this.mass;
    this.next = next;
    if (clear && drop <= few)
      for (let place = 0; place < drop; place++) this.dropped.push(this.leastItems[place]!);
    else this.leaveUpTo(level, drop, edge);
    // Moving the level by δ moves two pulls apart by at most δ × the difference of their masses.
    return clear ? apart / (this.heaviest - this.lightest) / 2 : 0;
  }

  /** The greatest pull that is dropped and the least that is kept; the items that pull less are in `leastItems`. */
  private edgeOfFew(level: number, drop: number): [edge: number, next: number] {
    const { members, values, masses, least, leastItems } = this;
    least.fill(Infinity);
    let last = Infinity;
    for (let at = 0; at < members.length; at++) {
      const index = members[at]!;
      const pull = masses[index]! * (values[index]! - level);
      if (!(pull < last)) continue; // also where there is no value
      let place = drop;
      while (place > 0 && least[place - 1]! > pull) {
        least[place] = least[place - 1]!;
        leastItems[place] = leastItems[place - 1]!;
        place--;
      }
      least[place] = pull;
      leastItems[place] = index;
      last = least[drop]!;
    }
    return [least[drop - 1]!, least[drop]!];
  }

  private edgeOfMany(level: number, drop: number): [edge: number, next: number] {
    if (this.pulls.length < this.members.length) this.pulls = new Float64Array(this.members.length);
    const { pulls, values, masses } = this;
    let count = 0;
    for (const index of this.members) {
      const pull = masses[index]! * (values[index]! - level);
      if (!Number.isNaN(pull)) pulls[count++] = pull;
    }
    const edge = nthSmallest(pulls, count, drop - 1);
    let next = Infinity;
    for (let place = drop; place < count; place++) next = Math.min(next, pulls[place]!);
    return [edge, next];
  }

  /** Leaves out what pulls less than the edge, and of the items on it the lightest. */
  private leaveUpTo(level: number, drop: number, edge: number): void {
    const { members, values, masses } = this;
    const near = equal * this.mass;
    const onEdge: number[] = [];
    let left = drop;
    for (let at = 0; at < members.length; at++) {
      const index = members[at]!;
      const over = masses[index]! * (values[index]! - level) - edge;
      if (over < -near) {
        this.dropped.push(index);
        left--;
      } else if (over <= near) onEdge.push(index);
    }
    if (onEdge.length > left) onEdge.sort((a, b) => masses[a]! - masses[b]!);
    this.dropped.push(...onEdge.slice(0, left));
  }
}

const mostRounds = 100;

/**
 * The level Σ earned ÷ Σ mass over all pools together at its greatest; each pool drops its own number.
 * For a level λ, each pool's best choice reaches a ratio, which is the next λ: this (Dinkelbach's method) rises to
 * the greatest ratio in a few rounds, whatever the number of ways to choose.
 * @param pools of which at least one has a value.
 * @param guess any starting level; the nearer to the answer, the fewer rounds.
 */
export function bestLevel(pools: readonly Pool[], guess: number): number {
  let level = guess;
  for (let round = 0; ; round++) {
    let earned = 0;
    let mass = 0;
    let drops = 0;
    for (const pool of pools) {
      if (pool.count === 0) continue;
      pool.settle(level);
      earned += pool.keptEarned;
      mass += pool.keptMass;
      if (pool.drop > 0) drops++;
    }
    const reached = earned / mass;
    const settled = drops === 0 || Math.abs(reached - level) <= 1e-15 * Math.max(1, Math.abs(reached));
    level = reached;
    if (settled || round === mostRounds) return level;
  }
}
