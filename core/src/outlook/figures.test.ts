import { course, item, scored } from '../testing/courses';
import { courseFigures } from './courseAnswer';

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
