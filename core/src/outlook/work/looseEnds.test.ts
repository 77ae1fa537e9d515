import type { CourseRecord, ItemRecord, ResultRecord } from '@cadro/contract';
import fc from 'fast-check';
import { normaliseCourse, standingsAt } from '../../gradebook';
import { creditNow, deadlineMs, expectedByCategory, looseEndsOf, medianSlope, tiedUp, trendOf } from '..';

const dueAt = '2026-10-12T12:00:00Z';
const termEnd = '2026-11-06T23:59:00Z';
const at = (day: string) => `2026-10-${day}T12:00:00Z`;

function course(
  items: readonly Partial<ItemRecord>[],
  results: readonly Partial<ResultRecord>[],
  policy: Partial<CourseRecord['policy']> = {},
  asOf = '2026-10-21T18:00:00Z',
) {
  return normaliseCourse({
    id: 'k',
    asOf,
    policy: { method: 'points', termEnd, ...policy },
    categories: [{ id: 'c' }, { id: 'd' }],
    items: items.map((more, index) => ({
      id: `i${index}`,
      categoryId: 'c',
      possible: 20,
      dueAt,
      ...more,
    })),
    results: results.map((more) => ({ itemId: 'i0', at: at('14'), status: 'scored' as const, ...more })),
  });
}
const endsOf = (made: ReturnType<typeof course>) => looseEndsOf(made, standingsAt(made, made.asOfMs));

describe('kinds of loose ends', () => {
  it.each([
    ['nobody has marked it and its date has passed', {}, [], {}, 'overdue'],
    ['due in this very instant', { dueAt: '2026-10-21T18:00:00Z' }, [], {}, null],
    ['due a millisecond ago', { dueAt: '2026-10-21T17:59:59.999Z' }, [], {}, 'overdue'],
    ['undated', { dueAt: null }, [], {}, null],
    ['missing', {}, [{ status: 'missing' }], {}, 'missing'],
    [
      'missing, and the school does not count it',
      {},
      [{ status: 'missing' }],
      { missingCounts: 'not' },
      'missing',
    ],
    ['incomplete', {}, [{ status: 'incomplete' }], {}, 'incomplete'],
    ['a zero', {}, [{ earned: 0 }], {}, 'zero'],
    ['at the floor', {}, [{ earned: 10 }], { floor: 0.5 }, 'at-floor'],
    ['just above the floor', {}, [{ earned: 10.5 }], { floor: 0.5 }, null],
    ['half of it, where there is no floor', {}, [{ earned: 10 }], {}, null],
    ['a zero under a floor', {}, [{ earned: 0 }], { floor: 0.5 }, 'zero'],
    [
      'handed in ten days ago to the instant',
      {},
      [{ status: 'handed-in', at: '2026-10-11T18:00:00Z' }],
      {},
      null,
    ],
    ['handed in longer ago', {}, [{ status: 'handed-in', at: '2026-10-11T17:59:59Z' }], {}, 'unmarked'],
    ['excused', {}, [{ status: 'excused' }], {}, null],
    ['scored without a score', {}, [{ earned: null }], {}, null],
    ['practice that does not count', { counts: false }, [], {}, null],
    ['extra credit', { extraCredit: true }, [], {}, null],
    ['worth nothing', { possible: 0 }, [], {}, null],
  ] as const)('%s', (_name, item, results, policy, kind) => {
    expect(endsOf(course([item], results, policy)).map((end) => end.kind)).toEqual(kind ? [kind] : []);
  });
});

