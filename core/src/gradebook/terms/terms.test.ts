import fc from 'fast-check';
import {
  compose,
  composeTerms,
  creditBalance,
  gradePointAverage,
  termOn,
  termStateOf,
  yearColumns,
} from '..';

describe('a grade made of parts', () => {
  const part = (weight: number, fraction: number | null, stored: number | null = null) => ({
    weight,
    fraction,
    stored,
  });
  it.each([
    ['leaves out what has none yet', [part(40, 0.9), part(40, null), part(20, 0.6)], 0.8],
    ['takes what is stored before what is computed', [part(1, 0.5, 0.9), part(1, 0.7)], 0.8],
    ['takes what is stored where nothing is computed', [part(1, null, 0.9)], 0.9],
    ['is nothing without parts', [], null],
    ['is nothing while nothing is there', [part(40, null)], null],
    ['is nothing where nothing weighs', [part(0, 0.9)], null],
  ])('%s', (_name, parts, fraction) => {
    const made = compose(parts);
    if (fraction === null) expect(made).toBeNull();
    else expect(made).toBeCloseTo(fraction, 12);
  });

  it('lies between its parts', () => {
    const any = fc.record({
      weight: fc.integer({ min: 1, max: 90 }),
      fraction: fc.double({ min: 0, max: 1.2, noNaN: true }),
      stored: fc.constant(null),
    });
    fc.assert(
      fc.property(fc.array(any, { minLength: 1 }), (parts) => {
        const fractions = parts.map(({ fraction }) => fraction);
        expect(compose(parts)).toBeGreaterThanOrEqual(Math.min(...fractions) - 1e-9);
        expect(compose(parts)).toBeLessThanOrEqual(Math.max(...fractions) + 1e-9);
      }),
    );
  });
});

describe('the grade-point average', () => {
  const points = { A: 4, B: 3 };
  const course = (letter: string | null, credits: number, bump = 0) => ({ letter, credits, bump });
  it.each([
    ['weighs by credits', [course('A', 1), course('B', 3)], 3.25],
    ['adds a course’s own bump', [course('A', 1, 0.5), course('B', 1)], 3.75],
    ['leaves out a course without a letter', [course(null, 5), course('B', 1)], 3],
    ['leaves out a letter that the table does not list', [course('Z', 5), course('A', 1)], 4],
    ['does not take a letter for a property of every object', [course('constructor', 1)], null],
    ['is nothing without credits', [course('A', 0)], null],
    ['is nothing without courses', [], null],
  ])('%s', (_name, courses, average) => {
    const made = gradePointAverage(points, courses);
    if (average === null) expect(made).toBeNull();
    else expect(made).toBeCloseTo(average, 12);
  });
});

describe('the grades of a year', () => {
  const semester = {
    sessionId: 'semester',
    parts: [
      { part: 'first', weight: 40 },
      { part: 'second', weight: 40 },
      { part: 'exam', weight: 20 },
    ],
  };
  const year = {
    sessionId: 'year',
    parts: [
      { part: 'semester', weight: 50 },
      { part: 'spring', weight: 50 },
    ],
  };
  const known = (parts: Record<string, [computed: number | null, stored: number | null]>) =>
    new Map(Object.entries(parts).map(([part, [computed, stored]]) => [part, { computed, stored }]));

  it('are made of their parts, a composed part by its own formula, whatever the order of the formulas', () => {
    const parts = known({ first: [0.9, null], second: [0.8, null], exam: [0.7, null], spring: [0.6, null] });
    for (const formulas of [
      [semester, year],
      [year, semester],
    ]) {
      const made = composeTerms(formulas, parts);
      expect(made.get('semester')?.fraction).toBeCloseTo(0.82, 12);
      expect(made.get('year')?.fraction).toBeCloseTo(0.71, 12);
    }
  });
  it('take what is stored before what is computed, also for a composed part', () => {
    const parts = known({ first: [0.9, 0.95], semester: [null, 0.5], spring: [0.6, null] });
    const made = composeTerms([year, semester], parts);
    expect(made.get('semester')?.fraction).toBeCloseTo(0.95, 12);
    expect(made.get('year')?.fraction).toBeCloseTo(0.55, 12);
    expect(made.get('year')?.parts[0]).toMatchObject({ part: 'semester', stored: 0.5 });
  });
  it('run while only some parts have begun', () => {
    const made = composeTerms([semester], known({ first: [0.9, null] }));
    expect(made.get('semester')?.fraction).toBeCloseTo(0.9, 12);
    expect(made.get('semester')?.parts.map(({ fraction }) => fraction)).toEqual([0.9, null, null]);
  });
  it('end, where a formula leads back to itself', () => {
    const round = [
      {
        sessionId: 'a',
        parts: [
          { part: 'b', weight: 1 },
          { part: 'x', weight: 1 },
        ],
      },
      { sessionId: 'b', parts: [{ part: 'a', weight: 1 }] },
    ];
    const made = composeTerms(round, known({ x: [0.8, null] }));
    expect(made.get('a')?.fraction).toBeCloseTo(0.8, 12);
  });
});

