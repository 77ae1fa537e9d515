import { drainMs, mailTransport, serveFigures, start } from '../kit';
import { equipment } from './equipment';
import { startWorker } from './jobs';
import { WorkerFigures } from './metrics';

/** The job process: reads sources, computes figures, sends mail. */
start(async () => {
  const { config, log, db, clock } = await equipment(process.env);
  const { host, worker: port } = config.metrics;
  const figures = new WorkerFigures(db);
  if (port !== null) await serveFigures(figures, { host, port });
  const runner = await startWorker({ db, clock, config, transport: mailTransport(config) }, log, { figures });
  log.info('working');
  const stop = (): void => {
    // What runs longer is begun anew by the next worker.
    setTimeout(() => process.exit(1), drainMs).unref();
    void runner
      .stop()
      .then(() => db.destroy())
      .then(() => process.exit(0));
  };
  process.once('SIGTERM', stop).once('SIGINT', stop);
});
