import { byCodePoint } from '../gradebook';

/** What is counted of an event. */
export interface DueThing {
  readonly layer: string;
  readonly studentIds: readonly string[];
  readonly on: string;
  readonly settled: boolean;
}
export interface DayCluster {
  readonly studentId: string;
  readonly on: string;
  /** Works and tests that are still open. */
  readonly count: number;
  readonly tests: number;
}

/** So many open works on one day are a cluster, and so many tests. */
export const clusterFrom = { works: 5, tests: 2 } as const;

/** Days on which much comes together for one child, in the order of days; of one day, as the events come. */
export function clustersOf(events: readonly DueThing[]): DayCluster[] {
  const days = new Map<string, DayCluster>();
  for (const { layer, studentIds, on, settled } of events) {
    if (settled || (layer !== 'due' && layer !== 'test')) continue;
    for (const studentId of studentIds) {
      const key = `${on} ${studentId}`;
      const { count, tests } = days.get(key) ?? { count: 0, tests: 0 };
      days.set(key, { studentId, on, count: count + 1, tests: tests + (layer === 'test' ? 1 : 0) });
    }
  }
  return [...days.values()]
    .filter(({ count, tests }) => count >= clusterFrom.works || tests >= clusterFrom.tests)
    .sort((a, b) => byCodePoint(a.on, b.on));
}
