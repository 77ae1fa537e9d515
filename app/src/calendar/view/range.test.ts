import { datesOf, moved, rangeOf } from './range';

it.each([
  ['month', '2026-10-21', '2026-09-28', '2026-11-01'],
  ['month', '2026-02-10', '2026-01-26', '2026-03-01'],
  ['week', '2026-10-21', '2026-10-19', '2026-10-25'],
  ['week', '2026-11-01', '2026-10-26', '2026-11-01'],
  ['day', '2026-10-21', '2026-10-21', '2026-10-21'],
  ['agenda', '2026-10-21', '2026-10-21', '2026-11-17'],
] as const)('a %s of %s shows %s to %s', (view, on, from, to) =>
  expect(rangeOf(view, on)).toEqual({ from, to }),
);

it.each([
  ['month', '2026-10-31', 1, '2026-11-30'],
  ['month', '2026-03-31', -1, '2026-02-28'],
  ['week', '2026-10-28', 1, '2026-11-04'],
  ['day', '2026-10-31', 1, '2026-11-01'],
  ['agenda', '2026-10-21', -1, '2026-09-23'],
] as const)('a %s of %s moved by %s is of %s', (view, on, by, to) => expect(moved(view, on, by)).toBe(to));

it('counts every day once, also when the clocks go back', () =>
  expect(datesOf({ from: '2026-10-31', to: '2026-11-02' })).toEqual([
    '2026-10-31',
    '2026-11-01',
    '2026-11-02',
  ]));
