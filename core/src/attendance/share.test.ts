import fc from 'fast-check';
import { daysToShare } from '..';

it.each([
  [3, 32, 0.1, 1],
  [1, 32, 0.1, 3],
  [4, 40, 0.1, 0],
  [5, 40, 0.1, 0],
  [0, 0, 0.1, 1],
  [0, 9, 0.1, 1],
  [0, 10, 0.5, 10],
  [0, 10, 1, null],
  [10, 10, 1, 0],
])('%i of %i days: %d is reached after %p more', (missed, days, from, more) =>
  expect(daysToShare(missed, days, from)).toBe(more),
);

it('is the least number that reaches the share', () => {
  const anyYear = fc.nat(200).chain((days) => fc.tuple(fc.nat(days), fc.constant(days)));
  fc.assert(
    fc.property(anyYear, fc.integer({ min: 1, max: 99 }), ([missed, days], percent) => {
      const from = percent / 100;
      const more = daysToShare(missed, days, from) ?? 0;
      // In whole numbers, so that no rounding decides.
      const reached = (k: number) => days + k > 0 && (missed + k) * 100 >= percent * (days + k);
      expect(reached(more)).toBe(true);
      if (more > 0) expect(reached(more - 1)).toBe(false);
    }),
  );
});
