import type { CourseRecord, ItemRecord, ResultRecord } from '@cadro/contract';
import fc from 'fast-check';
import { courseAnswer } from '../outlook';
import {
  assumedPolicy,
  byCodePoint,
  displayOf,
  letterOf,
  normaliseCourse,
  postedValue,
  roundHalfAway,
  scaleOf,
  standingsAt,
} from '.';

const item = (id: string, more: Partial<ItemRecord> = {}): ItemRecord => ({
  id,
  categoryId: 'c',
  possible: 20,
  ...more,
});
const result = (itemId: string, more: Partial<ResultRecord> = {}): ResultRecord => ({
  itemId,
  at: '2026-10-02T12:00:00Z',
  status: 'scored',
  ...more,
});
const record = (more: Partial<CourseRecord>, policy: Partial<CourseRecord['policy']> = {}): CourseRecord => ({
  id: 'k',
  asOf: '2026-10-21T18:00:00Z',
  policy: { method: 'points', termEnd: '2026-11-06T23:59:00Z', ...policy },
  categories: [{ id: 'c' }],
  ...more,
});
const course = (more: Partial<CourseRecord>, policy: Partial<CourseRecord['policy']> = {}) =>
  normaliseCourse(record(more, policy));
const posted = (more: Partial<CourseRecord>, policy: Partial<CourseRecord['policy']> = {}) => {
  const { posted: figure, categories } = courseAnswer(record(more, policy));
  return { fraction: figure === null ? null : figure / 100, categories };
};

describe('rounding, once, at display', () => {
  it.each([
    [89.95, 1, 90],
    [89.94, 1, 89.9],
    [2.345, 2, 2.35],
    [-0.05, 1, -0.1],
    [0, 1, 0],
    [99.5, 0, 100],
    // Written as 1.005 it is a little less; the nudge of 1e-9 makes it what was meant.
    [1.005, 2, 1.01],
  ])('%d at %d decimals is %d', (value, decimals, rounded) => {
    expect(roundHalfAway(value, decimals)).toBeCloseTo(rounded, 9);
  });

  it('is odd: what it does to a number it does to its negative', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1000, noNaN: true }),
        fc.integer({ min: 0, max: 3 }),
        (value, decimals) => {
          expect(roundHalfAway(-value, decimals) + roundHalfAway(value, decimals)).toBeCloseTo(0, 9);
        },
      ),
    );
  });

  it('never moves a value by more than half of its last decimal', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1000, max: 1000, noNaN: true }),
        fc.integer({ min: 0, max: 3 }),
        (value, decimals) => {
          const step = 10 ** -decimals;
          expect(Math.abs(roundHalfAway(value, decimals) - value)).toBeLessThanOrEqual(step / 2 + 1e-8);
        },
      ),
    );
  });
});

describe('letters', () => {
  const letters = [
    { letter: 'A', from: 0.9 },
    { letter: 'B', from: 0.8 },
  ];
  const policyOf = (letterFrom: 'exact' | 'rounded', outOf = 100) =>
    course({}, { letters, letterFrom, outOf }).policy;
  it.each([
    ['at the step', 'exact', 0.9, 'A'],
    ['a hair below, which is arithmetic', 'exact', 0.9 - 1e-10, 'A'],
    ['truly below', 'exact', 0.8996, 'B'],
    ['truly below, but shown as 90.0', 'rounded', 0.8996, 'A'],
    ['below, and shown below', 'rounded', 0.8994, 'B'],
    ['below every step', 'exact', 0.5, null],
    ['above the scale', 'exact', 1.04, 'A'],
  ] as const)('%s (%s)', (_name, letterFrom, fraction, letter) => {
    expect(letterOf(policyOf(letterFrom), fraction)).toBe(letter);
  });
  it('has none without a figure, and none where the course has none', () => {
    expect(letterOf(policyOf('exact'), null)).toBeNull();
    expect(letterOf(course({}).policy, 0.95)).toBeNull();
    expect(displayOf(course({}).policy, null)).toBeNull();
  });
  it('rounds on the course’s own scale', () => {
    expect(displayOf(policyOf('rounded', 4), 0.7749)).toBeCloseTo(3.1, 9);
  });
});

