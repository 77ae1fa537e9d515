import type { Job } from '../kit';

/** One source is never read twice at once. */
export const readingJob = (sourceId: string): Job => ({
  task: 'syncSource',
  payload: { sourceId },
  key: `sync:${sourceId}`,
  queue: `source:${sourceId}`,
});

/** Every source is read as often. */
export const readEveryMinutes = 15;

/** When a source is read by itself again: at the next full quarter of an hour. */
export function nextReading(now: Date): Date {
  const everyMs = readEveryMinutes * 60_000;
  return new Date((Math.floor(now.getTime() / everyMs) + 1) * everyMs);
}
