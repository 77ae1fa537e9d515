import type { CourseRecord, PolicyRecord } from '@cadro/contract';
import { termCourse, type CourseYears } from './termGrades';
import type { TermOfYear } from '../../records';
import type { TermStatement } from './termStore';

const term = (
  external_id: string,
  starts_on: string,
  ends_on: string,
  parent: string | null,
): TermOfYear => ({
  id: external_id,
  external_id,
  parent_external_id: parent,
  title: external_id,
  starts_on,
  ends_on,
});
const year = term('year', '2026-09-07', '2027-06-25', null);
const first = term('first', '2026-09-07', '2026-11-06', 'year');
const second = term('second', '2026-11-09', '2027-01-29', 'year');
const policy: PolicyRecord = {
  method: 'points',
  termEnd: '2026-11-07T03:59:00Z',
  outOf: 100,
  decimals: 1,
  letters: [
    { letter: 'A', from: 0.9 },
    { letter: 'B', from: 0.8 },
  ],
};
const record = (earned: number): CourseRecord => ({
  id: 'k',
  asOf: '2026-10-21T18:00:00Z',
  policy,
  categories: [{ id: 'c' }],
  items: [{ id: 'a', categoryId: 'c', possible: 20 }],
  results: [{ itemId: 'a', at: '2026-10-02T12:00:00Z', status: 'scored', earned }],
});
const stored = (part: string, fraction: number, more: Partial<TermStatement> = {}): TermStatement => ({
  course_id: 'k',
  part,
  final: true,
  fraction,
  figure: fraction * 100,
  letter: 'B',
  credits_earned: null,
  reported_at: new Date('2026-11-10T16:00:00Z'),
  ...more,
});
const course = (
  more: Partial<CourseYears>,
  composition: CourseYears['row']['composition'] = [],
): CourseYears => ({
  row: {
    id: 'k',
    title: 'Kelp chemistry',
    teacher_name: null,
    policy,
    credits: 1,
    credit_area: 'Sciences',
    bump: 0,
    composition,
    term_external_id: 'year',
    grade_points: null,
    correction: null,
  },
  terms: [year, first, second],
  records: new Map(),
  correction: null,
  stated: [],
  remarks: [],
  today: '2026-10-21',
  ...more,
});
const gradeOf = (years: CourseYears, part: string) =>
  termCourse(years).grades.find((grade) => grade.part === part);

describe('how sure a grade of a term is', () => {
  const begun = new Map([['first', record(17)]]);
  it.each([
    ['it runs', '2026-10-21', begun, [], 'running', 85],
    ['it runs, and nothing is marked', '2026-10-21', new Map(), [], 'running', null],
    ['it has not begun', '2026-09-01', new Map(), [], 'ahead', null],
    ['it is over, and the school has not said', '2026-11-08', begun, [], 'final', 85],
    ['it is over, and there is nothing', '2026-11-08', new Map(), [], 'not-reported', null],
    ['the school has stored it', '2026-11-12', begun, [stored('first', 0.83)], 'stored', 83],
    ['stored while it runs', '2026-10-21', begun, [stored('first', 0.83)], 'stored', 83],
    ['stored, of which we have no work', '2026-11-12', new Map(), [stored('first', 0.83)], 'stored', 83],
  ] as const)('%s', (_name, today, records, rows, state, display) => {
    expect(gradeOf(course({ today, records, stated: rows }), 'first')).toMatchObject({
      state,
      grade: { display },
    });
  });

  it('takes the school’s own writing of a grade, also its letter', () => {
    const rows = [stored('first', 0.8333, { figure: 83.5, letter: 'B+' })];
    expect(gradeOf(course({ stated: rows }), 'first')).toMatchObject({
      grade: { display: 83.5, letter: 'B+', by: 'final' },
    });
  });

  it('reads a household’s own scale and letters', () => {
    const correction = { outOf: 50, letters: [{ letter: 'Z', from: 0.5 }] };
    const corrected = { ...record(17), policy: { ...policy, ...correction } };
    const records = new Map([['first', corrected]]);
    expect(gradeOf(course({ records, correction }), 'first')).toMatchObject({
      grade: { display: 42.5, letter: 'Z' },
    });
  });
});