describe('until when, and for how much', () => {
  const offer = { until: at('25'), credit: 0.5 };
  it.each([
    ['the term’s end', {}, termEnd],
    ['its own last day', { acceptedUntil: at('18') }, at('18')],
    ['an offer that outlives it', { acceptedUntil: at('18'), offer }, at('25')],
    ['an offer that ends before it', { acceptedUntil: at('27'), offer }, at('27')],
  ])('ends with %s', (_name, item, until) => {
    const made = course([item], []);
    const [only] = made.items;
    expect(only && deadlineMs(only, made.policy)).toBe(Date.parse(until));
  });

  it.each([
    ['not late', '10', { kind: 'flat', credit: 0.5 }, {}, 1],
    ['in the instant it is due', '12', { kind: 'flat', credit: 0.5 }, {}, 1],
    ['late, flat', '13', { kind: 'flat', credit: 0.5 }, {}, 0.5],
    ['late, and lateness costs nothing', '13', { kind: 'none' }, {}, 1],
    ['a day late to the instant', '13', { kind: 'perDay', lose: 0.1, least: 0 }, {}, 0.9],
    ['nine days late', '21', { kind: 'perDay', lose: 0.1, least: 0.3 }, {}, 0.3],
    [
      'late, with a better offer',
      '21',
      { kind: 'flat', credit: 0.5 },
      { offer: { until: at('25'), credit: 0.7 } },
      0.7,
    ],
    [
      'late, with a worse offer',
      '21',
      { kind: 'flat', credit: 0.5 },
      { offer: { until: at('25'), credit: 0.2 } },
      0.5,
    ],
    ['past its last day, offer standing', '21', { kind: 'none' }, { acceptedUntil: at('18'), offer }, 0.5],
    ['past both', '26', { kind: 'none' }, { acceptedUntil: at('18'), offer }, 0],
    ['undated', '26', { kind: 'flat', credit: 0.5 }, { dueAt: null }, 1],
  ] as const)('%s', (_name, day, late, item, credit) => {
    const made = course([item], [], { late }, at(day));
    const [only] = made.items;
    expect(only && creditNow(only, made.policy, made.asOfMs)).toBeCloseTo(credit, 9);
  });

  it('waits on the teacher where nothing can be done', () => {
    const [end] = endsOf(course([{}], [{ status: 'handed-in', at: at('01') }]));
    expect(end).toMatchObject({ kind: 'unmarked', recoverable: false, credit: null, deadlineMs: null });
  });

  it('keeps the deadline of what can no longer be mended', () => {
    const [end] = endsOf(course([{ acceptedUntil: at('18') }], []));
    expect(end).toMatchObject({ recoverable: false, credit: 0, deadlineMs: Date.parse(at('18')) });
  });
});

describe('what a child can be expected to reach', () => {
  const expected = (scores: readonly (readonly [category: string, earned: number])[], floor = 0) => {
    const made = course(
      scores.map(([categoryId]) => ({ categoryId })),
      scores.map(([, earned], index) => ({ itemId: `i${index}`, earned })),
      { floor },
    );
    return expectedByCategory(made, standingsAt(made, made.asOfMs));
  };
  it('is 0.85 before any score', () => expect(expected([])('c')).toBeCloseTo(0.85, 12));
  it('is drawn towards the course while a category has few scores', () => {
    const of = expected([
      ['c', 20],
      ['c', 20],
      ['d', 10],
      ['d', 14],
    ]);
    const mean = (1 + 1 + 0.5 + 0.7) / 4;
    expect(of('c')).toBeCloseTo((2 + 3 * mean) / 5, 12);
    expect(of('d')).toBeCloseTo((1.2 + 3 * mean) / 5, 12);
    expect(of('never marked')).toBeCloseTo(mean, 12);
  });
  it('does not believe a zero, nor a least mark, nor more than full', () => {
    expect(
      expected([
        ['c', 0],
        ['c', 16],
      ])('c'),
    ).toBeCloseTo(0.8, 12);
    expect(
      expected(
        [
          ['c', 10],
          ['c', 16],
        ],
        0.5,
      )('c'),
    ).toBeCloseTo(0.8, 12);
    expect(expected([['c', 30]])('c')).toBeCloseTo(1, 12);
  });
  it('stays between the worst and the best the child has shown', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 20 }), { minLength: 1, maxLength: 10 }), (scores) => {
        const of = expected(scores.map((earned) => ['c', earned] as const));
        expect(of('c')).toBeGreaterThanOrEqual(Math.min(...scores) / 20 - 1e-9);
        expect(of('c')).toBeLessThanOrEqual(Math.max(...scores) / 20 + 1e-9);
      }),
    );
  });
});

