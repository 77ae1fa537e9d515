import fc from 'fast-check';
import { unpublishedWork } from './unpublished';
import type { CourseRecord } from '@cadro/contract';
import { anyCourse } from '../../testing/courses';
import {
  ridesOn,
  courseAnswer,
  jointly,
  simulate,
  tryOut,
  withScores,
  type Fan,
  type SimulationAsk,
} from '..';
import { runs } from '../../testing/runs';

const kelp: CourseRecord = {
  id: 'kelp',
  asOf: '2026-10-21T18:00:00Z',
  policy: { method: 'points', termEnd: '2026-11-06T23:59:00Z' },
  categories: [{ id: 'lab' }],
  items: [
    { id: 'a', categoryId: 'lab', possible: 20, dueAt: '2026-10-05T12:00:00Z' },
    { id: 'b', categoryId: 'lab', possible: 20, dueAt: '2026-10-12T12:00:00Z' },
    { id: 'c', categoryId: 'lab', possible: 10, dueAt: '2026-10-14T12:00:00Z' },
    { id: 'd', categoryId: 'lab', possible: 50, dueAt: '2026-10-30T12:00:00Z' },
  ],
  results: [
    { itemId: 'a', at: '2026-10-06T12:00:00Z', status: 'scored', earned: 16 },
    { itemId: 'b', at: '2026-10-13T12:00:00Z', status: 'missing' },
  ],
};

const run = (ask: Partial<SimulationAsk> = {}): Fan | null => {
  const drawing = simulate({ record: kelp, draws: 1000, seed: 7, target: 60, ...ask });
  for (;;) {
    const next = drawing.next();
    if (next.done) return next.value;
  }
};

const standards: CourseRecord = {
  ...kelp,
  policy: { ...kelp.policy, method: 'standards' },
  standards: [{ id: 's' }],
};

it('has nothing to sum, to draw or to stake in a standards course', () => {
  expect(jointly(standards, ['b'])).toEqual({ ifLeft: null, ifDone: null });
  expect(run({ record: standards })).toBeNull();
  expect([...ridesOn(standards)]).toEqual([]);
});

it('is the same fan for the same seed, week by week, with a tenth of the draws beyond each end', () => {
  const scores = [4, 5, 6, 7, 8, 9, 10, 10, 10, 10];
  const record: CourseRecord = {
    ...kelp,
    items: [
      ...scores.map((_, n) => ({
        ...{ id: `s${n}`, categoryId: 'lab', possible: 10, dueAt: '2026-10-05T12:00:00Z' },
      })),
      { id: 'one', categoryId: 'lab', possible: 50, dueAt: '2026-10-25T12:00:00Z' },
      { id: 'two', categoryId: 'lab', possible: 50, dueAt: '2026-11-20T12:00:00Z' },
    ],
    results: scores.map((earned, n) => ({
      ...{ itemId: `s${n}`, at: '2026-10-06T12:00:00Z', status: 'scored' as const, earned },
    })),
  };
  const fan = run({ record, target: 80, draws: 2000 });
  const steps = fan?.steps.map(({ at, low, lowMiddle, middle, highMiddle, high }) => [
    ...[at.slice(0, 10), ...[low, lowMiddle, middle, highMiddle, high].map((each) => each.toFixed(2))],
  ]);
  // 79 of 100 now. From 28 October with one of ten scores more: 86 is with 10 of 10, which nothing goes beyond.
  expect(steps).toEqual([
    ['2026-10-21', '79.00', '79.00', '79.00', '79.00', '79.00'],
    ['2026-10-28', '67.27', '72.31', '79.49', '83.64', '86.00'],
    ['2026-11-04', '67.74', '72.84', '78.57', '82.67', '85.65'],
    ['2026-11-06', '66.93', '72.55', '77.90', '82.78', '86.37'],
  ]);
  expect([fan?.toCome, fan?.draws]).toEqual([2, 2000]);
  expect(fan?.chance).toBeGreaterThan(0.35);
  expect(fan?.chance).toBeLessThan(0.42);
});

