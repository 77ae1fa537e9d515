/* Addresses of workers are known to the bundler alone, so tests stand in for this. */

/** Starts the worker of a course's what-if. */
export const startOutlookWorker = (): Worker => new Worker(new URL('./outlook.worker', import.meta.url));
/** Starts the worker that reads tables. */
export const startTableWorker = (): Worker => new Worker(new URL('./table.worker', import.meta.url));
