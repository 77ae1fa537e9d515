import fc from 'fast-check';
import ICAL from 'ical.js';
import { instantAt, timeZoneComponent, toWall, wallTimeIn } from '.';
import { runs } from '../../testing/runs';

const halifax = 'America/Halifax';
/** Clocks that go back and forth, stand still, go by half an hour, and lie beyond the date line. */
const zones = [
  halifax,
  'America/St_Johns',
  'Europe/Lisbon',
  'Asia/Kolkata',
  'Australia/Lord_Howe',
  'Pacific/Kiritimati',
];
const minute = 60_000;
const anyInstant = fc.oneof(
  fc
    .integer({ min: Date.UTC(2024, 0, 1) / minute, max: Date.UTC(2030, 0, 1) / minute })
    .map((at) => at * minute),
  // The nights in which clocks change, in Halifax and in Lord Howe: most of what can go wrong is there.
  fc
    .tuple(
      fc.constantFrom('2026-11-01T05:00Z', '2027-03-14T06:00Z', '2027-04-03T15:00Z', '2026-10-03T15:30Z'),
      fc.integer({ min: -12 * 60, max: 12 * 60 }),
    )
    .map(([changes, minutes]) => Date.parse(changes) + minutes * minute),
);

it.each([
  ['2026-10-31T03:30:00Z', '2026-10-31', '00:30'],
  ['2026-11-01T04:30:00Z', '2026-11-01', '01:30'],
  ['2026-11-01T05:30:00Z', '2026-11-01', '01:30'],
  ['2026-11-01T06:30:00Z', '2026-11-01', '02:30'],
  ['2027-03-14T05:59:00Z', '2027-03-14', '01:59'],
  ['2027-03-14T06:00:00Z', '2027-03-14', '03:00'],
])('at %s the clock in Halifax shows %s %s', (instant, on, time) =>
  expect(wallTimeIn(halifax, Date.parse(instant))).toEqual({ on, time }),
);

it.each([
  ['an hour in winter', '2026-11-03', '17:30', '2026-11-03T21:30:00.000Z'],
  ['an hour in summer', '2026-10-28', '11:00', '2026-10-28T14:00:00.000Z'],
  ['an hour that the clocks leave out', '2027-03-14', '02:30', '2027-03-14T06:30:00.000Z'],
])('%s', (_name, on, time, instant) =>
  expect(new Date(instantAt(halifax, { on, time })).toISOString()).toBe(instant),
);

it('a clock’s time is of an instant at which the clock shows it', () => {
  fc.assert(
    fc.property(fc.constantFrom(...zones), anyInstant, (zone, at) => {
      const wall = wallTimeIn(zone, at);
      // When the clocks go back there are two such instants; either shows the same.
      expect(wallTimeIn(zone, instantAt(zone, wall))).toEqual(wall);
      expect(Math.abs(instantAt(zone, wall) - at)).toBeLessThanOrEqual(60 * 60 * 1000);
    }),
  );
});

it('the zone that goes out with a calendar says the same as the clocks', () => {
  fc.assert(
    fc.property(fc.constantFrom(...zones), anyInstant, (name, at) => {
      const component = timeZoneComponent(name);
      if (!component) throw new Error(`no zone ${name}`);
      const wall = wallTimeIn(name, at);
      // The way a program reads an event: its clock's time, by the zone that came with it. The library's own way from
      // UTC to a clock is of no use here; it errs by some hours in the nights in which the clocks change.
      const local = ICAL.Time.fromDateTimeString(`${wall.on}T${wall.time}:00`);
      local.zone = new ICAL.Timezone(component);
      expect(Math.abs(local.toUnixTime() * 1000 - at)).toBeLessThanOrEqual(60 * 60 * 1000);
      expect(toWall(local, name, name)).toEqual(wall);
    }),
    { numRuns: runs(60) },
  );
});
