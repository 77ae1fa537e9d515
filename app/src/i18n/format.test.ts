import { dayGiven, makeFormat } from './format';

it.each([
  ['2026-10-30', '2026-10-30'],
  ['2026-13-45', '2026-10-21'],
  ['tomorrow', '2026-10-21'],
  ['', '2026-10-21'],
  [undefined, '2026-10-21'],
])('the day of an address that says %j is %s', (text, day) => expect(dayGiven(text, '2026-10-21')).toBe(day));

describe('days by the clock of the school', () => {
  // Late in the evening at Halifax, the next morning in Greenwich.
  const format = makeFormat('en', 'America/Halifax', '2026-10-22T02:30:00Z');
  it.each([
    ['today', format.today, '2026-10-21'],
    ['an instant', format.dateOf('2026-11-01T03:30:00Z'), '2026-11-01'],
    ['an instant of the evening before', format.dateOf('2026-11-01T02:30:00Z'), '2026-10-31'],
    ['days ahead, across a change of clocks', format.daysAhead(14), '2026-11-04'],
    ['days between', format.daysBetween('2026-10-31', '2026-11-03T12:00:00Z'), 3],
    ['days back', format.daysBetween('2026-11-03', '2026-10-31'), -3],
    ['far', format.recent('2026-10-01T12:00:00Z'), 'Oct 1, 9:00 AM'],
    ['a week ahead', format.relative('2026-10-28'), 'in 7 days'],
    ['a week back', format.relative('2026-10-14'), '7 days ago'],
    ['beyond a week', format.relative('2026-10-29'), 'Oct 29'],
    ['today', format.relative('2026-10-21'), 'today'],
    ['this year', format.date('2026-12-31'), 'December 31'],
    ['next year', format.date('2027-01-01'), 'January 1, 2027'],
    ['near', format.recent('2026-10-21T02:00:00Z'), 'yesterday, 11:00 PM'],
  ])('%s', (_name, found, expected) => expect(found).toBe(expected));
});

it.each([
  [0, '1 minute ago', 'hace 1 minuto'],
  [25.9 * 60_000, '25 minutes ago', 'hace 25 minutos'],
  [3_600_000, '1 hour ago', 'hace 1 hora'],
  [23.9 * 3_600_000, '23 hours ago', 'hace 23 horas'],
  [25 * 3_600_000, 'yesterday', 'ayer'],
  [72 * 3_600_000, '3 days ago', 'hace 3 días'],
])('%d ms ago is %s', (ms, english, spanish) => {
  const said = ['en', 'es'].map((language) => makeFormat(language, 'UTC', '2026-10-21T12:00:00Z').ago(ms));
  expect(said).toEqual([english, spanish]);
});
