import fc from 'fast-check';
import {
  attendanceSummary,
  impliedPresence,
  meaningOn,
  readRegister,
  registerRecord,
  schoolDaysOf,
} from '..';
import type { CodeMeaningFrom, GivenMark } from '..';

const mark = (more: Partial<GivenMark> = {}): GivenMark => ({
  ...{ on: '2026-10-19', period: '3', courseId: 'c', code: 'A', means: null, markedAt: null, by: 'school' },
  ...more,
});
const means = (
  code: string,
  kind: CodeMeaningFrom['kind'],
  more: Partial<CodeMeaningFrom> = {},
): CodeMeaningFrom => ({
  ...{ said: 'map', code, from: null, kind, excused: false, label: null },
  ...more,
});

describe('what a code means', () => {
  const map = [
    means('R', 'absent', { excused: true }),
    means('R', 'activity', { from: '2026-10-12' }),
    means('R', 'tardy', { from: '2026-11-01' }),
  ];
  it.each([
    ['R', '2026-10-11', 'absent'],
    ['R', '2026-10-12', 'activity'],
    ['R', '2026-10-31', 'activity'],
    ['R', '2026-11-01', 'tardy'],
    ['r', '2026-11-01', null],
    ['Q7', '2026-10-12', null],
  ])('%s on %s is %s', (code, on, kind) =>
    expect(meaningOn(map, code, on, ['map'])?.kind ?? null).toBe(kind),
  );

  it('that begins in mid-term and always before is not read backwards', () =>
    expect(meaningOn([means('R', 'absent', { from: '2026-10-12' })], 'R', '2026-10-11', ['map'])).toBeNull());
});

describe('who is heard about a code', () => {
  const meanings = [
    means('Q7', 'activity', { said: 'found' }),
    means('Q7', 'absent', { from: '2026-10-20' }),
  ];
  it.each<[string, GivenMark, string | null]>([
    ['the school’s map first', mark({ code: 'Q7', on: '2026-10-20' }), 'absent'],
    ['the household where the map is silent yet', mark({ code: 'Q7' }), 'activity'],
    [
      'a mark of a file that says it itself before both',
      mark({
        code: 'Q7',
        on: '2026-10-20',
        by: 'household',
        means: { kind: 'tardy', excused: false, label: null },
      }),
      'tardy',
    ],
  ])('%s', (_name, one, kind) => expect(readRegister([one], meanings)[0]?.meaning?.kind).toBe(kind));

  it('nobody about a code that none of them knows', () =>
    expect(
      readRegister([mark({ code: 'Q7' })], [means('Q7', 'absent', { said: 'file' })])[0]?.meaning,
    ).toBeNull());
});

describe('two marks for one lesson', () => {
  it.each<[string, GivenMark[], string]>([
    [
      'the later',
      [mark({ markedAt: '2026-10-19T13:00:00Z' }), mark({ code: 'P', markedAt: '2026-10-20T09:00:00Z' })],
      'P',
    ],
    [
      'one with a time before one without',
      [mark(), mark({ code: 'P', markedAt: '2026-10-19T13:00:00Z' })],
      'P',
    ],
    [
      'the school’s before the household’s',
      [mark({ by: 'household', code: 'E', markedAt: '2026-10-21T09:00:00Z' }), mark()],
      'A',
    ],
    ['of the same time always the same', [mark({ code: 'P' }), mark({ code: 'A' })], 'A'],
  ])('%s stands', (_name, marks, code) => {
    for (const order of [marks, [...marks].reverse()]) {
      const [read] = readRegister(order, []);
      expect(read?.mark.code).toBe(code);
      expect(read?.instead).toHaveLength(1);
    }
  });
});

it('sorts by day and by period as people count them', () => {
  const marks = ['10', '9', '0', '1'].map((period) => mark({ period }));
  expect(
    readRegister([...marks, mark({ on: '2026-10-16' })], []).map(
      ({ mark: { on, period } }) => `${on}/${period}`,
    ),
  ).toEqual(['2026-10-16/3', ...['0', '1', '9', '10'].map((period) => `2026-10-19/${period}`)]);
});

