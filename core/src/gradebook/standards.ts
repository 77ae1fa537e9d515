import type { Course, StandardsPolicy } from './course';
import type { Standing } from './standing';

export interface AssessedStandard {
  readonly id: string;
  /** Null: not yet assessed, which is not the same as not met. */
  readonly level: number | null;
  readonly met: boolean | null;
}

export interface Assessment {
  readonly standards: readonly AssessedStandard[];
  readonly fraction: number | null;
  /** Distinct items that are evidence for any listed standard. */
  readonly evidenceItems: number;
}

/** One rule a name: ordered, non-empty levels in, one level out. */
const rules: Record<StandardsPolicy['rule'], (levels: readonly number[], share: number) => number> = {
  latest: (levels) => levels[levels.length - 1] ?? 0,
  highest: (levels) => Math.max(...levels),
  mean: (levels) => levels.reduce((sum, level) => sum + level, 0) / levels.length,
  recency: (levels, share) =>
    levels.slice(1).reduce((level, next) => share * next + (1 - share) * level, levels[0] ?? 0),
};

function evidenceOf(standings: readonly Standing[]): Standing[] {
  return standings
    .filter(({ item, status }) => status === 'scored' && item.counts && !item.extraCredit)
    .sort((a, b) => (a.atMs ?? 0) - (b.atMs ?? 0) || (a.item.id < b.item.id ? -1 : 1));
}

/** Each standard's level by the course's rule, and their mean as a fraction of the top level. */
export function assessStandards(course: Course, standings: readonly Standing[]): Assessment {
  const { rule, share, top, metAt } = course.policy.standards;
  const evidence = evidenceOf(standings);
  const used = new Set<string>();
  const standards = course.standards.map(({ id }): AssessedStandard => {
    const levels: number[] = [];
    for (const standing of evidence) {
      const level = standing.levels[id];
      if (level === undefined) continue;
      levels.push(level);
      used.add(standing.item.id);
    }
    if (levels.length === 0) return { id, level: null, met: null };
    const level = rules[rule](levels, share);
    return { id, level, met: level >= metAt - 1e-9 };
  });
  const assessed = standards.flatMap(({ level }) => (level === null ? [] : [level]));
  const fraction =
    assessed.length === 0 ? null : assessed.reduce((sum, level) => sum + level, 0) / assessed.length / top;
  return { standards, fraction, evidenceItems: used.size };
}
