import type { CourseRecord, ItemRecord, ResultRecord } from '@cadro/contract';
import fc from 'fast-check';
import { courseFigures } from './courseFigures';

const item = (id: string, more: Partial<ItemRecord> = {}): ItemRecord => ({
  id,
  categoryId: 'c',
  possible: 20,
  assignedAt: '2026-09-01T08:00:00Z',
  dueAt: '2026-10-01T12:00:00Z',
  ...more,
});
const scored = (itemId: string, earned: number, at = '2026-10-02T12:00:00Z'): ResultRecord => ({
  itemId,
  at,
  status: 'scored',
  earned,
});
const course = (more: Partial<CourseRecord>, policy: Partial<CourseRecord['policy']> = {}): CourseRecord => ({
  id: 'k',
  asOf: '2026-10-21T18:00:00Z',
  policy: { method: 'points', termEnd: '2026-11-06T23:59:00Z', ...policy },
  categories: [{ id: 'c', weight: 1 }],
  items: [],
  results: [],
  ...more,
});

describe('the three figures, worked by hand', () => {
  it('has nothing to say about an empty course', () => {
    expect(courseFigures(course({}))).toMatchObject({
      posted: null,
      display: null,
      ifLeft: null,
      looseEnds: [],
    });
  });

  it('finds the unflagged overdue work under a good figure', () => {
    const figures = courseFigures(course({ items: [item('a'), item('b')], results: [scored('a', 18)] }));
    expect(figures.posted).toBeCloseTo(90, 9);
    expect(figures.ifLeft).toBeCloseTo(45, 9);
    // Expected of this child: (0.9 + 3 × 0.9) ÷ 4 = 0.9 of the second work.
    expect(figures.ifMadeUp).toBeCloseTo(90, 9);
    expect(figures.best).toBeCloseTo(95, 9);
    expect(figures.looseEnds).toEqual([
      {
        itemId: 'b',
        kind: 'overdue',
        recoverable: true,
        credit: 1,
        deadline: '2026-11-06T23:59:00Z',
        impact: expect.closeTo(45, 9) as number,
      },
    ]);
  });

  it.each([
    ['none', { kind: 'none' } as const, 1],
    ['flat', { kind: 'flat', credit: 0.75 } as const, 0.75],
    ['perDay, five days begun', { kind: 'perDay', lose: 0.1, least: 0.2 } as const, 0.5],
    ['perDay, at its least', { kind: 'perDay', lose: 0.1, least: 0.8 } as const, 0.8],
  ])('late rule %s', (_name, late, credit) => {
    const figures = courseFigures(
      course({ items: [item('a', { dueAt: '2026-10-17T12:00:00Z' })] }, { late }),
    );
    expect(figures.looseEnds[0]?.credit).toBeCloseTo(credit, 9);
  });

  it('lets an offer outlive the last day, and ends with it', () => {
    const past = {
      acceptedUntil: '2026-10-10T12:00:00Z',
      offer: { until: '2026-10-23T12:00:00Z', credit: 0.5 },
    };
    const offered = courseFigures(course({ items: [item('a', past)] }));
    expect(offered.looseEnds[0]).toMatchObject({
      recoverable: true,
      credit: 0.5,
      deadline: '2026-10-23T12:00:00Z',
    });
    const over = courseFigures(course({ asOf: '2026-10-24T12:00:00Z', items: [item('a', past)] }));
    expect(over.looseEnds[0]).toMatchObject({ recoverable: false, credit: 0, impact: 0 });
  });

  it('keeps a true half and the least mark apart by calling the latter doubtful', () => {
    const results = [scored('a', 10), scored('b', 0)];
    const kinds = (floor: number) =>
      courseFigures(course({ items: [item('a'), item('b')], results }, { floor }))
        .looseEnds.map(({ kind }) => kind)
        .sort();
    expect(kinds(0.5)).toEqual(['at-floor', 'zero']);
    expect(kinds(0)).toEqual(['zero']);
  });
});