describe('how a work stands', () => {
  const history: ResultRecord[] = [
    result('a', { at: '2026-10-05T10:00:00Z', status: 'scored', earned: 17 }),
    result('a', { at: '2026-10-03T10:00:00Z', status: 'missing' }),
    result('a', { at: '2026-10-09T10:00:00Z', status: 'scored', earned: 18 }),
  ];
  const standing = (at: string, results = history) => {
    const made = course({ items: [item('a')], results });
    return standingsAt(made, Date.parse(at))[0];
  };
  it.each([
    ['before everything', '2026-10-01T00:00:00Z', 'open', null],
    ['in the instant of a change', '2026-10-03T10:00:00Z', 'missing', null],
    ['a millisecond before it', '2026-10-03T09:59:59.999Z', 'open', null],
    ['after a correction', '2026-10-20T00:00:00Z', 'scored', 18],
    ['between', '2026-10-06T00:00:00Z', 'scored', 17],
  ])('%s', (_name, at, status, earned) => {
    expect(standing(at)).toMatchObject({ status, earned });
  });

  it('takes the later in the list of two in one instant', () => {
    const at = '2026-10-03T10:00:00Z';
    const twice = [result('a', { at, earned: 5 }), result('a', { at, earned: 6 })];
    expect(standing('2026-10-04T00:00:00Z', twice)?.earned).toBe(6);
  });

  it('knows a work from the earlier of its assignment and its first result', () => {
    const items = [
      item('later', { assignedAt: '2026-10-25T08:00:00Z' }),
      item('early', { assignedAt: '2026-10-25T08:00:00Z' }),
      item('always'),
    ];
    const made = course({ items, results: [result('early', { earned: 9 })] });
    expect(standingsAt(made, made.asOfMs).map((each) => each.item.id)).toEqual(['early', 'always']);
  });
});

describe('what a work is worth now', () => {
  const value = (
    status: ResultRecord['status'],
    earned: number | null,
    policy: Partial<CourseRecord['policy']> = {},
  ) => {
    const made = course({ items: [item('a')], results: [result('a', { status, earned })] }, policy);
    const [standing] = standingsAt(made, made.asOfMs);
    if (!standing) throw new Error('the item stands');
    return postedValue(made.policy, standing.item, standing);
  };
  it.each([
    ['scored', 'scored', 17, {}, 0.85],
    ['scored above what was possible', 'scored', 22, {}, 1.1],
    ['scored below the floor', 'scored', 4, { floor: 0.5 }, 0.5],
    ['scored without a score', 'scored', null, {}, null],
    ['missing at zero', 'missing', null, {}, 0],
    ['missing at the floor', 'missing', null, { missingCounts: 'floor', floor: 0.5 }, 0.5],
    ['missing that does not count', 'missing', null, { missingCounts: 'not' }, null],
    ['incomplete that does not count', 'incomplete', 12, {}, null],
    ['incomplete at zero, whatever is in it', 'incomplete', 12, { incompleteCounts: 'zero' }, 0],
    ['excused', 'excused', null, {}, null],
    ['handed in', 'handed-in', null, {}, null],
    ['open', 'open', null, {}, null],
  ] as const)('%s', (_name, status, earned, policy, worth) => {
    const said = value(status, earned, policy);
    if (worth === null) expect(said).toBeNull();
    else expect(said).toBeCloseTo(worth, 12);
  });
});

