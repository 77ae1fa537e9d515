import { dayListIn } from './dayList';

it.each([
  ['en', ['2026-10-19', '2026-10-20', '2026-10-21'], 'Oct 19, 20, and 21'],
  ['en', ['2026-10-19'], 'Oct 19'],
  ['en', ['2026-09-30', '2026-10-01'], 'Sep 30 and Oct 1'],
  ['en', [], ''],
  ['es', ['2026-10-19', '2026-10-20', '2026-10-21'], '19, 20 y 21 de oct'],
  ['es', ['2026-09-30', '2026-10-01'], '30 de sept y 1 de oct'],
])('writes several days in %s: %j', (language, dates, said) => expect(dayListIn(language)(dates)).toBe(said));
