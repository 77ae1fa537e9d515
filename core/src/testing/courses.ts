import type { CourseRecord, ItemRecord, ResultRecord } from '@cadro/contract';
import fc from 'fast-check';

export const at = (day: number, hour = 12): string =>
  new Date(Date.UTC(2026, 8, day, hour)).toISOString().replace('.000', '');

export const item = (id: string, more: Partial<ItemRecord> = {}): ItemRecord => ({
  id,
  categoryId: 'c',
  possible: 20,
  assignedAt: at(1),
  dueAt: at(30),
  ...more,
});

export const scored = (itemId: string, earned: number, when = at(32)): ResultRecord => ({
  itemId,
  at: when,
  status: 'scored',
  earned,
});

/** A course asked on 21 October 2026 whose term ends on 6 November. */
export const course = (
  more: Partial<CourseRecord>,
  policy: Partial<CourseRecord['policy']> = {},
): CourseRecord => ({
  id: 'k',
  asOf: '2026-10-21T18:00:00Z',
  policy: { method: 'points', termEnd: '2026-11-06T23:59:00Z', ...policy },
  categories: [{ id: 'c', weight: 1 }],
  items: [],
  results: [],
  ...more,
});

export const deepFreeze = <T>(value: T): T => {
  if (value && typeof value === 'object') {
    Object.values(value).forEach(deepFreeze);
    Object.freeze(value);
  }
  return value;
};

const categoryIds = ['c', 'd'] as const;
const status = fc.constantFrom('scored', 'scored', 'missing', 'incomplete', 'handed-in', 'excused', 'open');
/** A change of an item's record; the days are all different, so that order is never in doubt. */
const change = fc.record({ status, earned: fc.integer({ min: 0, max: 24 }) });
const work = fc.record({
  category: fc.constantFrom(...categoryIds),
  possible: fc.constantFrom(5, 10, 20, 40),
  multiplier: fc.constantFrom(1, 1, 2),
  counts: fc.constantFrom(true, true, true, false),
  extraCredit: fc.constantFrom(false, false, false, true),
  assigned: fc.integer({ min: 1, max: 60 }),
  daysGiven: fc.option(fc.integer({ min: 1, max: 20 })),
  accepted: fc.option(fc.integer({ min: 30, max: 66 })),
  changes: fc.array(change, { maxLength: 3 }),
});
type Work = typeof work extends fc.Arbitrary<infer W> ? W : never;

const itemOf = (made: Work, index: number): ItemRecord => ({
  id: `i${index}`,
  categoryId: made.category,
  possible: made.possible,
  multiplier: made.multiplier,
  counts: made.counts,
  extraCredit: made.extraCredit,
  assignedAt: at(made.assigned),
  dueAt: made.daysGiven === null ? null : at(made.assigned + made.daysGiven),
  acceptedUntil: made.accepted === null ? null : at(made.accepted),
});

const resultsOf = (made: Work, index: number): ResultRecord[] =>
  made.changes.map((each, number) => ({
    itemId: `i${index}`,
    // A day and an hour of its own, most of them before the course is asked on day 51.
    at: at(5 + ((index * 7 + number * 13) % 55), (index + number) % 24),
    status: each.status,
    earned: each.status === 'scored' ? (each.earned / 20) * made.possible : null,
  }));

/** Any course of points or weights: drops, extra credit, practice, floors, changes of marks, work to come. */
export const anyCourse: fc.Arbitrary<CourseRecord> = fc
  .record({
    method: fc.constantFrom('points' as const, 'weighted' as const),
    missingCounts: fc.constantFrom('zero' as const, 'floor' as const, 'not' as const),
    incompleteCounts: fc.constantFrom('zero' as const, 'not' as const),
    floor: fc.constantFrom(0, 0.5),
    weights: fc.tuple(fc.constantFrom(0, 30, 45), fc.constantFrom(55, 70)),
    drops: fc.tuple(fc.integer({ min: 0, max: 3 }), fc.integer({ min: 0, max: 3 })),
    works: fc.array(work, { maxLength: 12 }),
  })
  .map(({ weights, drops, works, ...policy }) =>
    course(
      {
        categories: categoryIds.map((id, index) => ({
          id,
          weight: weights[index] ?? 0,
          dropLowest: drops[index] ?? 0,
        })),
        items: works.map(itemOf),
        results: works.flatMap(resultsOf),
      },
      policy,
    ),
  );
