import type { AttendanceRecord } from '@cadro/contract';
import fc from 'fast-check';
import { attendanceSummary, leftEarlyDays, patternDates, patternsOf, schoolDaysOf } from '.';

const codes: AttendanceRecord['codes'] = {
  P: { kind: 'present' },
  U: { kind: 'absent', excused: false },
  E: { kind: 'absent', excused: true },
  L: { kind: 'tardy' },
  T: { kind: 'activity', excused: true },
  H: { kind: 'closed' },
};
/** `{'2026-10-19': 'PPU'}`: a letter a lesson, in order. */
const record = (
  days: Readonly<Record<string, string>>,
  more: Partial<AttendanceRecord> = {},
): AttendanceRecord => ({
  asOf: '2026-10-30',
  codes,
  days: Object.entries(days).map(([date, letters]) => ({
    date,
    periods: [...letters].map((code, index) => ({
      period: String(index + 1),
      courseId: `course-${index + 1}`,
      code,
    })),
  })),
  ...more,
});

describe('totals, each in its own unit', () => {
  it('counts days, lessons and late arrivals apart', () => {
    expect(
      attendanceSummary(
        record({ '2026-10-19': 'PPUU', '2026-10-20': 'LPPE', '2026-10-21': 'EEEE', '2026-10-22': 'PPPP' }),
      ),
    ).toMatchObject({
      schoolDays: 4,
      daysAbsent: 2, // half a day is a day by the usual share of 0.5
      rate: 0.5,
      periodsAbsent: 7,
      unexcused: 2,
      excused: 5,
      tardies: 1,
    });
  });

  it.each([
    ['a trip is presence', 'TTTT', { schoolDays: 1, daysAbsent: 0, periodsAbsent: 0 }],
    ['a closed day is none', 'HHHH', { schoolDays: 0, daysAbsent: 0, rate: null, chronic: false }],
    ['closed lessons are not scheduled', 'HHUP', { schoolDays: 1, daysAbsent: 1, periodsAbsent: 1 }],
    ['less than half is no day', 'UPPP', { daysAbsent: 0, periodsAbsent: 1 }],
  ])('%s', (_name, letters, expected) => {
    expect(attendanceSummary(record({ '2026-10-19': letters }))).toMatchObject(expected);
  });

  it('does not know tomorrow', () => {
    const days = { '2026-10-19': 'UUUU', '2026-10-20': 'UUUU' };
    expect(attendanceSummary(record(days, { asOf: '2026-10-19' }))).toMatchObject({
      schoolDays: 1,
      daysAbsent: 1,
    });
  });

  it('calls it often from one day in ten on, to the day', () => {
    const days = (absent: number) =>
      Object.fromEntries(
        Array.from({ length: 20 }, (_day, index) => [
          `2026-09-${String(index + 1).padStart(2, '0')}`,
          index < absent ? 'UU' : 'PP',
        ]),
      );
    expect(attendanceSummary(record(days(1))).chronic).toBe(false);
    expect(attendanceSummary(record(days(2))).chronic).toBe(true);
    expect(attendanceSummary(record(days(2), { chronicFrom: 0.2 })).chronic).toBe(false);
  });

  it('names every course that had a lesson, also one never missed', () => {
    expect(attendanceSummary(record({ '2026-10-19': 'PU' })).byCourse).toEqual([
      { courseId: 'course-1', absent: 0, excused: 0, unexcused: 0, tardies: 0 },
      { courseId: 'course-2', absent: 1, excused: 0, unexcused: 1, tardies: 0 },
    ]);
  });

  it('adds up: the courses to the totals, excused and unexcused to all', () => {
    const letters = fc.array(fc.constantFrom('P', 'U', 'E', 'L', 'T', 'H'), { minLength: 1, maxLength: 7 });
    fc.assert(
      fc.property(fc.array(letters, { maxLength: 25 }), (weeks) => {
        const days = Object.fromEntries(
          weeks.map((day, index) => [`2026-10-${String(index + 1).padStart(2, '0')}`, day.join('')]),
        );
        const { periodsAbsent, excused, unexcused, tardies, byCourse, schoolDays, daysAbsent } =
          attendanceSummary(record(days));
        const sum = (pick: (row: (typeof byCourse)[number]) => number) =>
          byCourse.reduce((total, row) => total + pick(row), 0);
        expect(excused + unexcused).toBe(periodsAbsent);
        expect([sum((row) => row.absent), sum((row) => row.tardies)]).toEqual([periodsAbsent, tardies]);
        expect(daysAbsent).toBeLessThanOrEqual(schoolDays);
      }),
    );
  });
});

