/** One day in ten: from here on a child has missed much of school. */
export const chronicFrom = 0.1;

/**
 * How many more missed school days in a row would bring the share of missed days to `from`: the smallest k with
 * (missed + k) ÷ (schoolDays + k) ≥ from. 0 when it is reached already; null for a share that no number reaches.
 * @param from 0 to 1.
 * @example 3 of 32 days missed, one in ten: one more makes 4 of 33, so 1.
 */
export function daysToShare(missed: number, schoolDays: number, from: number): number | null {
  if (schoolDays > 0 && missed / schoolDays >= from - 1e-9) return 0;
  if (from >= 1) return null;
  return Math.max(schoolDays === 0 ? 1 : 0, Math.ceil((from * schoolDays - missed) / (1 - from) - 1e-9));
}
