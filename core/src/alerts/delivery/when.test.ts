import {
  digestDueOn,
  limitOn,
  mostTries,
  nextDigestMs,
  scaleUnit,
  soonest,
  usualDelivery,
  waitMsAfter,
} from '..';

const halifax = 'America/Halifax';
const at = (instant: string): number => Date.parse(instant);

describe('quiet hours', () => {
  const quiet = { from: '21:00', to: '07:00' };
  it.each([
    ['in the afternoon', '2026-10-21T18:00:00Z', '2026-10-21T18:00:00Z'],
    ['at night', '2026-10-22T02:30:00Z', '2026-10-22T10:00:00Z'],
    ['after midnight', '2026-10-22T05:00:20Z', '2026-10-22T10:00:00Z'],
    ['as they begin', '2026-10-22T00:00:00Z', '2026-10-22T10:00:00Z'],
    ['as they end', '2026-10-22T10:00:00Z', '2026-10-22T10:00:00Z'],
  ])('%s', (_name, now, then) => {
    expect(soonest(at(now), { quiet, timeZone: halifax })).toBe(at(then));
  });
  it('within a day, and none', () => {
    const noon = { from: '12:00', to: '14:00' };
    expect(soonest(at('2026-10-21T16:30:00Z'), { quiet: noon, timeZone: halifax })).toBe(
      at('2026-10-21T17:00:00Z'),
    );
    expect(soonest(at('2026-10-21T12:30:00Z'), { quiet: noon, timeZone: halifax })).toBe(
      at('2026-10-21T12:30:00Z'),
    );
    expect(soonest(at('2026-10-22T02:30:00Z'), { quiet: null, timeZone: halifax })).toBe(
      at('2026-10-22T02:30:00Z'),
    );
  });
});

it('a message is tried again later each time, and not for ever', () => {
  const minutes = Array.from({ length: mostTries }, (_, index) => waitMsAfter(index + 1)).map(
    (ms) => ms && ms / 60_000,
  );
  expect(minutes).toEqual([1, 2, 4, 8, 16, 32, 60, 60, null]);
});

describe('the last digest that is due', () => {
  const wish = (digest: 'daily' | 'weekly' | 'none', digestWeekday = 0) => ({
    ...usualDelivery(halifax, 'en'),
    digest,
    digestWeekday,
    digestHour: 17,
  });
  it.each([
    ['daily, before its hour', wish('daily'), '2026-10-21T19:59:00Z', '2026-10-20'],
    ['daily, at its hour', wish('daily'), '2026-10-21T20:00:00Z', '2026-10-21'],
    ['weekly on Sunday, on a Wednesday', wish('weekly'), '2026-10-21T20:00:00Z', '2026-10-18'],
    ['weekly on Wednesday, before its hour', wish('weekly', 3), '2026-10-21T19:59:00Z', '2026-10-14'],
    ['weekly on Wednesday, at its hour', wish('weekly', 3), '2026-10-21T20:00:00Z', '2026-10-21'],
    ['none', wish('none'), '2026-10-21T20:00:00Z', null],
  ])('%s', (_name, delivery, now, due) => expect(digestDueOn(at(now), delivery)).toBe(due));

  it('is due again from the instant that is told, and no minute before, whatever the clocks do', () => {
    for (const digest of ['daily', 'weekly'] as const)
      for (let day = 0; day < 400; day += 1) {
        const delivery = { ...usualDelivery(halifax, 'en'), digest };
        const now = at('2026-01-03T15:20:00Z') + day * 24 * 3_600_000;
        const next = nextDigestMs(now, delivery) ?? 0;
        const last = digestDueOn(now, delivery);
        expect({ day, last: digestDueOn(next - 60_000, delivery) }).toEqual({ day, last });
        expect(digestDueOn(next, delivery)).not.toBe(last);
      }
    expect(nextDigestMs(0, { ...usualDelivery(halifax, 'en'), digest: 'none' })).toBeNull();
  });
});

it('a threshold lies on the scale of a course, or says nothing about it', () => {
  const letters = [{ letter: 'B', from: 0.8 }];
  const threshold = { percent: 70, level: 2.5, letter: null };
  const percent = { method: 'weighted', outOf: 100, letters } as const;
  const levels = { method: 'points', outOf: 4, letters: [] } as const;
  expect([scaleUnit(percent), scaleUnit(levels)]).toEqual(['percent', 'level']);
  // Out of ten is still told in levels; eleven are no levels any more.
  expect([10, 10.5, 11].map((outOf) => scaleUnit({ ...percent, outOf }))).toEqual([
    ...['level', 'percent', 'percent'],
  ]);
  expect(limitOn(percent, threshold)).toBe(70);
  expect(limitOn(percent, { ...threshold, letter: 'B' })).toBe(80);
  expect(limitOn(levels, { ...threshold, letter: 'B' })).toBe(2.5);
  expect(limitOn(levels, { ...threshold, level: 5 })).toBeNull();
});

it('goes out, until a guardian sets it, by mail at once, and as a digest on Sundays at five', () => {
  const told = { mail: true, text: false, push: true };
  const kept = { mail: false, text: false, push: false };
  expect(usualDelivery('America/Halifax', 'es')).toEqual({
    atOnce: true,
    ways: {
      ...{ figure: told, work: told, coming: told, comment: told, attendance: told, term: told },
      ...{ school: told, good: kept, upkeep: kept },
    },
    ...{ digest: 'weekly', digestWeekday: 0, digestHour: 17, emptyDigest: 'line' },
    quiet: { from: '21:00', to: '07:00' },
    ...{ timeZone: 'America/Halifax', language: 'es', phone: null },
  });
});