describe('patterns', () => {
  const patterns = (days: Readonly<Record<string, string>>) => patternsOf(schoolDaysOf(record(days)));
  it('sees the last lesson missed twice, first one attended', () => {
    const days = schoolDaysOf(record({ '2026-10-19': 'PPU', '2026-10-20': 'PPU', '2026-10-21': 'UUU' }));
    expect(leftEarlyDays(days)).toEqual(['2026-10-19', '2026-10-20']);
    expect(patternsOf(days)).toContainEqual({ kind: 'leaves-early', value: null });
  });
  it('names the days of each pattern, and no others', () => {
    const days = schoolDaysOf(
      record({
        ...{ '2026-10-05': 'UUU', '2026-10-06': 'PUP', '2026-10-12': 'UUU', '2026-10-13': 'PUP' },
        ...{ '2026-10-14': 'PPU', '2026-10-19': 'UUU' },
      }),
    );
    const mondays = { kind: 'weekday', value: 1 } as const;
    expect(patternDates(days, mondays)).toEqual(['2026-10-05', '2026-10-12', '2026-10-19']);
    expect(patternDates(days, { kind: 'weekday', value: 2 })).toEqual([]);
    expect(patternDates(days, { kind: 'period', value: '2' })).toEqual([
      ...['2026-10-05', '2026-10-06', '2026-10-12', '2026-10-13', '2026-10-19'],
    ]);
    expect(patternDates(days, { kind: 'leaves-early', value: null })).toEqual(['2026-10-14']);
  });
  it('looks at the last twenty school days alone', () => {
    const dates = Array.from(
      { length: 21 },
      (_day, index) => `2026-09-${String(index + 1).padStart(2, '0')}`,
    );
    const days = (first: string) =>
      Object.fromEntries(dates.map((date, index) => [date, index < 2 ? first : 'PP']));
    expect(patterns(days('PU'))).toEqual([]);
    expect(patterns({ ...days('PU'), '2026-09-03': 'PU' })).toContainEqual({
      kind: 'leaves-early',
      value: null,
    });
    expect(leftEarlyDays(schoolDaysOf(record(days('PU'))))).toEqual(['2026-09-02']);
  });
  it.each([
    ['three against one', 'U', 1, []],
    ['three against none', 'P', 0, [{ kind: 'period', value: '1' }]],
  ])('a lesson stands out by at least twice the others: %s', (_name, other, count, found) => {
    const days = {
      '2026-10-19': `U${count > 0 ? other : 'P'}`,
      '2026-10-20': `U${other}`,
      '2026-10-21': 'UP',
    };
    expect(patterns(days).filter(({ kind }) => kind === 'period')).toEqual(found);
  });
  it('does not call one early leave a pattern', () => {
    expect(patterns({ '2026-10-19': 'PPU', '2026-10-20': 'PPP' })).toEqual([]);
  });
  it('sees the lesson that is missed more than the others', () => {
    const days = { '2026-10-19': 'PUP', '2026-10-20': 'PUP', '2026-10-21': 'PUP', '2026-10-22': 'PPP' };
    expect(patterns(days)).toEqual([{ kind: 'period', value: '2' }]);
  });
  it('sees no lesson stand out where all are missed alike', () => {
    expect(
      patterns({ '2026-10-19': 'UUU', '2026-10-20': 'UUU', '2026-10-21': 'UUU', '2026-10-26': 'PPP' }),
    ).toEqual([]);
  });
  it('sees the weekday that is missed more than the others', () => {
    const thursdays = { '2026-10-08': 'UU', '2026-10-15': 'UU', '2026-10-22': 'UU' };
    const others = { '2026-10-09': 'PP', '2026-10-12': 'PP', '2026-10-19': 'PP' };
    expect(patterns({ ...thursdays, ...others })).toEqual([{ kind: 'weekday', value: 4 }]);
    expect(patterns(thursdays)).toEqual([]); // nothing to compare with
  });
  it('looks at the last twenty school days only', () => {
    const early = { '2026-09-01': 'PPU', '2026-09-02': 'PPU' };
    const since = Object.fromEntries(
      Array.from({ length: 20 }, (_day, index) => [`2026-10-${String(index + 1).padStart(2, '0')}`, 'PPP']),
    );
    expect(patterns({ ...early, ...since })).toEqual([]);
  });
});
