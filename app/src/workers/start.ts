/** Starts the worker of a course's what-if. Its address is known to the bundler alone, so tests stand in for this. */
export const startOutlookWorker = (): Worker => new Worker(new URL('./outlook.worker', import.meta.url));