const share = fc.integer({ min: 0, max: 20 });
const status = fc.constantFrom('scored', 'missing', 'incomplete', 'handed-in', 'excused', 'open');
const anyCourse = fc
  .record({
    method: fc.constantFrom('points' as const, 'weighted' as const),
    missingCounts: fc.constantFrom('zero' as const, 'floor' as const, 'not' as const),
    floor: fc.constantFrom(0, 0.5),
    works: fc.array(
      fc.record({ status, earned: share, category: fc.constantFrom('c', 'd'), extra: fc.boolean() }),
      { maxLength: 12 },
    ),
  })
  .map(({ method, missingCounts, floor, works }) =>
    course(
      {
        categories: [
          { id: 'c', weight: 30 },
          { id: 'd', weight: 70 },
        ],
        items: works.map((work, index) =>
          item(`i${index}`, { categoryId: work.category, extraCredit: work.extra && index % 5 === 4 }),
        ),
        results: works.flatMap((work, index): ResultRecord[] =>
          work.status === 'open'
            ? []
            : [
                {
                  itemId: `i${index}`,
                  at: '2026-10-02T12:00:00Z',
                  status: work.status,
                  ...(work.status === 'scored' ? { earned: work.earned } : {}),
                },
              ],
        ),
      },
      { method, missingCounts, floor },
    ),
  );

const deepFreeze = <T>(value: T): T => {
  if (value && typeof value === 'object') {
    Object.values(value).forEach(deepFreeze);
    Object.freeze(value);
  }
  return value;
};

describe('properties of every course', () => {
  it('gives the same answer twice and never writes what it is given', () => {
    fc.assert(
      fc.property(anyCourse, (record) => {
        const frozen = deepFreeze(structuredClone(record));
        expect(courseFigures(frozen)).toEqual(courseFigures(frozen));
      }),
    );
  });

  it('never has more to lose than to gain: if left ≤ if made up ≤ best', () => {
    fc.assert(
      fc.property(anyCourse, (record) => {
        const { ifLeft, ifMadeUp, best } = courseFigures(record);
        if (ifLeft === null) return;
        expect(ifMadeUp).toBeGreaterThanOrEqual(ifLeft - 1e-9);
        expect(best).toBeGreaterThanOrEqual((ifMadeUp ?? 0) - 1e-9);
      }),
    );
  });

  it('does not care for the order of the works', () => {
    fc.assert(
      fc.property(anyCourse, (record) => {
        const turned = {
          ...record,
          items: [...(record.items ?? [])].reverse(),
          results: [...(record.results ?? [])].reverse(),
        };
        const [a, b] = [courseFigures(record), courseFigures(turned)];
        expect(b.posted ?? -1).toBeCloseTo(a.posted ?? -1, 9);
        expect(b.looseEnds).toEqual(
          a.looseEnds.map((end) => ({
            ...end,
            impact: end.impact === null ? null : (expect.closeTo(end.impact, 6) as number),
          })),
        );
      }),
    );
  });

  it('never falls when a score rises', () => {
    fc.assert(
      fc.property(anyCourse, fc.nat(), (record, pick) => {
        const results = record.results ?? [];
        const chosen = results.filter(({ status: is }) => is === 'scored')[
          pick % Math.max(1, results.length)
        ];
        if (!chosen) return;
        const better = {
          ...record,
          results: results.map((each) =>
            each === chosen ? { ...each, earned: (each.earned ?? 0) + 2 } : each,
          ),
        };
        const [before, after] = [courseFigures(record), courseFigures(better)];
        expect(after.posted ?? 0).toBeGreaterThanOrEqual((before.posted ?? 0) - 1e-9);
        expect(after.ifLeft ?? 0).toBeGreaterThanOrEqual((before.ifLeft ?? 0) - 1e-9);
      }),
    );
  });
});
