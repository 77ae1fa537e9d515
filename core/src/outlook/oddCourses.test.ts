import type { CourseRecord, ItemRecord, ResultRecord } from '@cadro/contract';
import { at, course, item, scored } from '../testing/courses';
import { courseAnswer } from './courseAnswer';
import { itemWorth } from './work/rides';

/* Empty and odd courses, worked by hand: every one has an answer, none a number that is not one. */
const answer = (more: Partial<CourseRecord>, policy: Partial<CourseRecord['policy']> = {}) =>
  courseAnswer(course(more, policy), { targets: [90], since: at(1) });

describe('courses with nothing to sum', () => {
  const nothing = { posted: null, display: null, letter: null, ifLeft: null, ifMadeUp: null, best: null };
  it.each<[string, Partial<CourseRecord>]>([
    ['no marks yet', { items: [item('a', { dueAt: at(60) })] }],
    ['only practice', { items: [item('a', { counts: false })], results: [scored('a', 18)] }],
    ['only extra credit', { items: [item('a', { extraCredit: true })], results: [scored('a', 5)] }],
    ['0 points possible', { items: [item('a', { possible: 0 })], results: [scored('a', 0)] }],
    [
      'only excused and waiting work',
      {
        items: [item('a'), item('b')],
        results: [
          { itemId: 'a', at: at(32), status: 'excused' },
          { itemId: 'b', at: at(48), status: 'handed-in' },
        ],
      },
    ],
  ])('%s', (_name, more) => {
    expect(answer(more)).toMatchObject({ ...nothing, trend: { class: 'too-early', slope: null } });
  });

  it('has nothing to weigh where every weight is 0', () => {
    const made = answer(
      { categories: [{ id: 'c', weight: 0 }], items: [item('a')], results: [scored('a', 18)] },
      { method: 'weighted' },
    );
    expect(made.posted).toBeNull();
    expect(made.categories).toMatchObject([{ fraction: 0.9, cost: null }]);
  });
});

describe('weights', () => {
  const categories = (...weights: number[]) => weights.map((weight, index) => ({ id: `k${index}`, weight }));
  const works = (...earned: (number | null)[]) => ({
    items: earned.map((_each, index) => item(`i${index}`, { categoryId: `k${index}` })),
    results: earned.flatMap((each, index): ResultRecord[] =>
      each === null ? [] : [scored(`i${index}`, each)],
    ),
  });
  it.each([
    ['that sum to 100', [40, 60], [20, 10], 0.4 * 100 + 0.6 * 50],
    ['that sum to 90', [30, 60], [20, 10], (30 * 100 + 60 * 50) / 90],
    ['that sum to 110', [50, 60], [20, 10], (50 * 100 + 60 * 50) / 110],
    ['of which one has no work', [40, 40, 20], [20, 10], (40 * 100 + 40 * 50) / 80],
    ['of which one has no marks yet', [40, 60], [18, null], 90],
  ])('%s', (_name, weights, earned, figure) => {
    const made = answer({ categories: categories(...weights), ...works(...earned) }, { method: 'weighted' });
    // A work nobody has marked is overdue: it stands aside here, so that the posted figure alone is asked.
    expect(made.posted).toBeCloseTo(figure, 9);
    expect(made.categories.reduce((sum, { cost }) => sum + (cost ?? 0), 0)).toBeCloseTo(100 - figure, 9);
  });
});

describe('above the scale', () => {
  it('is not capped: 26 of 20 is 130', () => {
    const made = answer({ items: [item('a')], results: [scored('a', 26)] }, {});
    expect(made).toMatchObject({ posted: 130, display: 130, ifLeft: 130 });
    expect(made.categories[0]?.cost).toBeCloseTo(-30, 9);
    expect(made.needed).toEqual([{ target: 90, status: 'secured', x: 0 }]);
  });
  it('is not what a child is expected to reach', () => {
    const made = answer({ items: [item('a'), item('b')], results: [scored('a', 26)] });
    // Expected of a child that has reached 1.3: 1.
    expect(made.ifMadeUp).toBeCloseTo(((26 + 20) / 40) * 100, 9);
  });
});

