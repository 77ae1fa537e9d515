import { Logger, run, runMigrations, type Runner } from 'graphile-worker';
import type { Logger as Pino } from 'pino';
import { tasksOf, type JobDeps } from './tasks';

/** The queue's own tables. */
export const migrateQueue = (connectionString: string): Promise<void> =>
  runMigrations({ connectionString, logger: silent });

const silent = new Logger(() => () => undefined);

/** Job names and outcomes, never payloads: those name children. */
const quietLogger = (log: Pino) =>
  new Logger(() => (level, message) => {
    if (level === 'error' || level === 'warning') log.warn({ queue: level }, message.split('\n')[0]);
  });

/** Starts the loop that works off the queue; sources are read every fifteen minutes, and what is
 * due to go out is looked for every minute. */
export const startWorker = (deps: JobDeps, log: Pino): Promise<Runner> =>
  run({
    connectionString: deps.config.databaseUrl,
    concurrency: 2,
    pollInterval: 1000,
    noHandleSignals: true,
    crontab: '*/15 * * * * syncAll\n7,22,37,52 * * * * lookAtGuardians\n* * * * * alertRounds',
    logger: quietLogger(log),
    taskList: tasksOf(deps),
  });
