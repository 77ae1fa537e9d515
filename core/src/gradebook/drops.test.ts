import type { CourseRecord } from '@cadro/contract';
import fc from 'fast-check';
import { courseAnswer } from '../outlook';
import { course, item, scored } from '../testing/courses';
import { runs } from '../testing/runs';

/** Every way to leave out `n` of a list. */
function* choices<T>(list: readonly T[], n: number): Generator<readonly T[]> {
  if (n === 0) yield list;
  else {
    for (let first = 0; first <= list.length - n; first++) {
      for (const rest of choices(list.slice(first + 1), n - 1)) yield [...list.slice(0, first), ...rest];
    }
  }
}

interface Mark {
  readonly earned: number;
  readonly possible: number;
}
const ratio = (marks: readonly Mark[], extra = 0) =>
  (marks.reduce((sum, { earned }) => sum + earned, 0) + extra) /
  marks.reduce((sum, { possible }) => sum + possible, 0);
/** What is left out is never all. */
const least = (marks: readonly Mark[], n: number) => Math.min(n, marks.length - 1);

const mark = fc
  .record({ share: fc.integer({ min: 0, max: 6 }), possible: fc.constantFrom(4, 10, 12, 50) })
  .map(({ share, possible }) => ({ possible, earned: (share / 5) * possible }));
const marks = fc.array(mark, { minLength: 1, maxLength: 6 });

function recordOf(
  method: 'points' | 'weighted',
  pools: readonly { marks: readonly Mark[]; drop: number }[],
  extra = 0,
): CourseRecord {
  const items = pools.flatMap((pool, of) =>
    pool.marks.map(({ possible }, index) => item(`${of}-${index}`, { categoryId: `k${of}`, possible })),
  );
  const results = pools.flatMap((pool, of) =>
    pool.marks.map(({ earned }, index) => scored(`${of}-${index}`, earned)),
  );
  return course(
    {
      categories: pools.map(({ drop }, of) => ({ id: `k${of}`, weight: 10 + of, dropLowest: drop })),
      items: [...items, item('extra', { categoryId: 'k0', extraCredit: true })],
      results: [...results, scored('extra', extra)],
    },
    { method },
  );
}

