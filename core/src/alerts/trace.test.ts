import type { CourseSight } from './facts';
import { extremeOf, movesSince, saysSomething, traceOf, wayFrom } from './trace';

const dayMs = 24 * 60 * 60 * 1000;
const nowMs = Date.parse('2026-10-21T18:00:00Z');
/** So many days before now. */
const ago = (days: number): string => new Date(nowMs - days * dayMs).toISOString();

type Move = readonly [itemId: string, daysAgo: number, posted: number | null, delta: number | null];
const statuses = ['scored', 'scored', 'missing', 'scored'] as const;

/** What a rule sees of a course whose figure has moved like this. */
const sight = (
  moves: readonly Move[],
  { outOf = 100, method = 'points', counted = 4 }: { outOf?: number; method?: string; counted?: number } = {},
): CourseSight => {
  const ids = ['a', 'b', 'c', 'd'];
  return {
    policy: { method, outOf },
    answer: {
      posted: moves.at(-1)?.[2] ?? null,
      moved: moves.map(([itemId, days, posted, delta]) => ({ itemId, at: ago(days), posted, delta })),
    },
    items: new Map(ids.map((id, index) => [id, { title: id.toUpperCase(), counts: index < counted }])),
    results: new Map(ids.map((id, index) => [id, [{ value: { status: statuses[index] } }]])),
  } as unknown as CourseSight;
};

describe('the trace of a figure', () => {
  it('begins with what stood before the first change of its days, and goes on with each', () => {
    const course = sight([
      ...([['a', 20, 90, null] as const, ['b', 10, 85, -5] as const, ['c', 3, 84, -1] as const] as const),
    ]);
    const points = (days: number) =>
      traceOf(course, nowMs, days).map(({ atMs, posted }) => [(nowMs - atMs) / dayMs, posted]);
    expect(points(14)).toEqual([
      [14, 90],
      [10, 85],
      [3, 84],
    ]);
    // A change exactly as old as that is no longer in it; before a first figure there is none.
    expect(points(10)).toEqual([
      [10, 85],
      [3, 84],
    ]);
    expect(points(30)).toEqual([
      [20, 90],
      [10, 85],
      [3, 84],
    ]);
    expect(points(2)).toEqual([]);
  });

  it('has its extreme at the latest of equals', () => {
    const trace = [90, 90.5, 90.5, 89.9].map((posted, atMs) => ({ atMs, posted }));
    expect(extremeOf(trace, 1)).toEqual({ atMs: 2, posted: 90.5 });
    expect(extremeOf(trace, -1)).toEqual({ atMs: 3, posted: 89.9 });
    expect(extremeOf(trace.slice(0, 2), -1)).toEqual({ atMs: 0, posted: 90 });
    expect(extremeOf([], 1)).toBeNull();
  });
});

describe('how far a figure has come', () => {
  const fall: readonly Move[] = [
    ['a', 20, 90, null],
    ['b', 10, 84, -6],
    ['c', 3, 82, -2],
  ];
  it.each<[string, CourseSight, 1 | -1, number]>([
    ['down from its best', sight(fall), -1, 8],
    ['in points of a hundred, whatever the scale', sight(fall, { outOf: 200 }), -1, 4],
    ['up from its worst', sight(fall), 1, 0],
    ['up', sight([...fall, ['d', 1, 88, 6]]), 1, 6],
    ['down, but back by more than half of the way', sight([...fall, ['d', 1, 87, 5]]), -1, 0],
    ['down, and back by half of what is left', sight([...fall, ['d', 1, 84, 2]]), -1, 6],
    ['down, where too little counts', sight(fall, { counted: 3 }), -1, 0],
    ['down by two levels in three of standards', sight(fall, { method: 'standards' }), -1, 0],
    [
      'down by much in standards',
      sight(
        [
          ['a', 20, 3, null],
          ['b', 3, 2.5, -0.5],
        ],
        { method: 'standards', outOf: 4 },
      ),
      -1,
      12.5,
    ],
    ['nowhere: nothing is posted', sight([['a', 3, null, null]]), -1, 0],
    ['nowhere: nothing has changed', sight([]), -1, 0],
  ])('%s', (_name, course, sign, points) => expect(wayFrom(course, nowMs, 14, sign)).toBeCloseTo(points, 9));

  it('a figure says something from the fourth work that counts and is scored or missing', () => {
    expect([sight([]), sight([], { counted: 3 })].map(saysSomething)).toEqual([true, false]);
  });
});

it('names the works that moved it in one direction, each once, greatest first', () => {
  const course = sight([
    ['d', 12, 95, -50],
    ['a', 9, 90, -2],
    ['b', 8, 92, 2],
    ['a', 7, 88, -4],
    ['c', 6, 82, -6],
    ['x', 5, 82, null],
    ['b', 4, 81, -1],
  ]);
  expect(movesSince(course, nowMs - 12 * dayMs, -1)).toEqual([
    { itemId: 'a', title: 'A', at: ago(7), delta: -6 },
    { itemId: 'c', title: 'C', at: ago(6), delta: -6 },
  ]);
  expect(movesSince(course, nowMs - 12 * dayMs, 1)).toEqual([
    { itemId: 'b', title: 'B', at: ago(4), delta: 1 },
  ]);
});