describe('which way it goes', () => {
  it('takes the median of all slopes, which one wild week cannot bend', () => {
    expect(
      medianSlope([
        [-2, 80],
        [-1, 78],
        [0, 76],
      ]),
    ).toBeCloseTo(-2, 12);
    expect(
      medianSlope([
        [-3, 80],
        [-2, 80],
        [-1, 20],
        [0, 80],
      ]),
    ).toBeCloseTo(0, 12);
    // Six slopes, an even number: 1, 1, 2, 3, 3.5, 6 have their median between 2 and 3.
    expect(
      medianSlope([
        [0, 0],
        [1, 1],
        [2, 2],
        [3, 8],
      ]),
    ).toBeCloseTo((1 + 8 / 3) / 2, 12);
    expect(medianSlope([[0, 1]])).toBeNull();
  });
  it('turns with the line', () => {
    const line = fc.array(fc.double({ min: 0, max: 100, noNaN: true }), { minLength: 2, maxLength: 6 });
    fc.assert(
      fc.property(line, fc.double({ min: -5, max: 5, noNaN: true }), (values, tilt) => {
        const flat = medianSlope(values.map((value, week) => [week, value] as const)) ?? 0;
        const tilted = medianSlope(values.map((value, week) => [week, value + tilt * week] as const)) ?? 0;
        expect(tilted - flat).toBeCloseTo(tilt, 6);
      }),
    );
  });

  const weekly = (shares: readonly number[]) =>
    trendOf(
      shares.map((share, index) => ({ week: index + 1 - shares.length, fraction: share })),
      shares.length,
    );
  it.each([
    ['down by a point a week, to the point', [0.9, 0.89, 0.88], 'slipping'],
    ['down by less', [0.9, 0.891, 0.882], 'steady'],
    ['up by a point a week, to the point', [0.88, 0.89, 0.9], 'rising'],
    ['up by less', [0.882, 0.891, 0.9], 'steady'],
  ] as const)('%s', (_name, shares, trend) => expect(weekly(shares).class).toBe(trend));
  it('is too early with two figures, or with two works', () => {
    const figures = [0.9, 0.8, 0.7].map((fraction, index) => ({ week: index - 2, fraction }));
    expect(trendOf(figures, 3).class).toBe('slipping');
    expect(trendOf(figures, 2)).toEqual({ class: 'too-early', slope: null });
    const holes = figures.map((each, index) => (index === 1 ? { ...each, fraction: null } : each));
    expect(trendOf(holes, 3)).toEqual({ class: 'too-early', slope: null });
    expect(trendOf([...holes, { week: -5, fraction: 0.95 }], 3).class).toBe('slipping');
  });
  it.each([
    ['two works are too early to tell', [0.9, 0.5], 'too-early'],
    ['a course that slides', [0.9, 0.88, 0.86, 0.83], 'slipping'],
    ['one that climbs', [0.6, 0.61, 0.63, 0.65], 'rising'],
    ['one that stays', [0.8, 0.8, 0.8, 0.8], 'steady'],
  ] as const)('%s', (_name, shares, trend) => {
    const { class: found, slope } = weekly(shares);
    expect(found).toBe(trend);
    expect(slope === null).toBe(trend === 'too-early');
  });
});

describe('good news', () => {
  const [item] = course([{}], []).items;
  const { policy } = course([], []);
  const state = (status: ResultRecord['status'], earned: number | null = null) => ({ status, earned });
  it.each([
    ['missing, then marked', state('missing'), state('scored', 17), at('20'), 'missing'],
    ['overdue for days, then marked', state('open'), state('scored', 17), at('20'), 'overdue'],
    ['a mark that took a day to travel', state('open'), state('scored', 17), at('13'), null],
    ['a zero mended', state('scored', 0), state('scored', 12), at('20'), 'zero'],
    ['incomplete made whole', state('incomplete'), state('scored', 18), at('20'), 'incomplete'],
    ['a mark corrected', state('scored', 15), state('scored', 17), at('20'), null],
    ['missing, then a zero', state('missing'), state('scored', 0), at('20'), null],
    ['missing, then handed in', state('missing'), state('handed-in'), at('20'), null],
    ['missing, then excused', state('missing'), state('excused'), at('20'), null],
  ] as const)('%s', (_name, before, after, when, was) => {
    if (!item) throw new Error('there is one item');
    expect(tiedUp(item, policy, before, after, Date.parse(when))).toBe(was);
  });
});
