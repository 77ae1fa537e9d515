import { awayFrom, touchedWork, type SchoolDay } from '..';

const lesson = (courseId: string | null, kind: SchoolDay['lessons'][number]['kind'], period = '1') => ({
  ...{ courseId, kind, period, excused: false },
});
const day = (date: string, ...lessons: SchoolDay['lessons'][number][]): SchoolDay => ({
  ...{ date, lessons, absent: false },
});
const work = (itemId: string, courseId: string, assignedOn: string, dueOn: string | null) => ({
  ...{ itemId, courseId, assignedOn, dueOn },
});

it('was away where absent or on a trip; late is there', () => {
  const days = [
    day('2026-10-08', lesson('history', 'activity'), lesson('optics', 'present'), lesson('letters', 'tardy')),
    day('2026-10-19', lesson('rowing', 'absent')),
  ];
  expect(awayFrom(days, () => [])).toEqual([
    { on: '2026-10-08', courseId: 'history', trip: true },
    { on: '2026-10-19', courseId: 'rowing', trip: false },
  ]);
});

it('of a day marked as a whole, was away from all that met', () => {
  const meets = (date: string) => (date === '2026-09-30' ? ['number', 'reading'] : ['making']);
  expect(awayFrom([day('2026-09-30', lesson(null, 'absent', 'day'))], meets)).toEqual([
    { on: '2026-09-30', courseId: 'number', trip: false },
    { on: '2026-09-30', courseId: 'reading', trip: false },
  ]);
});

it('touched the work of the missed lesson that was given out or due that day, and no other', () => {
  const away = [{ on: '2026-10-08', courseId: 'history', trip: true }];
  const works = [
    work('given', 'history', '2026-10-08', '2026-10-12'),
    work('due', 'history', '2026-10-01', '2026-10-08'),
    work('both', 'history', '2026-10-08', '2026-10-08'),
    work('undated', 'history', '2026-10-08', null),
    work('before', 'history', '2026-10-01', '2026-10-07'),
    work('elsewhere', 'optics', '2026-10-08', '2026-10-08'),
  ];
  expect(touchedWork(away, works)).toEqual([
    { itemId: 'given', on: '2026-10-08', assigned: true, due: false },
    { itemId: 'due', on: '2026-10-08', assigned: false, due: true },
    { itemId: 'both', on: '2026-10-08', assigned: true, due: true },
    { itemId: 'undated', on: '2026-10-08', assigned: true, due: false },
  ]);
});
