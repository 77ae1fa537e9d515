import { houseOf, queuesAtWork, type Db, type Job } from '../kit';

interface Reading {
  readonly id: string;
  readonly progress: object | null;
}

const queueOf = (sourceId: string): string => `source:${sourceId}`;

/** One source is never read twice at once. */
export const readingJob = (sourceId: string): Job => ({
  task: 'syncSource',
  payload: { sourceId },
  key: `sync:${sourceId}`,
  queue: queueOf(sourceId),
});

/** All of a source, to be compared with what is known. */
export const wholeReadingJob = (sourceId: string): Job => ({
  ...readingJob(sourceId),
  payload: { sourceId, whole: true },
  key: `whole:${sourceId}`,
});

/**
 * Of sources with what they say of their readings: those of which one is under way. One that was cut off, because its
 * worker is gone, has left its word behind and is begun anew by its job.
 */
export async function underWay(db: Db, sources: readonly Reading[]): Promise<(source: Reading) => boolean> {
  const named = sources.filter(({ progress }) => progress !== null).map(({ id }) => queueOf(id));
  const atWork = named.length > 0 ? await queuesAtWork(houseOf(db), named) : new Set();
  return ({ id }) => atWork.has(queueOf(id));
}

/** Every source is read as often. */
export const readEveryMinutes = 15;

/** When a source is read by itself again: at the next full quarter of an hour. */
export function nextReading(now: Date): Date {
  const everyMs = readEveryMinutes * 60_000;
  return new Date((Math.floor(now.getTime() / everyMs) + 1) * everyMs);
}
