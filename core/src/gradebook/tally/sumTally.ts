import type { Course } from '../course';
import { isOrdinary } from '../standing';
import { extraEarned, postedValue, type Stand } from '../value';
import { bestLevel, Pool } from './drops';
import type { Tally } from './tally';

/** One category of a sum. `earned` and `possible` are masses: points, each item as often as it counts. */
export interface CategorySum {
  readonly id: string;
  readonly fraction: number | null;
  /** Extra credit included; 0 when nothing is valued. */
  readonly earned: number;
  readonly possible: number;
  /** How much of the course's fraction is lacking because of it; null where it has no part in it. */
  readonly cost: number | null;
  /** Ids of the items that are left out as its lowest. */
  readonly dropped: readonly string[];
}

interface Group {
  readonly weight: number;
  readonly pool: Pool;
  /** Its fraction by its own best drops; null until asked for again after a change. `weighted` courses only. */
  fraction: number | null;
  /** Last fraction found: a good first guess for the next. */
  guess: number;
}

/**
 * The running sums of a `points` or `weighted` course while the values of its items move: the one place where
 * a figure is summed. Setting a value costs nothing to speak of; a figure is summed when it is asked for, and
 * only over what has changed since. Mutable, and never leaves the core.
 */
export class SumTally implements Tally {
  /** Items with a value now, before drops. */
  valued = 0;
  private readonly values: Float64Array;
  private readonly masses: Float64Array;
  private readonly extras: Float64Array;
  private readonly groups: readonly Group[];
  private readonly groupOf: readonly (Group | undefined)[];
  private readonly pools: readonly Pool[];
  private readonly points: boolean;
  private guess = 1;

  constructor(private readonly course: Course) {
    const { items, categories } = course;
    this.points = course.policy.method === 'points';
    this.values = new Float64Array(items.length).fill(NaN);
    this.masses = Float64Array.from(items, ({ mass }) => mass);
    this.extras = new Float64Array(items.length);
    this.groups = categories.map(({ weight, dropLowest }) => ({
      weight,
      pool: new Pool(dropLowest, this.values, this.masses),
      fraction: null,
      guess: 1,
    }));
    this.pools = this.groups.map(({ pool }) => pool);
    const byId = new Map(categories.map(({ id }, index) => [id, this.groups[index]]));
    this.groupOf = items.map((item, index) => {
      const group = byId.get(item.categoryId);
      if (isOrdinary(item)) group?.pool.add(index);
      return group;
    });
  }

  apply(index: number, stand: Stand): boolean {
    const item = this.course.items[index]!;
    return item.extraCredit
      ? this.setExtra(index, extraEarned(item, stand))
      : this.set(index, postedValue(this.course.policy, item, stand));
  }

  /** The value of an ordinary item, a fraction of its mass; null leaves it out. Tells whether it differs. */
  set(index: number, value: number | null): boolean {
    const group = this.groupOf[index];
    const before = this.values[index]!;
    const had = !Number.isNaN(before);
    if (!group || (value === null ? !had : value === before)) return false;
    const { pool } = group;
    const mass = this.masses[index]!;
    const more = Number(value !== null) - Number(had);
    this.values[index] = value ?? NaN;
    pool.earned += ((value ?? 0) - (had ? before : 0)) * mass;
    pool.mass += mass * more;
    pool.count += more;
    this.valued += more;
    // Sums of nothing are nothing, whatever rounding left of them.
    if (pool.count === 0) pool.earned = pool.mass = 0;
    pool.changed(index, before);
    group.fraction = null;
    return true;
  }

  private setExtra(index: number, earnedMass: number): boolean {
    const group = this.groupOf[index];
    if (!group || earnedMass === this.extras[index]) return false;
    group.pool.extra += earnedMass - this.extras[index]!;
    this.extras[index] = earnedMass;
    group.pool.changed();
    group.fraction = null;
    return true;
  }

  fraction(): number | null {
    return this.points ? this.overPoints() : this.overWeights();
  }

  private overPoints(): number | null {
    return this.valued > 0 ? (this.guess = bestLevel(this.pools, this.guess)) : null;
  }

  private overWeights(): number | null {
    let weights = 0;
    let weighed = 0;
    for (const group of this.groups) {
      if (group.pool.count === 0 || group.weight <= 0) continue;
      weights += group.weight;
      weighed += group.weight * this.alone(group);
    }
    return weights > 0 ? weighed / weights : null;
  }

  /** A category's fraction by its own best drops. */
  private alone(group: Group): number {
    return (group.fraction ??= group.guess = bestLevel([group.pool], group.guess));
  }

  /** In the order of the record, with the drops that the figure was made with. */
  categories(): CategorySum[] {
    const level = this.fraction();
    const summed = this.groups.map(({ weight, pool }, index) => {
      const { id } = this.course.categories[index]!;
      if (pool.count === 0) return { id, weight: 0, fraction: null, earned: 0, possible: 0, dropped: [] };
      // In points courses the drops of all categories are chosen at once, at the course's own level.
      pool.settle(this.points ? level! : this.alone(this.groups[index]!));
      const { keptEarned: earned, keptMass: mass } = pool;
      const dropped = pool.dropped.map((item) => this.course.items[item]!.id);
      return {
        id,
        weight: this.points ? mass : weight,
        fraction: earned / mass,
        earned,
        possible: mass,
        dropped,
      };
    });
    const whole = summed.reduce((sum, { weight }) => sum + weight, 0);
    return summed.map(({ weight, fraction, ...sum }) => ({
      ...sum,
      fraction,
      cost: fraction === null || weight <= 0 ? null : (weight / whole) * (1 - fraction),
    }));
  }
}
