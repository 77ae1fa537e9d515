/**
 * Number of draws of a property that asks for more than the usual: all of them, or fewer where the test command limits
 * them (`TEST_MOST_PROPERTY_RUNS`).
 */
export const runs = (all: number): number =>
  Math.min(all, Number(process.env['TEST_MOST_PROPERTY_RUNS'] ?? Infinity));
