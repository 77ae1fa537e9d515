import type { CourseRecord, ResultRecord } from '@cadro/contract';
import fc from 'fast-check';
import { anyCourse, deepFreeze } from '../testing/courses';
import { courseAnswer } from './courseAnswer';
import { runs } from '../testing/runs';

const everything = { targets: [60, 90], since: '2026-09-01T00:00:00Z' };
const close = (value: number | null) =>
  value === null ? null : (expect.closeTo(value, 7) as unknown as number);

/** The record with the standing result of a scored item replaced. */
function rescored(
  record: CourseRecord,
  pick: number,
  change: (result: ResultRecord, possible: number) => ResultRecord,
): CourseRecord | null {
  const { results = [], items = [] } = record as { results: ResultRecord[]; items: CourseRecord['items'] };
  const standing = new Map<string, ResultRecord>();
  for (const result of [...results].sort((a, b) => (a.at < b.at ? -1 : 1))) {
    if (result.at <= record.asOf) standing.set(result.itemId, result);
  }
  const scored = [...standing.values()].filter(({ status }) => status === 'scored');
  const chosen = scored[pick % Math.max(1, scored.length)];
  const possible = items?.find(({ id }) => id === chosen?.itemId)?.possible ?? 1;
  if (!chosen) return null;
  return {
    ...record,
    results: results.map((each) => (each === chosen ? change(each, possible) : each)),
  };
}