it('draws from the kind of work itself the more often, the more scores of it there are', () => {
  // Ten tests of 90 %, one paper of 10 %, and a test to come: all that pulls it down is drawn from the paper.
  const tests = Array.from({ length: 10 }, (_, n) => `t${n}`);
  const record: CourseRecord = {
    ...kelp,
    categories: [{ id: 'tests' }, { id: 'papers' }],
    items: [
      ...tests.map((id) => ({ id, categoryId: 'tests', possible: 10, dueAt: '2026-10-05T12:00:00Z' })),
      { id: 'p', categoryId: 'papers', possible: 10, dueAt: '2026-10-05T12:00:00Z' },
      { id: 'next', categoryId: 'tests', possible: 100, dueAt: '2026-10-30T12:00:00Z' },
    ],
    results: [
      ...tests.map((itemId) => ({
        itemId,
        at: '2026-10-06T12:00:00Z',
        status: 'scored' as const,
        earned: 9,
      })),
      { itemId: 'p', at: '2026-10-06T12:00:00Z', status: 'scored', earned: 1 },
    ],
  };
  // 91 of 110 now; with 90 of 100 it ends at 181 of 210 = 86.2, with 10 at 48.1.
  const fan = run({ record, target: 80, draws: 4000 });
  expect(Math.abs((fan?.steps.at(-1)?.middle ?? 0) - (181 / 210) * 100)).toBeLessThan(1.5);
  // It is drawn from all eleven in 3 of 13 cases, and one in eleven of these is the paper: 2.1 %. Not all is handed in.
  expect(fan?.chance).toBeGreaterThan(0.75);
  expect(fan?.chance).toBeLessThan(0.995);
});