describe('the parts of a year', () => {
  const composition = [
    {
      sessionId: 'year',
      parts: [
        { part: 'first', weight: 40 },
        { part: 'exam', title: 'Exam', weight: 20 },
        { part: 'second', weight: 40 },
      ],
    },
  ];
  it('stand in the order in which the year is made, with their depths', () => {
    const { grades } = termCourse(course({}, composition));
    expect(grades.map(({ part, depth, title }) => [part, depth, title])).toEqual([
      ['year', 0, null],
      ['first', 1, null],
      ['exam', 1, 'Exam'],
      ['second', 1, null],
    ]);
  });
  it('make the grade of the year, stored parts before computed ones', () => {
    const records = new Map([['first', record(17)]]);
    const years = course({ records, stated: [stored('exam', 0.7)] }, composition);
    const whole = gradeOf(years, 'year');
    expect(whole?.fraction).toBeCloseTo((40 * 0.85 + 20 * 0.7) / 60, 9);
    expect(whole).toMatchObject({ state: 'running', grade: { letter: 'B' } });
    expect(whole?.parts.map(({ title, stored: is, display }) => [title, is, display])).toEqual([
      ['first', false, 85],
      ['Exam', true, 70],
      ['second', false, null],
    ]);
  });
  it.each([
    ['2026-10-21', 'ahead'],
    ['2027-07-01', 'not-reported'],
  ])('has an exam that is not stored, on %s: %s', (today, state) => {
    expect(gradeOf(course({ today }, composition), 'exam')?.state).toBe(state);
  });
  it.each([
    ['as that part reads, while it is the only one', [], 84, 0, 'B'],
    [
      'exactly, once there are two',
      [stored('second', 0.9, { figure: 90, letter: 'A', final: false })],
      86.8,
      1,
      'B',
    ],
  ] as const)('read %s', (_name, more, display, decimals, letter) => {
    // The school writes 83.5 as 84.
    const whole = { figure: 84, fraction: 0.835, final: false };
    const stated = [stored('first', 0.835, whole), ...more];
    const composition = [
      {
        sessionId: 'year',
        parts: [
          { part: 'first', weight: 50 },
          { part: 'second', weight: 50 },
        ],
      },
    ];
    const years = course(
      { stated, records: new Map([['first', record(16.7)]]), today: '2026-11-12' },
      composition,
    );
    expect(gradeOf(years, 'first')?.grade).toMatchObject({ display: 84, decimals: 0 });
    expect(gradeOf(years, 'year')?.grade).toMatchObject({ display, decimals, letter });
  });

  it('are all there where the school tells no formula', () => {
    expect(termCourse(course({})).grades.map(({ part }) => part)).toEqual(['year', 'first', 'second']);
    expect(gradeOf(course({}), 'year')).toMatchObject({ parts: [], fraction: null });
  });
  it('end, where the school’s formula leads back to itself', () => {
    const round = [
      { sessionId: 'year', parts: [{ part: 'first', weight: 1 }] },
      { sessionId: 'first', parts: [{ part: 'year', weight: 1 }] },
    ];
    const { grades } = termCourse(course({}, round));
    expect(grades.map(({ part, fraction }) => [part, fraction])).toEqual([
      ['year', null],
      ['first', null],
      ['second', null],
    ]);
  });
});

it('adds up the credits a course has given', () => {
  const rows = [
    stored('first', 0.8, { credits_earned: 0.25 }),
    stored('second', 0.8, { credits_earned: 0.25 }),
  ];
  expect(termCourse(course({ stated: rows })).creditsEarned).toBe(0.5);
});