describe('the term of a date', () => {
  const quarters = [
    { startsOn: '2026-11-09', endsOn: '2027-01-29' },
    { startsOn: '2026-09-07', endsOn: '2026-11-06' },
  ];
  it.each([
    ['2026-09-07', 'running', '2026-09-07'],
    ['2026-11-06', 'running', '2026-09-07'],
    ['2026-11-08', 'closed', '2026-09-07'],
    ['2026-11-09', 'running', '2026-11-09'],
    ['2027-06-30', 'closed', '2026-11-09'],
    ['2026-08-01', 'ahead', '2026-09-07'],
  ])('on %s is the one that is %s', (date, state, startsOn) => {
    const found = termOn(quarters, date);
    expect(found?.startsOn).toBe(startsOn);
    expect(found && termStateOf(found, date)).toBe(state);
  });
  it('is the quarter, where a school lists its quarters beside its semesters', () => {
    const semester = { startsOn: '2026-09-07', endsOn: '2027-01-29' };
    for (const terms of [
      [semester, ...quarters],
      [...quarters, semester],
    ]) {
      expect(termOn(terms, '2026-10-21')?.endsOn).toBe('2026-11-06');
      expect(termOn(terms, '2026-12-01')?.startsOn).toBe('2026-11-09');
    }
  });
  it('is none where there are no terms', () => expect(termOn([], '2026-10-21')).toBeUndefined());
});

describe('credits', () => {
  const plan = [
    { area: 'Sciences', required: 3 },
    { area: 'Making', required: 1 },
  ];
  const credit = (area: string | null, credits: number, earned: number, inProgress: boolean) => ({
    area,
    credits,
    earned,
    inProgress,
  });
  it('are earned, in progress, and still needed', () => {
    const courses = [
      credit('Sciences', 1, 1, false),
      credit('Sciences', 1, 0, true),
      credit('Sciences', 1, 0.5, true),
      credit(null, 5, 5, false),
      credit('Making', 2, 2, false),
    ];
    expect(creditBalance(plan, courses)).toEqual([
      { area: 'Sciences', earned: 1.5, inProgress: 1.5, required: 3, stillNeeded: 0 },
      { area: 'Making', earned: 2, inProgress: 0, required: 1, stillNeeded: 0 },
    ]);
  });
  it('that were not passed are needed still', () => {
    expect(creditBalance(plan, [credit('Sciences', 1, 0, false)])[0]?.stillNeeded).toBe(3);
  });
});

it('puts the columns of a year by their ends, a semester after its quarters, the year last', () => {
  const node = (part: string, depth: number, startsOn: string, endsOn: string) => ({
    ...{ id: part, part, parent: null, depth, title: part, startsOn, endsOn },
    ...{ state: 'running' as const, courseIds: [] },
  });
  const tree = [
    node('year', 0, '2026-09-07', '2027-06-25'),
    node('semester 1', 1, '2026-09-07', '2027-01-29'),
    node('quarter 1', 2, '2026-09-07', '2026-11-06'),
    node('quarter 2', 2, '2026-11-09', '2027-01-29'),
    node('semester 2', 1, '2027-02-01', '2027-06-25'),
    node('last year', 0, '2025-09-08', '2026-06-26'),
  ];
  const columns = (of: string) =>
    tree.filter(({ part }) => part === of).flatMap((top) => yearColumns(tree, top).map(({ part }) => part));
  expect(columns('year')).toEqual(['quarter 1', 'quarter 2', 'semester 1', 'semester 2', 'year']);
  expect(columns('last year')).toEqual(['last year']);
});
