import fc from 'fast-check';
import {
  dateIn,
  datesOf,
  daysAfter,
  isDate,
  isTimeZone,
  isWeekend,
  monthsAfter,
  monthWeeksOf,
  nextWeekday,
  weekdayOf,
  weekOf,
} from '.';
import { runs } from './testing/runs';

const anyDate = fc
  .date({ min: new Date('1990-01-01'), max: new Date('2060-12-31'), noInvalidDate: true })
  .map((day) => day.toISOString().slice(0, 10));

it.each([
  ['2026-10-21', true],
  ['2028-02-29', true],
  ['2026-02-29', false],
  ['2026-13-45', false],
  ['2026-1-2', false],
  ['2026-10-21T08:00:00Z', false],
  ['', false],
  ['today', false],
])('%j is a date: %s', (text, is) => expect(isDate(text)).toBe(is));

it.each([
  ['America/Halifax', true],
  ['UTC', true],
  ['Atlantis/Deep', false],
  ['', false],
  ['America/Halifax; DROP', false],
])('%j is a zone: %s', (name, is) => expect(isTimeZone(name)).toBe(is));

it('tells the date by the clock of a zone', () => {
  const instant = new Date('2026-10-22T02:30:00Z');
  expect(dateIn('America/Halifax', instant)).toBe('2026-10-21');
  expect(dateIn('Pacific/Kiritimati', instant)).toBe('2026-10-22');
});

it('counts days forth and back', () =>
  fc.assert(
    fc.property(anyDate, fc.integer({ min: -800, max: 800 }), (date, days) => {
      expect(daysAfter(daysAfter(date, days), -days)).toBe(date);
      expect(weekdayOf(daysAfter(date, days))).toBe((((weekdayOf(date) + days) % 7) + 7) % 7);
    }),
  ));

it('gives the week around a date, and the next of a weekday', () =>
  fc.assert(
    fc.property(anyDate, fc.integer({ min: 0, max: 6 }), (date, weekday) => {
      const { from, to } = weekOf(date);
      expect([weekdayOf(from), weekdayOf(to), daysAfter(from, 6)]).toEqual([1, 0, to]);
      expect(from <= date && date <= to).toBe(true);
      expect(isWeekend(date)).toBe(date >= daysAfter(from, 5));
      const next = nextWeekday(date, weekday);
      expect(weekdayOf(next)).toBe(weekday);
      expect(next >= date && next < daysAfter(date, 7)).toBe(true);
    }),
  ));

it('counts every day once, also when the clocks go back', () => {
  expect(datesOf({ from: '2026-10-31', to: '2026-11-02' })).toEqual([
    '2026-10-31',
    '2026-11-01',
    '2026-11-02',
  ]);
  expect(datesOf({ from: '2026-11-02', to: '2026-10-31' })).toEqual([]);
});

it('keeps the last day of a month within the next', () =>
  expect([monthsAfter('2026-10-31', 1), monthsAfter('2026-03-31', -1)]).toEqual([
    '2026-11-30',
    '2026-02-28',
  ]));

it('holds a month in whole weeks', () =>
  fc.assert(
    fc.property(anyDate, (date) => {
      const days = datesOf(monthWeeksOf(date));
      expect(days.length % 7).toBe(0);
      expect([weekdayOf(days[0] ?? ''), weekdayOf(days.at(-1) ?? '')]).toEqual([1, 0]);
      const month = datesOf({
        from: `${date.slice(0, 7)}-01`,
        to: daysAfter(monthsAfter(`${date.slice(0, 7)}-01`, 1), -1),
      });
      expect(days).toEqual(expect.arrayContaining(month));
      expect(days.length - month.length).toBeLessThan(14);
    }),
  ));

it('is the date that the zone’s own calendar shows, at every instant', () => {
  const zones = Intl.supportedValuesOf('timeZone');
  const calendars = new Map<string, Intl.DateTimeFormat>();
  const calendarOf = (timeZone: string) => {
    const made =
      calendars.get(timeZone) ??
      new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' });
    calendars.set(timeZone, made);
    return made;
  };
  const instant = fc.oneof(
    // From before zones agreed on whole quarters of an hour, too; and one after the other within a few of them.
    fc.integer({ min: Date.UTC(1900, 0), max: Date.UTC(2060, 0) }),
    fc.integer({ min: 0, max: 3 * 24 * 3_600_000 }).map((ms) => Date.UTC(2026, 9, 30) + ms),
  );
  fc.assert(
    fc.property(fc.constantFrom(...zones), instant, (zone, ms) => {
      for (const at of [ms, ms + 60_000, ms + 899_999])
        expect(dateIn(zone, new Date(at))).toBe(calendarOf(zone).format(at));
    }),
    { numRuns: runs(3_000) },
  );
});