describe('a course that began late', () => {
  const items: ItemRecord[] = [40, 42, 44].map((day, index) =>
    item(`i${index}`, { assignedAt: at(day - 2), dueAt: at(day) }),
  );
  const results = items.map(({ id }, index) => scored(id, 18 - index, at(41 + 2 * index)));
  it('has a trend only when there are three weeks of figures', () => {
    expect(answer({ items, results }).trend.class).toBe('too-early');
    // 90, 85, 85, 85 a week apart: slopes -5, -2.5, -5/3 and three of 0; between the middle two lies -5/6.
    const later = courseAnswer({ ...course({ items, results }), asOf: at(62) });
    expect(later.trend).toEqual({ class: 'steady', slope: expect.closeTo(-5 / 6, 9) as number });
  });
  it('tells its first figure as a beginning, not as a change', () => {
    expect(answer({ items, results }).moved).toMatchObject([
      { itemId: 'i0', delta: null, posted: 90 },
      { itemId: 'i1', delta: expect.closeTo(-2.5, 9) as number },
      { itemId: 'i2', delta: expect.closeTo(-2.5, 9) as number },
    ]);
  });
});

describe('what a target asks for', () => {
  const toCome = (id: string) => item(id, { dueAt: at(60), assignedAt: at(50) });
  const asks = (target: number, items: ItemRecord[], results: ResultRecord[], policy = {}) =>
    courseAnswer(course({ items, results }, policy), { targets: [target] }).needed[0];
  it.each([
    // 16 of 20 now, 20 to come: (16 + 20x) ÷ 40 = 0.85 → x = 0.9.
    ['can be reached', 85, [item('a'), toCome('b')], { status: 'reachable', x: 0.9 }],
    ['is safe already', 40, [item('a'), toCome('b')], { status: 'secured', x: 0 }],
    ['is out of reach', 95, [item('a'), toCome('b')], { status: 'out-of-reach', x: null }],
    ['nothing to come, and below', 85, [item('a')], { status: 'out-of-reach', x: null }],
    ['nothing to come, and above', 80, [item('a')], { status: 'secured', x: 0 }],
    // The overdue work is left at 0: (16 + 0 + 20x) ÷ 60 = 0.55 → x = 0.85.
    ['with a loose end left', 55, [item('a'), item('o'), toCome('b')], { status: 'reachable', x: 0.85 }],
  ])('%s', (_name, target, items, expected) => {
    const found = asks(target, items, [scored('a', 16)]);
    expect(found).toMatchObject({ target, status: expected.status });
    if (expected.x === null) expect(found?.x).toBeNull();
    else expect(found?.x).toBeCloseTo(expected.x, 6);
  });
  it('counts the floor as what the work to come brings at least', () => {
    // (16 + 0.5 × 20) ÷ 40 = 0.65 whatever happens.
    const items = [item('a'), toCome('b')];
    expect(asks(65, items, [scored('a', 16)], { floor: 0.5 })?.status).toBe('secured');
    expect(asks(66, items, [scored('a', 16)], { floor: 0.5 })).toMatchObject({
      status: 'reachable',
      x: expect.closeTo(0.52, 6) as number,
    });
  });
  it('knows work that is given out later', () => {
    const later = item('l', { assignedAt: at(58), dueAt: at(62) });
    expect(asks(85, [item('a'), later], [scored('a', 16)])?.x).toBeCloseTo(0.9, 6);
  });
});

describe('what one work means to the figure', () => {
  const items = [item('a'), item('b')];
  const results = [scored('a', 18), scored('b', 10)];
  it('decides between nothing and full, and has done so far what it has done', () => {
    // 90 without it; (18 + 10) ÷ 40 = 70 with it; from 45 to 95.
    const worth = itemWorth(course({ items, results }), 'b');
    expect(worth.decides).toBeCloseTo(50, 9);
    expect(worth.now).toBeCloseTo(-20, 9);
  });
  it('is nothing for practice, unknown work, and in courses of standards', () => {
    const practice = course({ items: [item('a'), item('b', { counts: false })], results });
    expect(itemWorth(practice, 'b')).toEqual({ decides: 0, now: 0 });
    expect(itemWorth(practice, 'nobody')).toEqual({ decides: null, now: null });
    expect(itemWorth(course({ items, results }, { method: 'standards' }), 'b')).toEqual({
      decides: null,
      now: null,
    });
  });
  it('decides all where it is all there is', () => {
    const only = course({ items: [item('a')], results: [scored('a', 18)] });
    expect(itemWorth(only, 'a')).toEqual({ decides: 100, now: null });
  });
});