describe('properties of every course', () => {
  it('gives the same answer twice and never writes what it is given', () => {
    fc.assert(
      fc.property(anyCourse, (record) => {
        const frozen = deepFreeze(structuredClone(record));
        expect(courseAnswer(frozen, everything)).toEqual(courseAnswer(frozen, everything));
      }),
    );
  });

  it('never has more to lose than to gain: if left ≤ if made up ≤ best', () => {
    fc.assert(
      fc.property(anyCourse, (record) => {
        const { ifLeft, ifMadeUp, best } = courseAnswer(record);
        if (ifLeft === null) return;
        expect(ifMadeUp).toBeGreaterThanOrEqual(ifLeft - 1e-9);
        expect(best).toBeGreaterThanOrEqual((ifMadeUp ?? 0) - 1e-9);
      }),
    );
  });

  it('does not care for the order of the works, categories and results', () => {
    fc.assert(
      fc.property(anyCourse, (record) => {
        const turned = {
          ...record,
          categories: [...(record.categories ?? [])].reverse(),
          items: [...(record.items ?? [])].reverse(),
          // Instants differ, so that the order of the list decides nothing.
          results: [...(record.results ?? [])].reverse(),
        };
        const distinct = new Set(record.results?.map(({ at }) => at)).size === record.results?.length;
        fc.pre(distinct);
        const [a, b] = [courseAnswer(record, everything), courseAnswer(turned, everything)];
        expect(b.posted).toEqual(close(a.posted));
        expect(b.ifMadeUp).toEqual(close(a.ifMadeUp));
        expect(b.trend.class).toBe(a.trend.class);
        expect(b.moved.map(({ delta }) => delta)).toEqual(a.moved.map(({ delta }) => close(delta)));
        expect(b.needed.map(({ x }) => x)).toEqual(a.needed.map(({ x }) => close(x)));
        expect(b.looseEnds).toEqual(a.looseEnds.map((end) => ({ ...end, impact: close(end.impact) })));
      }),
    );
  });

  it('never falls when a score rises', () => {
    fc.assert(
      fc.property(anyCourse, fc.nat(), fc.integer({ min: 1, max: 9 }), (record, pick, more) => {
        const better = rescored(record, pick, (result) => ({
          ...result,
          earned: (result.earned ?? 0) + more,
        }));
        fc.pre(better !== null);
        const [before, after] = [courseAnswer(record), courseAnswer(better)];
        expect(after.posted ?? 0).toBeGreaterThanOrEqual((before.posted ?? 0) - 1e-9);
        expect(after.ifLeft ?? 0).toBeGreaterThanOrEqual((before.ifLeft ?? 0) - 1e-9);
      }),
      { numRuns: runs(300) },
    );
  });

  it('tells what moved it without residue: the steps sum to the change', () => {
    fc.assert(
      fc.property(anyCourse, fc.integer({ min: 0, max: 50 }), (record, day) => {
        const since = new Date(Date.UTC(2026, 8, day)).toISOString();
        const { moved, posted } = courseAnswer(record, { since });
        const before = courseAnswer({ ...record, asOf: since }).posted;
        const nulls = moved.filter(({ delta }) => delta === null);
        fc.pre(before !== null && posted !== null && nulls.length === 0);
        const sum = moved.reduce((total, { delta }) => total + (delta ?? 0), 0);
        expect(sum).toBeCloseTo((posted ?? 0) - (before ?? 0), 7);
        if (moved.length > 0) expect(moved.at(-1)?.posted).toBeCloseTo(posted ?? 0, 9);
      }),
      { numRuns: runs(300) },
    );
  });

  it('splits what is lacking to the top over the categories', () => {
    fc.assert(
      fc.property(anyCourse, (record) => {
        const { posted, categories } = courseAnswer(record);
        fc.pre(posted !== null);
        const lost = categories.reduce((sum, { cost }) => sum + (cost ?? 0), 0);
        expect(lost).toBeCloseTo(100 - (posted ?? 0), 7);
      }),
    );
  });

  it('asks of the work to come exactly what a target needs', () => {
    fc.assert(
      fc.property(anyCourse, fc.integer({ min: 1, max: 110 }), (record, target) => {
        const { needed } = courseAnswer(record, { targets: [target] });
        const [{ status, x } = { status: undefined, x: null }] = needed;
        fc.pre(status === 'reachable' && x !== null);
        const at = (share: number) => courseAnswer(given(record, share)).ifLeft ?? -Infinity;
        expect(at(x ?? 0)).toBeGreaterThanOrEqual(target - 1e-6);
        expect(at((x ?? 0) - 1e-4)).toBeLessThan(target);
      }),
      { numRuns: runs(300) },
    );
  });

  it('is not moved in a points course by a score that equals the figure', () => {
    fc.assert(
      fc.property(anyCourse, fc.integer({ min: 1, max: 40 }), (made, possible) => {
        const noDrops = made.categories?.map((category) => ({ ...category, dropLowest: 0 })) ?? [];
        const record = {
          ...made,
          categories: noDrops,
          policy: { ...made.policy, method: 'points' as const },
        };
        const { posted } = courseAnswer(record);
        fc.pre(posted !== null && posted >= 100 * (record.policy.floor ?? 0));
        const more = {
          ...record,
          items: [...(record.items ?? []), { id: 'same', categoryId: 'c', possible }],
          results: [
            ...(record.results ?? []),
            {
              itemId: 'same',
              at: record.asOf,
              status: 'scored' as const,
              earned: ((posted ?? 0) / 100) * possible,
            },
          ],
        };
        // Extra credit of a category that had no work begins to count with the first work: that moves it rightly.
        const cHasWork = courseAnswer(record).categories.find(({ id }) => id === 'c')?.fraction !== null;
        fc.pre(cHasWork);
        expect(courseAnswer(more).posted).toBeCloseTo(posted ?? 0, 7);
      }),
    );
  });

  it('is what it was, whatever happens later', () => {
    fc.assert(
      fc.property(anyCourse, fc.integer({ min: 10, max: 50 }), (record, day) => {
        const asOf = new Date(Date.UTC(2026, 8, day)).toISOString();
        const then = { ...record, asOf };
        const known = { ...then, results: (record.results ?? []).filter(({ at }) => at <= asOf) };
        expect(courseAnswer(then, everything)).toEqual(courseAnswer(known, everything));
      }),
    );
  });
});

/** The record at the end of its term, with every work still to come scored at a share. */
function given(record: CourseRecord, share: number): CourseRecord {
  const done = new Set(
    (record.results ?? []).filter(({ at }) => at <= record.asOf).map(({ itemId }) => itemId),
  );
  const standing = new Map<string, string>();
  for (const result of [...(record.results ?? [])].sort((a, b) => (a.at < b.at ? -1 : 1))) {
    if (result.at <= record.asOf) standing.set(result.itemId, result.status);
  }
  const toCome = (record.items ?? []).filter(
    ({ id, dueAt }) =>
      (!done.has(id) || standing.get(id) === 'open') &&
      (dueAt === null || dueAt === undefined || dueAt >= record.asOf),
  );
  return {
    ...record,
    results: [
      ...(record.results ?? []).filter(({ at }) => at <= record.asOf),
      ...toCome.map(({ id, possible }) => ({
        itemId: id,
        at: record.asOf,
        status: 'scored' as const,
        earned: share * possible,
      })),
    ],
    items: (record.items ?? [])
      .filter(({ extraCredit, id }) => !(extraCredit && toCome.some((each) => each.id === id)))
      // Every item of the term is known here, also what is given out later and due already.
      .map((each) => ({ ...each, assignedAt: null })),
  };
}