describe('work that has not been published yet', () => {
  const weekly = (count: number) =>
    Array.from({ length: count }, (_, n) => ({
      ...{ id: `w${n}`, categoryId: 'k', possible: n % 2 === 0 ? 10 : 20 },
      assignedAt: new Date(Date.UTC(2026, 8, 9 + 7 * n)).toISOString(),
      dueAt: new Date(Date.UTC(2026, 8, 14 + 7 * n)).toISOString(),
    }));
  const course: CourseRecord = {
    ...{ id: 'c', asOf: '2026-10-21T00:00:00Z', categories: [{ id: 'k' }, { id: 'none' }] },
    policy: { method: 'points', termEnd: '2026-11-04T00:00:00Z' },
    items: weekly(6),
  };

  it('comes at the pace of the weeks so far, of the same masses, less what is published', () => {
    const more = unpublishedWork(course);
    // Six were due in the six weeks since the first was given out; two weeks are left.
    expect(more.expected).toBeCloseTo(2, 9);
    const shares = [...more.chances.values()];
    expect(shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(2, 9);
    expect(new Set(more.items.map(({ categoryId }) => categoryId))).toEqual(new Set(['k']));
    expect(new Set(more.items.map(({ possible }) => possible))).toEqual(new Set([10, 20]));
    expect(
      more.items.every(({ dueAt }) => (dueAt ?? '') > course.asOf && (dueAt ?? '') < course.policy.termEnd),
    ).toBe(true);
    const published = {
      ...weekly(1)[0]!,
      id: 'next',
      dueAt: '2026-10-28T00:00:00Z',
      assignedAt: course.asOf,
    };
    expect(unpublishedWork({ ...course, items: [...weekly(6), published] }).expected).toBeCloseTo(1, 9);
  });

  it.each([
    ['the term is over', { asOf: '2026-11-05T00:00:00Z' }],
    ['nothing has been given out', { items: [] }],
    ['nothing counts', { items: weekly(6).map((item) => ({ ...item, counts: false })) }],
  ])('is none where %s', (_name, more) => {
    expect(unpublishedWork({ ...course, ...more })).toMatchObject({ items: [], expected: 0 });
  });
});

describe('what several works come to together', () => {
  it('is the figure with them done and the rest left', () => {
    // Left: 16 of 50. Expected 0.8: b adds 16, c adds 8.
    expect(jointly(kelp, [])).toEqual({ ifLeft: 32, ifDone: 32 });
    expect(jointly(kelp, ['b']).ifDone).toBeCloseTo(64, 9);
    expect(jointly(kelp, ['b', 'c']).ifDone).toBeCloseTo(80, 9);
    // d is to come: 40 of 50 more, over 100.
    expect(jointly(kelp, ['b', 'c', 'd']).ifDone).toBeCloseTo(80, 9);
    expect(jointly(kelp, ['a', 'nothing']).ifDone).toBe(32);
  });

  it('agrees with the figures for one, and for all of them', () => {
    fc.assert(
      fc.property(anyCourse, (record) => {
        const { ifLeft, ifMadeUp, looseEnds } = courseAnswer(record);
        if (record.policy.method === 'standards')
          return expect(jointly(record, [])).toEqual({ ifLeft: null, ifDone: null });
        const all = jointly(
          record,
          looseEnds.map(({ itemId }) => itemId),
        );
        expect(all.ifLeft ?? -1).toBeCloseTo(ifLeft ?? -1, 9);
        expect(all.ifDone ?? -1).toBeCloseTo(ifMadeUp ?? -1, 9);
        for (const { itemId, impact } of looseEnds) {
          if (impact === null || ifLeft === null) continue;
          expect(jointly(record, [itemId]).ifDone).toBeCloseTo(ifLeft + impact, 9);
        }
        return undefined;
      }),
    );
  });

  it('says what work to come stands for', () => {
    // Posted 16 of 20 and b 0 of 20: 56 of 90 with d at 0.8, 16 of 90 without; the missing b counts in both.
    expect(ridesOn(kelp).get('d')?.gain).toBeCloseTo((40 / 90) * 100, 9);
    expect(ridesOn(kelp).get('d')?.decides).toBeCloseTo((50 / 90) * 100, 9);
    const coming = [...ridesOn(kelp)].flatMap(([id, { gain }]) => (gain === null ? [] : [id]));
    expect(coming).toEqual(['d']);
  });
});

describe('trying out', () => {
  it('counts a tried score as if it stood there, and tells what targets then ask for', () => {
    const answer = tryOut(
      kelp,
      [
        { itemId: 'b', earned: 20 },
        { itemId: 'd', earned: 50 },
      ],
      [95],
    );
    expect(answer.posted).toBeCloseTo((86 / 90) * 100, 9);
    expect(answer.needed).toEqual([{ target: 95, status: 'out-of-reach', x: null }]);
    expect(
      tryOut(kelp, [{ itemId: 'b', earned: 20 }], [0, 80, 101]).needed.map(({ status }) => status),
    ).toEqual(['secured', 'reachable', 'out-of-reach']);
  });

  it('is undone by trying nothing, and never changes the record', () => {
    const before = JSON.stringify(kelp);
    withScores(kelp, [{ itemId: 'a', earned: 0 }]);
    expect(JSON.stringify(kelp)).toBe(before);
    expect(tryOut(kelp, [], [])).toEqual(courseAnswer(kelp));
  });

  it('never falls when a tried score rises', () => {
    fc.assert(
      fc.property(anyCourse, fc.nat(), fc.double({ min: 0, max: 1, noNaN: true }), (record, place, share) => {
        const items = record.items ?? [];
        const item = items[place % Math.max(1, items.length)];
        if (!item || record.policy.method === 'standards') return;
        const at = (of: number) =>
          tryOut(record, [{ itemId: item.id, earned: of * item.possible }], []).posted;
        expect(at(1) ?? 0).toBeGreaterThanOrEqual((at(share) ?? 0) - 1e-9);
      }),
    );
  });
});

describe('the rest of the term, drawn many times', () => {
  it('is the same for the same seed, and tells its way', () => {
    expect(run()).toEqual(run());
    expect(run({ seed: 8 })).not.toEqual(null);
    const drawing = simulate({ record: kelp, draws: 1000, seed: 7, target: null });
    expect([drawing.next().value, drawing.next().value]).toEqual([0.25, 0.5]);
  });

  it('runs from if left to the end of the term, through what the child can score', () => {
    const fan = run();
    // Its one own score is 0.8, so every draw is near it: 16 of 50 now, about 56 of 100 once d is in.
    const [now, ...later] = fan?.steps ?? [];
    expect(now?.at).toBe('2026-10-21T18:00:00Z');
    expect([now?.low, now?.high].map((each) => each?.toFixed(9))).toEqual(['32.000000000', '32.000000000']);
    expect(later.at(-1)?.at).toBe('2026-11-06T23:59:00Z');
    expect(Math.abs((later.at(-1)?.middle ?? 0) - 56)).toBeLessThan(2);
    expect(fan).toMatchObject({ toCome: 1, draws: 1000 });
    expect(run({ target: 20 })?.chance).toBeGreaterThan(0.9);
    expect(run({ target: null })?.chance).toBeNull();
  });

  it('is in order at every step, and reaches nothing that is out of reach', () => {
    fc.assert(
      fc.property(anyCourse, (record) => {
        const fan = run({ record, draws: 50 });
        if (!fan) return;
        for (const step of fan.steps) {
          const figures = [step.low, step.lowMiddle, step.middle, step.highMiddle, step.high];
          expect([...figures].sort((a, b) => a - b)).toEqual(figures);
        }
        // Nothing goes beyond what all work made up and done in full would come to; extra credit may.
        if (record.items?.some(({ extraCredit }) => extraCredit)) return;
        const { best, posted, ifLeft } = courseAnswer(record);
        const top = Math.max(100, best ?? 0, posted ?? 0, ifLeft ?? 0);
        expect(fan.steps.at(-1)!.high).toBeLessThanOrEqual(top + 1e-6);
        expect(fan.steps[0]!.low).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: runs(60) },
    );
  });

  it('has nothing to draw in a standards course', () => {
    expect(run({ record: { ...kelp, policy: { ...kelp.policy, method: 'standards' } } })).toBeNull();
  });
});
