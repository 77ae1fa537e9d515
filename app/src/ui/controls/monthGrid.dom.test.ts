import { weeksOf } from './MonthGrid';

it('holds whole weeks from Monday on, with the days around', () => {
  const weeks = weeksOf('2026-10');
  expect(weeks).toHaveLength(5);
  expect(weeks[0]?.[0]).toBe('2026-09-28');
  expect(weeks[4]?.[6]).toBe('2026-11-01');
});

it.each([
  ['the weekend it begins with is left to the month before', '2026-11-03', '2026-11-02', '2026-12-06'],
  ['unless that is the day one looks at', '2026-11-01', '2026-10-26', '2026-11-29'],
  ['a day of another month changes nothing', '2026-10-31', '2026-11-02', '2026-12-06'],
])('of a month with six weeks five are shown: %s', (_name, around, first, last) => {
  const weeks = weeksOf('2026-11', 5, around);
  expect(weeks).toHaveLength(5);
  expect([weeks[0]?.[0], weeks[4]?.[6]]).toEqual([first, last]);
});
