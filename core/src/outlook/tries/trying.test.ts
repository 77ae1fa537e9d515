import fc from 'fast-check';
import type { CourseRecord } from '@cadro/contract';
import { anyCourse } from '../../testing/courses';
import {
  comingStakes,
  courseAnswer,
  jointly,
  simulate,
  tryOut,
  withScores,
  type Fan,
  type SimulationAsk,
} from '..';

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
  expect([...comingStakes(standards)]).toEqual([]);
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
  // 79 of 100 now. From 28 October with one of ten scores more: 69.33 is with 5 of 10, 82.67 with 9, 86 with 10.
  expect(steps).toEqual([
    ['2026-10-21', '79.00', '79.00', '79.00', '79.00', '79.00'],
    ['2026-10-28', '69.33', '72.67', '82.67', '86.00', '86.00'],
    ['2026-11-04', '69.33', '72.67', '82.67', '86.00', '86.00'],
    ['2026-11-06', '67.00', '74.50', '79.50', '84.50', '89.50'],
  ]);
  expect([fan?.chance, fan?.toCome, fan?.draws]).toEqual([0.41, 2, 2000]);
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
  expect(fan?.steps.at(-1)?.middle).toBeCloseTo((181 / 210) * 100, 9);
  // It is drawn from all eleven in 3 of 13 cases, and one in eleven of these is the paper: 2.1 %.
  expect(fan?.chance).toBeGreaterThan(0.96);
  expect(fan?.chance).toBeLessThan(0.995);
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
    expect(comingStakes(kelp).get('d')).toBeCloseTo((40 / 90) * 100, 9);
    expect([...comingStakes(kelp).keys()]).toEqual(['d']);
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
    // Its one own score is 0.8, so every draw is: 16 of 50 now, 56 of 100 once d is in.
    expect(fan?.steps.map(({ at, middle }) => [at, Math.round(middle * 1e6) / 1e6])).toEqual([
      ['2026-10-21T18:00:00Z', 32],
      ['2026-10-28T18:00:00Z', 32],
      ['2026-11-04T18:00:00Z', 56],
      ['2026-11-06T23:59:00Z', 56],
    ]);
    expect(fan).toMatchObject({ chance: 0, toCome: 1, draws: 1000 });
    expect(run({ target: 56 })?.chance).toBe(1);
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
        const { needed } = courseAnswer(record, { targets: [fan.steps.at(-1)!.high] });
        expect(needed[0]?.status).not.toBe('out-of-reach');
      }),
      { numRuns: 60 },
    );
  });

  it('has nothing to draw in a standards course', () => {
    expect(run({ record: { ...kelp, policy: { ...kelp.policy, method: 'standards' } } })).toBeNull();
  });
});