it('keeps what nobody has explained, and counts it as nothing', () => {
  const read = readRegister([mark(), mark({ period: '4', code: 'Q7' })], [means('A', 'absent')]);
  expect(read.map(({ meaning }) => meaning?.kind ?? null)).toEqual(['absent', null]);
  expect(registerRecord(read, '2026-10-21').days).toEqual([
    { date: '2026-10-19', periods: [{ period: '3', courseId: 'c', code: 'A/absent/false' }] },
  ]);
});

const anyMark = fc.record({
  on: fc.constantFrom('2026-10-19', '2026-10-20', '2026-10-21'),
  period: fc.constantFrom('0', '1', '2'),
  courseId: fc.constantFrom('c', 'd', null),
  code: fc.constantFrom('P', 'A', 'E', 'L', 'Q7'),
  means: fc.constant(null),
  markedAt: fc.constantFrom(null, '2026-10-19T13:00:00Z', '2026-10-20T13:00:00Z'),
  by: fc.constantFrom<GivenMark['by']>('school', 'household'),
});
const map = [
  means('P', 'present'),
  means('A', 'absent'),
  means('E', 'absent', { excused: true }),
  means('L', 'tardy'),
];

it('is the same whatever order the marks come in, and loses none', () => {
  fc.assert(
    fc.property(fc.array(anyMark, { maxLength: 20 }), (marks) => {
      const read = readRegister(marks, map);
      const seen = (each: typeof read) =>
        each.map(({ mark: { on, period, code, by } }) => [on, period, code, by]);
      expect(seen(readRegister([...marks].reverse(), map))).toEqual(seen(read));
      expect(read.reduce((sum, { instead }) => sum + 1 + instead.length, 0)).toBe(marks.length);
      expect(new Set(read.map(({ mark: { on, period } }) => `${on}/${period}`)).size).toBe(read.length);
    }),
  );
});

it('counts what the register says, lesson by lesson', () => {
  fc.assert(
    fc.property(fc.array(anyMark, { maxLength: 20 }), (marks) => {
      const read = readRegister(marks, map);
      const record = registerRecord(read, '2026-10-21');
      const count = (kind: string) => read.filter(({ meaning }) => meaning?.kind === kind).length;
      const summary = attendanceSummary(record);
      expect(summary.periodsAbsent).toBe(count('absent'));
      expect(summary.excused + summary.unexcused).toBe(summary.periodsAbsent);
      expect(summary.tardies).toBe(count('tardy'));
      expect(summary.schoolDays).toBe(schoolDaysOf(record).length);
    }),
  );
});

describe('what follows from absences alone', () => {
  const away = (on: string, means = { kind: 'absent' as const, excused: true, label: null }): GivenMark => ({
    ...{ on, period: 'day', courseId: null, code: 'E', means, markedAt: null, by: 'household' },
  });
  // From a Monday to the Friday of the next week.
  const year = { from: '2026-10-05', to: '2026-10-16' };
  it('is presence on every other weekday', () => {
    const days = impliedPresence([away('2026-10-07')], year).map(({ on }) => on);
    expect(days).toEqual([
      ...['2026-10-05', '2026-10-06', '2026-10-08', '2026-10-09'],
      ...['2026-10-12', '2026-10-13', '2026-10-14', '2026-10-15', '2026-10-16'],
    ]);
  });
  it.each<[string, GivenMark[]]>([
    ['nothing, where nothing is written down', []],
    [
      'nothing, where the school keeps a register',
      [away('2026-10-07'), { ...away('2026-10-08'), by: 'school' }],
    ],
    ['nothing, where lessons are marked', [away('2026-10-07'), { ...away('2026-10-08'), period: '3' }]],
    [
      'nothing, where days of presence are written down alone',
      [away('2026-10-07', { kind: 'present', excused: false, label: null } as never)],
    ],
  ])('is %s', (_what, marks) => expect(impliedPresence(marks, year)).toEqual([]));
});
