import type { NewsLine } from '@cadro/contract';
import fc from 'fast-check';
import { newsDays, type Came, type DateCame, type ResultCame } from '.';

const nothing: Came = { results: [], assigned: [], dates: [], withdrawn: [], lessons: [], others: [] };
const work = (itemId: string, day: number) => ({
  ...{ studentId: 'isolde', courseId: 'kelp', courseTitle: 'Kelp chemistry', itemId, title: itemId },
  at: `2026-10-${day}T18:30:00.000Z`,
});
const scored = (
  itemId: string,
  day: number,
  earned: number,
  before: ResultCame['before'] = null,
): ResultCame => ({
  ...work(itemId, day),
  ...{ status: 'scored', earned, possible: 30, before },
});
const moved = (day: number, was: string | null, dueAt: string | null): DateCame => ({
  ...work('quiz', day),
  ...{ was, dueAt },
});
const lines = (came: Partial<Came>): NewsLine[] =>
  newsDays({ ...nothing, ...came }, () => 'America/Halifax').flatMap(({ lines: own }) => own);

describe('what came more than once is told once', () => {
  it('a score that was changed twice, from where it began', () => {
    const was21 = { status: 'scored', earned: 21 } as const;
    const came = {
      results: [scored('quiz', 19, 23, was21), scored('quiz', 20, 24, { status: 'scored', earned: 23 })],
    };
    expect(lines(came)).toMatchObject([
      { kind: 'score', was: 21, earned: 24, possible: 30, at: '2026-10-20T18:30:00.000Z' },
    ]);
  });

  it('a score that came and went back says nothing', () => {
    const was21 = { status: 'scored', earned: 21 } as const;
    const back = { status: 'scored', earned: 23 } as const;
    expect(lines({ results: [scored('quiz', 19, 23, was21), scored('quiz', 20, 21, back)] })).toEqual([]);
  });

  it('a score in the place of a mark says what it was', () => {
    const before = { status: 'missing', earned: null } as const;
    expect(lines({ results: [scored('quiz', 19, 17, before)] })).toMatchObject([
      { kind: 'score', earned: 17, was: null, stood: 'missing' },
    ]);
  });

  it.each<[string, Partial<Came>, Partial<NewsLine>[]]>([
    [
      'a date that is moved twice',
      { dates: [moved(19, 'a', 'b'), moved(20, 'b', 'c')] },
      [{ kind: 'moved', was: 'a', dueAt: 'c' }],
    ],
    ['a date that is moved and moved back', { dates: [moved(19, 'a', 'b'), moved(20, 'b', 'a')] }, []],
    [
      'a date that is moved of work that is new itself',
      { assigned: [{ ...work('quiz', 18), dueAt: 'b' }], dates: [moved(19, 'a', 'b')] },
      [{ kind: 'assigned', dueAt: 'b' }],
    ],
    [
      'work that is given out and scored',
      { assigned: [{ ...work('quiz', 18), dueAt: 'a' }], results: [scored('quiz', 20, 24)] },
      [{ kind: 'score', earned: 24 }],
    ],
    [
      'work that is given out and taken back',
      { assigned: [{ ...work('quiz', 18), dueAt: 'a' }], withdrawn: [work('quiz', 19)] },
      [],
    ],
    ['work that is taken back', { withdrawn: [work('quiz', 19)] }, [{ kind: 'withdrawn' }]],
    [
      'work that is marked missing',
      { results: [{ ...scored('quiz', 19, 0), status: 'missing', earned: null }] },
      [{ kind: 'standing', status: 'missing' }],
    ],
    ['work that is open', { results: [{ ...scored('quiz', 19, 0), status: 'open', earned: null }] }, []],
  ])('%s', (_name, came, said) => {
    expect(lines(came)).toMatchObject(said);
    expect(lines(came)).toHaveLength(said.length);
  });
});

it('puts the lessons of a day into one line, under the day they came', () => {
  const lesson = (period: string) => ({
    ...{ courseTitle: 'Rowing geometry', period, mark: 'absent' as const, excused: false },
  });
  const came = ['5', '6'].map((period) => ({
    ...{ studentId: 'isolde', on: '2026-10-19', at: '2026-10-20T01:30:00.000Z', lesson: lesson(period) },
  }));
  expect(newsDays({ ...nothing, lessons: came }, () => 'America/Halifax')).toMatchObject([
    { on: '2026-10-19', lines: [{ kind: 'attendance', on: '2026-10-19', lessons: [{}, {}] }] },
  ]);
});

it('has the latest day first, and what is decided before what is to come', () => {
  const days = newsDays(
    {
      ...nothing,
      results: [scored('essay', 20, 24), scored('quiz', 21, 12)],
      assigned: [{ ...work('map', 20), dueAt: null }],
    },
    () => 'America/Halifax',
  );
  expect(days.map(({ on, lines: own }) => [on, own.map(({ kind }) => kind)])).toEqual([
    ['2026-10-21', ['score']],
    ['2026-10-20', ['score', 'assigned']],
  ]);
});

it('never has a work twice under one kind, whatever came in whatever order', () => {
  const ids = fc.constantFrom('a', 'b', 'c');
  const day = fc.integer({ min: 10, max: 28 });
  const state = fc.constantFrom('open', 'scored', 'missing', 'excused', 'handed-in' as const);
  const result = fc
    .record({ id: ids, day, status: state, earned: fc.integer({ min: 0, max: 30 }) })
    .map(({ id, day: on, status, earned }) => ({
      ...scored(id, on, earned),
      ...(status === 'scored' ? {} : { status, earned: null }),
    }));
  const came = fc.record({
    results: fc.array(result),
    assigned: fc.array(fc.tuple(ids, day).map(([id, on]) => ({ ...work(id, on), dueAt: null }))),
    withdrawn: fc.array(fc.tuple(ids, day).map(([id, on]) => work(id, on))),
  });
  fc.assert(
    fc.property(came, ({ results, assigned, withdrawn }) => {
      const first = <T extends { itemId: string }>(rows: T[]): T[] => [
        ...new Map(rows.map((row) => [row.itemId, row])).values(),
      ];
      const all = lines({
        results: results.sort((a, b) => a.at.localeCompare(b.at)),
        assigned: first(assigned),
        withdrawn: first(withdrawn),
      });
      const marks = all.flatMap((line) =>
        line.kind === 'score' || line.kind === 'standing' ? [line.itemId] : [],
      );
      expect(new Set(marks).size).toBe(marks.length);
      const gone = new Set(withdrawn.map(({ itemId }) => itemId));
      for (const line of all)
        if ('itemId' in line && gone.has(line.itemId ?? '')) expect(line.kind).toBe('withdrawn');
    }),
  );
});
