import { schoolDaysWaited } from './schoolDays';

it.each([
  ['the same day', '2026-10-21', '2026-10-21', [], 0],
  ['the day after', '2026-10-21', '2026-10-22', [], 1],
  ['over a weekend', '2026-10-23', '2026-10-26', [], 1],
  ['on a Sunday', '2026-10-23', '2026-10-25', [], 0],
  ['over a day without school', '2026-10-21', '2026-10-26', ['2026-10-23'], 2],
  ['a clock that was set back', '2026-10-21', '2026-10-20', [], 0],
])('counts %s', (_name, sent, today, closed, days) =>
  expect(schoolDaysWaited(sent, today, new Set(closed))).toBe(days),
);
