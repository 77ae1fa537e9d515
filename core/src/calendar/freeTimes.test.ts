import fc from 'fast-check';
import { instantAt } from './clock';
import { busyIn, freeTimes, overlaps, type FreeAsk, type Stretch } from './freeTimes';

const zone = 'America/Halifax';
const at = (on: string, time: string): number => instantAt(zone, { on, time });
const from = (on: string, starts: string, ends: string): Stretch => ({
  ...{ fromMs: at(on, starts), toMs: at(on, ends) },
});
const ask = (more: Partial<FreeAsk> = {}): FreeAsk => ({
  ...{ from: '2026-10-26', to: '2026-11-06', closed: new Set<string>(), opens: '15:00', closes: '17:00' },
  ...{ minutes: 20, most: 3, instantAt: at, nowMs: at('2026-10-25', '18:00'), busy: [] },
  ...more,
});
const told = (found: readonly Stretch[]): string[] =>
  found.map(({ fromMs }) => new Date(fromMs).toISOString());

it('is one a day, the first that everybody has free, on school days', () => {
  const busy = [[from('2026-10-26', '14:00', '15:40')], [from('2026-10-26', '16:00', '18:00')]];
  // 3:45 would run into four o’clock: that Monday has nothing.
  expect(told(freeTimes(ask({ busy, closed: new Set(['2026-10-27']) })))).toEqual([
    '2026-10-28T18:00:00.000Z',
    '2026-10-29T18:00:00.000Z',
    '2026-10-30T18:00:00.000Z',
  ]);
});

it('stays at the school’s hour when the clocks have gone back', () => {
  const found = freeTimes(ask({ from: '2026-10-30', to: '2026-11-02' }));
  expect(told(found)).toEqual(['2026-10-30T18:00:00.000Z', '2026-11-02T19:00:00.000Z']);
});

it('lies ahead', () => {
  const now = at('2026-10-26', '15:10');
  expect(told(freeTimes(ask({ nowMs: now, most: 1 })))).toEqual(['2026-10-26T18:15:00.000Z']);
});

it('never lies where somebody has something, and never outside the hours', () => {
  const stretch = fc
    .record({ day: fc.integer({ min: 0, max: 11 }), quarter: fc.integer({ min: 48, max: 70 }) })
    .map(({ day, quarter }) => {
      const fromMs = at('2026-10-26', '00:00') + (day * 96 + quarter) * 900_000;
      return { fromMs, toMs: fromMs + 1_800_000 };
    });
  const people = fc.array(fc.array(stretch, { maxLength: 12 }), { maxLength: 3 });
  fc.assert(
    fc.property(people, fc.constantFrom(15, 20, 45), (busy, minutes) => {
      const found = freeTimes(ask({ busy, minutes, most: 20 }));
      for (const each of found) {
        expect(each.toMs - each.fromMs).toBe(minutes * 60_000);
        expect(busy.flat().filter((taken) => overlaps(taken, each))).toEqual([]);
      }
      const days = found.map(({ fromMs }) => new Date(fromMs).toISOString().slice(0, 10));
      expect(new Set(days).size).toBe(days.length);
    }),
  );
});

it('names who is busy, and nobody whose time only touches it', () => {
  const slot = from('2026-10-26', '15:00', '15:20');
  const people = [
    { name: 'Maren', busy: [from('2026-10-26', '14:00', '15:00')] },
    { name: 'Tobiah', busy: [from('2026-10-26', '15:19', '16:00')] },
  ];
  expect(busyIn(slot, people)).toEqual(['Tobiah']);
});
