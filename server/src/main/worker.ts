import pino from 'pino';
import { demoClock, mailTransport, openDatabase, readConfig, start, systemClock } from '../kit';
import { startWorker } from './jobs';

/** The job process: reads sources, computes figures, sends mail. */
start(async () => {
  const config = readConfig(process.env);
  const log = pino({ level: config.logLevel });
  const db = openDatabase(config.databaseUrl);
  const clock = config.demoSchoolUrl ? demoClock(db) : systemClock;
  const runner = await startWorker({ db, clock, config, transport: mailTransport(config) }, log);
  log.info('working');
  const stop = (): void =>
    void runner
      .stop()
      .then(() => db.destroy())
      .then(() => process.exit(0));
  process.once('SIGTERM', stop).once('SIGINT', stop);
});
