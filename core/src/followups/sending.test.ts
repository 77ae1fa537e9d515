import { isNight, nextMorning } from './sending';

const zone = 'America/Halifax';

it.each([
  ['in the evening', '2026-10-21T19:40:00Z', '2026-10-22T10:30:00.000Z'],
  ['in the small hours', '2026-10-21T05:00:00Z', '2026-10-22T10:30:00.000Z'],
  ['on a Friday', '2026-10-23T19:40:00Z', '2026-10-26T10:30:00.000Z'],
  ['on a Saturday', '2026-10-24T19:40:00Z', '2026-10-26T10:30:00.000Z'],
  // The clocks have gone back: half past seven is an hour later by the world's.
  ['over a change of clocks', '2026-10-30T19:40:00Z', '2026-11-02T11:30:00.000Z'],
])('the next morning, %s', (_name, now, morning) => expect(nextMorning(zone, new Date(now))).toBe(morning));

it.each([
  ['2026-10-21T23:59:00Z', false],
  ['2026-10-22T00:00:00Z', true],
  ['2026-10-22T08:59:00Z', true],
  ['2026-10-22T09:00:00Z', false],
])('%s is night: %s', (at, night) => expect(isNight(zone, new Date(at))).toBe(night));