describe('drops of the lowest scores', () => {
  it('does not always drop the lowest percentage: a heavy middling score can pull down more', () => {
    // 4 of 10 alone is the lowest, but without the 60 of 100 the other two are 14 of 20.
    const { posted, categories } = courseAnswer(
      recordOf('points', [
        {
          drop: 1,
          marks: [
            { earned: 4, possible: 10 },
            { earned: 60, possible: 100 },
            { earned: 10, possible: 10 },
          ],
        },
      ]),
    );
    expect(posted).toBeCloseTo(70, 9);
    expect(categories[0]).toMatchObject({ earned: 14, possible: 20, dropped: ['0-1'] });
  });

  it('keeps the greater mass among equals', () => {
    const full = (possible: number) => ({ earned: possible, possible });
    const { categories } = courseAnswer(
      recordOf('points', [{ drop: 1, marks: [full(10), full(30), full(20)] }]),
    );
    expect(categories[0]).toMatchObject({ fraction: 1, possible: 50 });
  });

  it('never drops all: one score is left', () => {
    const { posted } = courseAnswer(recordOf('points', [{ drop: 9, marks: [{ earned: 5, possible: 10 }] }]));
    expect(posted).toBeCloseTo(50, 9);
  });

  it('makes a weighted category’s fraction greatest, extra credit included', () => {
    fc.assert(
      fc.property(
        marks,
        fc.integer({ min: 0, max: 4 }),
        fc.integer({ min: 0, max: 8 }),
        (list, drop, extra) => {
          const { categories } = courseAnswer(recordOf('weighted', [{ marks: list, drop }], extra));
          const all = [...choices(list, least(list, drop))].map((kept) => ratio(kept, extra));
          expect(categories[0]?.fraction).toBeCloseTo(Math.max(...all), 9);
        },
      ),
      { numRuns: runs(300) },
    );
  });

  it('makes a points course’s fraction greatest over all categories at once', () => {
    fc.assert(
      fc.property(
        marks,
        marks,
        fc.tuple(fc.integer({ min: 0, max: 3 }), fc.integer({ min: 0, max: 3 })),
        (first, second, [a, b]) => {
          const record = recordOf('points', [
            { marks: first, drop: a },
            { marks: second, drop: b },
          ]);
          let best = -Infinity;
          let mass = 0;
          for (const one of choices(first, least(first, a))) {
            for (const two of choices(second, least(second, b))) {
              const reached = ratio([...one, ...two]);
              const kept = [...one, ...two].reduce((sum, { possible }) => sum + possible, 0);
              if (reached > best + 1e-12) [best, mass] = [reached, kept];
              else if (reached > best - 1e-12) mass = Math.max(mass, kept);
            }
          }
          const { posted, categories } = courseAnswer(record);
          expect(posted).toBeCloseTo(best * 100, 9);
          expect(categories.reduce((sum, { possible }) => sum + possible, 0)).toBeCloseTo(mass, 9);
        },
      ),
      { numRuns: runs(300) },
    );
  });

  it('is the same after any history as after its last words alone', () => {
    const change = fc.tuple(fc.nat({ max: 9 }), fc.constantFrom(null, 0, 4, 7, 10, 12));
    fc.assert(
      fc.property(
        fc.constantFrom('points' as const, 'weighted' as const),
        fc.array(change, { minLength: 12, maxLength: 60 }),
        fc.integer({ min: 0, max: 3 }),
        (method, changes, drop) => {
          // Where its changes are told, the figure is asked for after each of them.
          const since = '2026-10-01T00:00:00Z';
          const ids = Array.from({ length: 10 }, (_, index) => `i${index}`);
          const items = ids.map((id, index) =>
            item(id, { categoryId: `k${index % 2}`, possible: [4, 10, 12, 50][index % 4] ?? 10 }),
          );
          const results = changes.map(([index, earned], minute) => ({
            ...(earned === null
              ? { itemId: `i${index}`, status: 'excused' as const, late: false }
              : scored(`i${index}`, earned)),
            at: new Date(Date.parse('2026-10-05T08:00:00Z') + minute * 60_000).toISOString(),
          }));
          const categories = [0, 1].map((of) => ({ id: `k${of}`, weight: 10 + of, dropLowest: drop }));
          const last = results.filter(
            (result, at) => !results.slice(at + 1).some(({ itemId }) => itemId === result.itemId),
          );
          const of = (some: typeof results) =>
            courseAnswer(course({ categories, items, results: some }, { method }), { since });
          const [whole, short] = [of(results), of(last)];
          expect(whole.posted ?? -1).toBeCloseTo(short.posted ?? -1, 9);
          expect(whole.categories.map(({ dropped }) => [...dropped].sort())).toEqual(
            short.categories.map(({ dropped }) => [...dropped].sort()),
          );
        },
      ),
      { numRuns: runs(300) },
    );
  });

  it('drops twenty of forty, more than could ever be tried one by one', () => {
    const list = Array.from({ length: 40 }, (_, index) => ({
      possible: 5 + ((index * 7) % 11),
      earned: (5 + ((index * 7) % 11)) * (((index * 13) % 40) / 40),
    }));
    const record = recordOf('weighted', [{ marks: list, drop: 20 }]);
    const fraction = courseAnswer(record).categories[0]?.fraction ?? 0;
    // At the answer no exchange of a kept score for a dropped one can gain: the kept pulls are the greatest.
    const pulls = list.map(({ earned, possible }) => earned - fraction * possible).sort((a, b) => b - a);
    expect(pulls.slice(0, 20).reduce((sum, pull) => sum + pull, 0)).toBeCloseTo(0, 9);
  });
});