describe('the posted figure', () => {
  const two: Partial<CourseRecord> = {
    categories: [
      { id: 'c', weight: 30 },
      { id: 'd', weight: 70 },
    ],
    items: [item('a'), item('b', { categoryId: 'd', possible: 10 })],
    results: [result('a', { earned: 20 }), result('b', { earned: 5 })],
  };
  it('adds points, or weighs categories', () => {
    expect(posted(two).fraction).toBeCloseTo(25 / 30, 12);
    expect(posted(two, { method: 'weighted' }).fraction).toBeCloseTo(0.3 * 1 + 0.7 * 0.5, 12);
  });
  it('leaves an empty category out of the weights', () => {
    const results = [result('a', { earned: 18 })];
    const sum = posted({ ...two, results }, { method: 'weighted' });
    expect(sum.fraction).toBeCloseTo(0.9, 12);
    expect(sum.categories).toEqual([
      {
        id: 'c',
        fraction: 0.9,
        earned: 18,
        possible: 20,
        cost: expect.closeTo(10, 9) as number,
        dropped: [],
      },
      { id: 'd', fraction: null, earned: 0, possible: 0, cost: null, dropped: [] },
    ]);
  });
  it('counts a work as often as its multiplier says', () => {
    const items = [item('a'), item('b', { multiplier: 3 })];
    const results = [result('a', { earned: 20 }), result('b', { earned: 10 })];
    expect(posted({ items, results }).fraction).toBeCloseTo((20 + 30) / 80, 12);
  });
  it('adds extra credit to what is earned, not to what is possible', () => {
    const items = [item('a'), item('x', { extraCredit: true, possible: 5 })];
    const results = [result('a', { earned: 18 }), result('x', { earned: 3 })];
    expect(posted({ items, results }).fraction).toBeCloseTo(21 / 20, 12);
    expect(posted({ items, results: [result('x', { earned: 3 })] }).fraction).toBeNull();
  });
  it.each([
    ['what does not count', { counts: false }],
    ['what weighs nothing', { possible: 0 }],
    ['what is multiplied by nothing', { multiplier: 0 }],
  ])('leaves out %s', (_name, more) => {
    const items = [item('a'), item('b', more)];
    const results = [result('a', { earned: 18 }), result('b', { earned: 0 })];
    expect(posted({ items, results }).fraction).toBeCloseTo(0.9, 12);
  });
  it('has no figure where nothing is weighed', () => {
    const categories = [{ id: 'c', weight: 0 }];
    const some = { categories, items: [item('a')], results: [result('a', { earned: 9 })] };
    expect(posted(some, { method: 'weighted' }).fraction).toBeNull();
  });
});

describe('standards', () => {
  const level = (id: string, at: string, value: number): ResultRecord =>
    result(id, { at, levels: { s: value } });
  const evidence = {
    items: [item('a'), item('b'), item('d')],
    results: [
      level('a', '2026-09-10T10:00:00Z', 2),
      level('b', '2026-09-20T10:00:00Z', 4),
      level('d', '2026-09-30T10:00:00Z', 3),
    ],
    standards: [{ id: 's' }, { id: 'later' }],
  };
  const assess = (rule: 'latest' | 'highest' | 'mean' | 'recency', more: Partial<CourseRecord> = {}) => {
    const { posted: figure, standards } = courseAnswer(
      record({ ...evidence, ...more } as Partial<CourseRecord>, {
        method: 'standards',
        standards: { rule, share: 0.65, top: 4, metAt: 3 },
      }),
    );
    return { standards, fraction: figure === null ? null : figure / 100 };
  };
  it.each([
    ['latest', 3, true],
    ['highest', 4, true],
    ['mean', 3, true],
    // 2 → 0.65 × 4 + 0.35 × 2 = 3.3 → 0.65 × 3 + 0.35 × 3.3 = 3.105
    ['recency', 3.105, true],
  ] as const)('%s', (rule, expected, met) => {
    const [first] = assess(rule).standards;
    expect(first?.level).toBeCloseTo(expected, 9);
    expect(first?.met).toBe(met);
  });
  it.each([
    [3, undefined, true],
    [3, 4, false],
    [3, 3.1, false],
    [3, 2, true],
    [2, 2, true],
    [2, undefined, false],
  ])('level %d, met at %p: %s', (reached, metAt, met) => {
    const { standards } = courseAnswer(
      record(
        { ...evidence, results: [level('a', '2026-09-10T10:00:00Z', reached)] } as Partial<CourseRecord>,
        {
          method: 'standards',
          standards: { rule: 'latest', top: 4, ...(metAt === undefined ? {} : { metAt }) },
        },
      ),
    );
    expect(standards[0]).toEqual({ id: 's', level: reached, met });
  });
  it.each([
    [0, 90],
    [1, 89.5],
    [2, 89.55],
  ])('shows a figure at %d decimals as %d', (decimals, display) => {
    const items = [item('a', { possible: 1000 })];
    const results = [result('a', { earned: 895.46 })];
    expect(courseAnswer(record({ items, results }, { decimals })).display).toBe(display);
    expect(scaleOf({ method: 'points', decimals, termEnd: '2026-11-06T23:59:00Z' }).decimals).toBe(decimals);
  });

  it('is that of the levels where standards are judged, and else that of the policy', () => {
    const policy = { termEnd: '2026-11-06T23:59:00Z', outOf: 20, letters: [{ letter: 'A', from: 0.9 }] };
    const rest = { decimals: 1, letters: policy.letters };
    expect(scaleOf({ ...policy, method: 'points' })).toEqual({ method: 'points', outOf: 20, ...rest });
    expect(scaleOf({ ...policy, method: 'standards', standards: { top: 7 } })).toEqual({
      ...{ method: 'standards', outOf: 7, ...rest },
    });
    expect(scaleOf({ method: 'standards', termEnd: policy.termEnd }).outOf).toBe(4);
  });

  it('has a default for whatever a source leaves out, and for nothing else', () => {
    const termEnd = '2026-11-06T23:59:00Z';
    const defaults = {
      ...{ outOf: 100, decimals: 1, letters: [], letterFrom: 'exact', missingCounts: 'zero' },
      ...{ incompleteCounts: 'not', floor: 0, late: { kind: 'none' } },
    };
    const told = {
      ...{ outOf: 20, decimals: 0, letters: [{ letter: 'A', from: 0.9 }], letterFrom: 'rounded' },
      ...{ missingCounts: 'not', incompleteCounts: 'zero', floor: 0.5, late: { kind: 'flat', credit: 0.5 } },
    } as unknown as Omit<CourseRecord['policy'], 'method' | 'termEnd'>;
    const levels = { rule: 'mean', share: 0.5, top: 7, metAt: 5 } as const;
    expect(course({}, { method: 'weighted' }).policy).toEqual({
      ...{ ...defaults, method: 'weighted', termEndMs: Date.parse(termEnd) },
      standards: { rule: 'latest', share: 0.65, top: 4, metAt: 3 },
    });
    expect(course({}, { ...told, standards: levels }).policy).toEqual({
      ...{ ...told, method: 'points', termEndMs: Date.parse(termEnd), standards: levels },
    });
  });
  it('has one decimal, where the school says nothing', () => {
    const some = { items: [item('a', { possible: 1000 })], results: [result('a', { earned: 895.46 })] };
    expect(courseAnswer(record(some)).display).toBe(89.5);
  });
  it('does not call a standard unmet that nobody has assessed', () => {
    const { standards, fraction } = assess('latest');
    expect(standards[1]).toEqual({ id: 'later', level: null, met: null });
    expect(fraction).toBeCloseTo(3 / 4, 12);
  });
  it('takes evidence in order of time, whatever the order of the list', () => {
    const results = [...evidence.results].reverse();
    expect(assess('recency', { results }).standards).toEqual(assess('recency').standards);
  });
  it.each([
    ['extra credit', { extraCredit: true }],
    ['practice', { counts: false }],
  ])('takes none from %s', (_name, more) => {
    const items = [item('a'), item('b'), item('d', more)];
    expect(assess('latest', { items }).standards[0]?.level).toBe(4);
  });
});

