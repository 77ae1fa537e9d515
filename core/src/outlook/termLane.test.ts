import fc from 'fast-check';
import { termMoves } from './termLane';

const step = (title: string, day: number, delta: number | null) => ({
  ...{ itemId: title, title, delta },
  at: `2026-10-${String(day).padStart(2, '0')}T12:00:00Z`,
});

it('names what moved a figure most, in the order in which it happened', () => {
  const moved = [
    ...[step('first', 1, null), step('quiz', 5, -3), step('card', 6, 0.5), step('tiny', 7, 0.1)],
    ...[step('map', 8, 2), step('log', 9, -1)],
  ];
  expect(termMoves(moved, 100, 3).map(({ title, share }) => [title, share])).toEqual([
    ['quiz', -0.03],
    ['map', 0.02],
    ['log', -0.01],
  ]);
});

it('is of the scale’s own size: half a point of four is much', () => {
  expect(termMoves([step('model', 5, -0.5)], 4, 3)[0]?.share).toBeCloseTo(-0.125, 12);
});

it('leaves out nothing that is larger than what it names', () => {
  const steps = fc.array(
    fc.record({ day: fc.integer({ min: 1, max: 28 }), delta: fc.double({ min: -9, max: 9, noNaN: true }) }),
  );
  fc.assert(
    fc.property(steps, fc.integer({ min: 1, max: 6 }), (moved, most) => {
      const given = moved.map(({ day, delta }, at) => step(`w${at}`, day, delta));
      const named = termMoves(given, 100, most);
      const least = Math.min(...named.map(({ share }) => Math.abs(share)));
      const left = given.filter(({ title }) => named.every((each) => each.title !== title));
      if (named.length === most)
        for (const { delta } of left) expect(Math.abs(delta ?? 0) / 100).toBeLessThanOrEqual(least + 1e-12);
      else for (const { delta } of left) expect(Math.abs(delta ?? 0) / 100).toBeLessThan(2e-3);
      expect([...named].sort((a, b) => a.atMs - b.atMs)).toEqual(named);
    }),
  );
});
