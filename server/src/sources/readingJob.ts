import type { Job } from '../kit';

/** One source is never read twice at once. */
export const readingJob = (sourceId: string): Job => ({
  task: 'syncSource',
  payload: { sourceId },
  key: `sync:${sourceId}`,
  queue: `source:${sourceId}`,
});
