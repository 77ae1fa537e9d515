import { Logger } from 'graphile-worker';
import type { Logger as Pino } from 'pino';
import { keepWorking, Threads, unnamed, WatchedMail, type Working } from '../kit';
import { readEveryMinutes } from '../sources';
import type { WorkerFigures } from './metrics';
import { tasksOf, type JobDeps } from './tasks';

/** Job names and outcomes, never payloads: those name children. */
const quietLogger = (log: Pino) =>
  new Logger(() => (level, message) => {
    if (level === 'error' || level === 'warning')
      log.warn({ queue: level }, unnamed(message.split('\n')[0] ?? ''));
  });

/**
 * Sources are read every fifteen minutes, all of each once in its night, and what is due to go out is looked for every
 * minute. What the clock alone changes is followed between readings, also of whom nobody reads. Figures that somebody still
 * waits for, because a process was killed after it had written records, are computed then, too.
 */
const crontab = [
  `*/${readEveryMinutes} * * * * syncAll`,
  '8,23,38,53 * * * * followClock',
  '*/5 * * * * lookForBundles',
  '41 * * * * readWhole',
  '13 * * * * readCalendars',
  '22 * * * * lookAtGuardians',
  '*/5 * * * * computeFigures',
  '* * * * * alertRounds',
  '11 * * * * sweep',
  '* * * * * sealTrail',
].join('\n');

/** Starts the loop that works off the queue, and what comes round by the clock, unless it is only to work off. */
export async function startWorker(
  deps: JobDeps,
  log: Pino,
  { byTheClock = true, figures }: { byTheClock?: boolean; figures?: WorkerFigures } = {},
): Promise<Working> {
  const threads = new Threads();
  const mail = new WatchedMail(deps.transport, (what, error) =>
    error === undefined ? log.info(what) : log.warn({ err: error }, what),
  );
  const options = {
    ...{ concurrency: 2, pollInterval: 1000 },
    ...(byTheClock ? { crontab } : { parsedCronItems: [] }),
    logger: quietLogger(log),
    taskList: tasksOf({ ...deps, transport: mail, threads }),
  };
  const working = await keepWorking(deps.config.databaseUrl, options, {
    log,
    mailFailingSince: () => mail.failingSince,
    jobEnded: (task, end) => figures?.jobEnded(task, end),
  }).catch(async (error: unknown) => {
    await threads.close();
    throw error;
  });
  return {
    async stop() {
      await working.stop();
      await threads.close();
    },
  };
}
