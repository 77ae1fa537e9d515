import { isTime, timeOf } from '../i18n';

/** Two times of the clock, the first before the second; null where they are none. */
export function timesOf(from: string, to: string): { from: string; to: string } | null {
  const [first, last] = [timeOf(from), timeOf(to)];
  return isTime(first) && isTime(last) && first < last ? { from: first, to: last } : null;
}