describe('the order of ids', () => {
  it.each([
    ['a', 'b', -1],
    ['a', 'ab', -1],
    ['item-10', 'item-9', -1],
    ['same', 'same', 0],
    // By code point '😀' (1F600) comes after '～' (FF5E); by UTF-16 units it would come before.
    ['\uFF5E', '😀', -1],
    ['\uE000', '\u{10FFFF}', -1],
    ['\uD7FF', '\uE000', -1],
  ])('%j before %j: %d', (a, b, sign) => {
    expect(Math.sign(byCodePoint(a, b))).toBe(sign);
    expect(Math.sign(byCodePoint(b, a))).toBe(sign === 0 ? 0 : -sign);
  });
  it('agrees with the order of code points', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), fc.string({ unit: 'binary' }), (a, b) => {
        const [x, y] = [a, b].map((text) => [...text].map((letter) => letter.codePointAt(0) ?? 0));
        const at = (x ?? []).findIndex((point, index) => point !== y?.[index]);
        const first = at < 0 ? (x?.length ?? 0) - (y?.length ?? 0) : (x?.[at] ?? 0) - (y?.[at] ?? -1);
        expect(Math.sign(byCodePoint(a, b))).toBe(Math.sign(first));
      }),
    );
  });
});

describe('a policy that nobody has told', () => {
  const termEnd = '2026-11-06T23:59:59Z';
  it.each([
    [[30, 70], 'weighted'],
    [[0, 0.5], 'weighted'],
    [[0, 0], 'points'],
    [[], 'points'],
  ])('of categories that weigh %j is by %s', (weights, method) =>
    expect(assumedPolicy({ weights, termEnd })).toEqual({
      ...{ method, outOf: 100, missingCounts: 'zero', incompleteCounts: 'not', termEnd },
    }),
  );
});
