import { lessonsOn, schoolDaysFrom, type TimetableLesson } from '.';

const lesson = (courseId: string, period: string, rotationDay = ''): TimetableLesson => ({
  ...{ courseId, period, rotationDay },
  startsAt: `${String(7 + Number(period)).padStart(2, '0')}:40`,
  endsAt: `${String(8 + Number(period)).padStart(2, '0')}:30`,
});
const lessons = [
  lesson('optics', '3'),
  lesson('kelp', '1'),
  lesson('spanish', '0', 'B'),
  lesson('spanish', '4', 'A'),
];
const on = (day: Parameters<typeof lessonsOn>[0]) =>
  lessonsOn(day, lessons).map(({ courseId, period }) => courseId + period);

it.each([
  ['a day of the rotation', { open: true, rotationDay: 'A' }, ['kelp1', 'optics3', 'spanish4']],
  [
    'its other day, with a period before the first',
    { open: true, rotationDay: 'B' },
    ['spanish0', 'kelp1', 'optics3'],
  ],
  ['a day without a rotation', { open: true, rotationDay: null }, ['kelp1', 'optics3']],
  ['a day without school', { open: false, rotationDay: null }, []],
  ['a day of which the calendar says nothing', null, ['kelp1', 'optics3']],
])('%s', (_name, day, expected) => expect(on(day)).toEqual(expected));

it.each<[string, [string, boolean][], string[]]>([
  ['by weekday, where nothing is said', [], ['2026-10-22', '2026-10-23', '2026-10-26']],
  ['but not on a closed day', [['2026-10-23', false]], ['2026-10-22', '2026-10-26']],
  [
    'and on a Saturday with school',
    [['2026-10-24', true]],
    ['2026-10-22', '2026-10-23', '2026-10-24', '2026-10-26'],
  ],
])('school days ahead go %s', (_name, open, expected) =>
  expect(schoolDaysFrom('2026-10-22', new Map(open), 5)).toEqual(expected),
);
