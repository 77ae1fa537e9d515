import type { Course, StandardsPolicy } from '../course';
import { byCodePoint } from '../order';
import type { Standing } from '../standing';
import type { Tally } from './tally';

export interface AssessedStandard {
  readonly id: string;
  /** Null: not yet assessed, which is not the same as not met. */
  readonly level: number | null;
  readonly met: boolean | null;
}

interface Evidence {
  readonly item: number;
  readonly atMs: number;
  readonly level: number;
}

/** One rule a name: ordered, non-empty evidence in, one level out. */
const rules: Record<StandardsPolicy['rule'], (evidence: readonly Evidence[], share: number) => number> = {
  latest: (evidence) => evidence[evidence.length - 1]!.level,
  highest: (evidence) => evidence.reduce((most, { level }) => Math.max(most, level), -Infinity),
  mean: (evidence) => evidence.reduce((sum, { level }) => sum + level, 0) / evidence.length,
  recency: ([first, ...later], share) =>
    later.reduce((level, next) => share * next.level + (1 - share) * level, first!.level),
};

interface Row {
  /** By time, then item id. */
  readonly evidence: Evidence[];
  /** By the course's rule; null without evidence. */
  level: number | null;
}

/** The levels of a `standards` course while its results come in. Mutable, and never leaves the core. */
export class StandardsTally implements Tally {
  /** Distinct items that are evidence for any listed standard. */
  valued = 0;
  private readonly rows: Map<string, Row>;
  /** The standards each item is evidence for now. */
  private readonly used: (readonly string[])[] = [];

  constructor(private readonly course: Course) {
    this.rows = new Map(course.standards.map(({ id }) => [id, { evidence: [], level: null }]));
  }

  apply(
    index: number,
    stand: Pick<Standing, 'status' | 'levels'> & { readonly atMs: number | null },
  ): boolean {
    const { item, standardIds } = this.evidenceIn(index, stand);
    const before = this.used[index] ?? [];
    for (const id of before) this.remove(id, index);
    for (const id of standardIds) this.insert(id, { item, atMs: stand.atMs ?? 0, level: stand.levels[id]! });
    for (const id of new Set([...before, ...standardIds])) this.assess(id);
    this.used[index] = standardIds;
    this.valued += Number(standardIds.length > 0) - Number(before.length > 0);
    return before.length > 0 || standardIds.length > 0;
  }

  private evidenceIn(index: number, stand: Pick<Standing, 'status' | 'levels'>) {
    const { counts, extraCredit } = this.course.items[index]!;
    const evident = stand.status === 'scored' && counts && !extraCredit;
    const standardIds = evident ? Object.keys(stand.levels).filter((id) => this.rows.has(id)) : [];
    return { item: index, standardIds };
  }

  private remove(id: string, item: number): void {
    const { evidence } = this.rows.get(id)!;
    evidence.splice(
      evidence.findIndex((each) => each.item === item),
      1,
    );
  }

  /** Evidence comes in order of time, so that its place is nearly always the last. */
  private insert(id: string, found: Evidence): void {
    const { evidence } = this.rows.get(id)!;
    const idOf = ({ item }: Evidence) => this.course.items[item]!.id;
    let place = evidence.length;
    while (place > 0) {
      const other = evidence[place - 1]!;
      const after =
        other.atMs > found.atMs || (other.atMs === found.atMs && byCodePoint(idOf(other), idOf(found)) > 0);
      if (!after) break;
      place--;
    }
    evidence.splice(place, 0, found);
  }

  private assess(id: string): void {
    const row = this.rows.get(id)!;
    const { rule, share } = this.course.policy.standards;
    row.level = row.evidence.length > 0 ? rules[rule](row.evidence, share) : null;
  }

  /** The mean of the assessed levels as a fraction of the top level; null while nothing is assessed. */
  fraction(): number | null {
    let sum = 0;
    let assessed = 0;
    for (const { level } of this.rows.values()) {
      if (level === null) continue;
      sum += level;
      assessed++;
    }
    return assessed > 0 ? sum / assessed / this.course.policy.standards.top : null;
  }

  /** What each standard's level is made from, in order: its id, then item and level. */
  evidence(): ReadonlyMap<
    string,
    readonly { readonly itemId: string; readonly atMs: number; readonly level: number }[]
  > {
    return new Map(
      [...this.rows].map(([id, { evidence }]) => [
        id,
        evidence.map(({ item, atMs, level }) => ({ itemId: this.course.items[item]!.id, atMs, level })),
      ]),
    );
  }

  /** In the order of the record. */
  standards(): AssessedStandard[] {
    const { metAt } = this.course.policy.standards;
    return [...this.rows].map(([id, { level }]) => ({
      id,
      level,
      met: level === null ? null : level >= metAt - 1e-9,
    }));
  }
}
