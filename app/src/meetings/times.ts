const clock = /^([01]?\d|2[0-3]):([0-5]\d)$/;
const clockOf = (text: string): string | null => {
  const [, hours, minutes] = clock.exec(text.trim()) ?? [];
  return hours && minutes ? `${hours.padStart(2, '0')}:${minutes}` : null;
};

/** Two times of the clock, the first before the second; null where they are none. */
export function timesOf(from: string, to: string): { from: string; to: string } | null {
  const [first, last] = [clockOf(from), clockOf(to)];
  return first && last && first < last ? { from: first, to: last } : null;
}
