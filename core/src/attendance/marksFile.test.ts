import { marksOfFile, type FileRow, type MarksFileContext } from '..';

const context: MarksFileContext = {
  today: '2026-10-21',
  year: { from: '2026-09-07', to: '2027-06-25' },
  courses: new Map([['kelp chemistry', 'kelp']]),
  meaningOf: (code) => (code === 'A' ? { kind: 'absent', excused: false, label: 'Away' } : null),
  schoolHas: new Set(['2026-10-19/3']),
};
const row = (more: FileRow): FileRow => ({ date: '2026-10-20', period: '1', code: 'A', ...more });
const read = (...rows: FileRow[]) => marksOfFile(rows, context);

it('reads a row with its course, its own kind and words, or by what is known of its code', () => {
  expect(
    read(
      row({ course: 'Kelp Chemistry' }),
      row({ period: '2', code: 'Z', kind: 'tardy', excused: 'yes', label: 'bus' }),
      row({ period: '' }),
    ).marks,
  ).toEqual([
    {
      on: '2026-10-20',
      period: '1',
      courseId: 'kelp',
      courseTitle: 'Kelp Chemistry',
      code: 'A',
      kind: 'absent',
      excused: false,
      label: 'Away',
    },
    {
      on: '2026-10-20',
      period: '2',
      courseId: null,
      courseTitle: null,
      code: 'Z',
      kind: 'tardy',
      excused: true,
      label: 'bus',
    },
    {
      on: '2026-10-20',
      period: 'day',
      courseId: null,
      courseTitle: null,
      code: 'A',
      kind: 'absent',
      excused: false,
      label: 'Away',
    },
  ]);
});

it.each<[string, FileRow, string]>([
  ['no date', { date: 'yesterday' }, 'date'],
  ['a date that is not on the calendar', { date: '2026-02-30' }, 'date'],
  ['a day before the school year', { date: '2026-09-06' }, 'outside-year'],
  ['a day after it', { date: '2027-06-26' }, 'outside-year'],
  ['a day to come', { date: '2026-10-22' }, 'future'],
  ['a period as long as a story', { period: 'x'.repeat(41) }, 'period'],
  ['no code', { code: ' ' }, 'code'],
  ['a kind of its own', { kind: 'asleep' }, 'kind'],
  ['a course nobody takes', { course: 'Fencing' }, 'course'],
])('names a row with %s', (_name, more, fault) => {
  const { marks, faults } = read(row(more), row({ period: '5' }));
  expect(faults).toMatchObject([{ row: 2, fault }]);
  expect(marks).toHaveLength(1);
});

it('takes two marks of a whole day for two of one lesson, and names it', () => {
  const { marks, faults } = read(row({ period: '' }), row({ period: '1' }), row({ period: '' }));
  expect(marks.map(({ period }) => period)).toEqual(['day', '1']);
  expect(faults).toEqual([{ row: 4, fault: 'twice', value: '2026-10-20/day' }]);
});

it('takes the first of two marks for one lesson and names the second', () =>
  expect(read(row({}), row({ code: 'P' }))).toMatchObject({
    marks: [{ code: 'A' }],
    faults: [{ row: 3, fault: 'twice' }],
  }));

it('leaves lessons to the school that it has marked itself, and waits for codes it does not know', () => {
  const { marks, schoolHas, unknownCodes, faults } = read(
    row({ date: '2026-10-19', period: '3' }),
    row({ code: 'Q7' }),
    row({ code: 'Q7', period: '2' }),
  );
  expect([marks, schoolHas, [...unknownCodes], faults]).toEqual([[], 1, [['Q7', 2]], []]);
});

it('takes a sheet program’s guard against formulas off', () =>
  expect(read(row({ code: "'-", kind: 'absent' })).marks[0]?.code).toBe('-'));
