import type { CourseRecord, ItemRecord, Method, ResultRecord } from '@cadro/contract';

export interface Shape {
  readonly method: Method;
  readonly drops: boolean;
}

const dayMs = 24 * 60 * 60 * 1000;
const startMs = Date.parse('2026-08-24T08:00:00Z');
const termDays = 70;
const categoryIds = ['tasks', 'tests', 'labs', 'essays', 'talks'] as const;
const standardIds = Array.from({ length: 12 }, (_, index) => `standard-${index + 1}`);
const possibles = [10, 20, 25, 40, 100] as const;

/** Numbers from 0 to 1, the same on every run. */
function scatter(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 16807) % 2147483647) / 2147483647;
}

const iso = (ms: number): string => `${new Date(ms).toISOString().slice(0, 19)}Z`;
const pick = <T>(list: readonly [T, ...T[]], share: number): T =>
  list[Math.floor(share * list.length)] ?? list[0];

type Scatter = () => number;

/** An item of some day of the term, and when it falls due. */
function madeItem(index: number, next: Scatter, asOfMs: number): { item: ItemRecord; dueMs: number } {
  const assignedMs = startMs + Math.floor(next() * (termDays - 7)) * dayMs;
  const dueMs = assignedMs + (2 + Math.floor(next() * 5)) * dayMs;
  const possible = pick(possibles, next());
  const standardId = pick(standardIds as [string, ...string[]], next());
  const item: ItemRecord = {
    id: `item-${index + 1}`,
    categoryId: pick(categoryIds, next()),
    title: `Chart of the ${index + 1}. crossing`,
    possible,
    multiplier: next() < 0.1 ? 2 : 1,
    counts: next() > 0.1,
    extraCredit: next() < 0.03,
    assignedAt: iso(assignedMs),
    dueAt: iso(dueMs),
    acceptedUntil: next() < 0.2 ? iso(dueMs + 14 * dayMs) : null,
    offer: next() < 0.05 ? { until: iso(asOfMs + 5 * dayMs), credit: 0.7 } : null,
    standardIds: [standardId],
  };
  return { item, dueMs };
}

/** What became of an item that was due: nothing, a status of every kind, a score, a score that changed. */
function madeResults({ id, possible = 0, standardIds: of }: ItemRecord, dueMs: number, next: Scatter) {
  const results: ResultRecord[] = [];
  const add = (ms: number, status: ResultRecord['status'], more: Partial<ResultRecord> = {}) =>
    results.push({ itemId: id, at: iso(ms), status, late: false, ...more });
  const fate = next();
  const scored = {
    earned: Math.round(possible * (0.5 + next() / 2)),
    levels: { [of?.[0] ?? '']: 1 + Math.floor(next() * 4) },
  };
  if (fate < 0.04) return results;
  if (fate < 0.1) add(dueMs + dayMs, 'missing');
  else if (fate < 0.13) add(dueMs + dayMs, 'incomplete');
  else if (fate < 0.16) add(dueMs + dayMs, 'excused');
  else {
    add(dueMs - dayMs / 4, 'handed-in');
    if (fate < 0.9) add(dueMs + 2 * dayMs, 'scored', scored);
    if (fate < 0.25) add(dueMs + 6 * dayMs, 'scored', { ...scored, earned: possible });
  }
  return results;
}

const policyOf = (method: Method): CourseRecord['policy'] => ({
  method,
  outOf: 100,
  decimals: 1,
  letters: ['A', 'B', 'C', 'D'].map((letter, index) => ({ letter, from: 0.9 - index / 10 })),
  missingCounts: 'zero',
  incompleteCounts: 'not',
  floor: 0.2,
  termEnd: iso(startMs + termDays * dayMs),
  late: { kind: 'perDay', lose: 0.1, least: 0.5 },
  standards: { rule: 'recency', share: 0.65, top: 4, metAt: 3 },
});

/** A made-up course of a whole term, asked in its ninth week: every status, changes, late work, some to come. */
export function courseRecord(count: number, { method, drops }: Shape): CourseRecord {
  const next = scatter(count + method.length);
  const asOfMs = startMs + 60 * dayMs;
  const items: ItemRecord[] = [];
  const results: ResultRecord[] = [];
  for (let index = 0; index < count; index++) {
    const { item, dueMs } = madeItem(index, next, asOfMs);
    items.push(item);
    if (dueMs <= asOfMs) results.push(...madeResults(item, dueMs, next));
  }
  results.sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
  return {
    id: 'course',
    asOf: iso(asOfMs),
    policy: policyOf(method),
    categories: categoryIds.map((id, index) => ({
      id,
      title: id,
      weight: 10 + 5 * index,
      dropLowest: drops ? index : 0,
    })),
    standards: standardIds.map((id) => ({ id, title: `Reads chart ${id}` })),
    items,
    results,
  };
}
