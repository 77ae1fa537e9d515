import { createServer } from 'node:http';
import pino from 'pino';
import { demoClock, openDatabase, readConfig, start, systemClock } from '../kit';
import { buildServer } from './app';

/** Longer than a proxy in front keeps an idle connection, so that no request meets one that is just closing. */
const keepAliveMs = 65_000;

/** The HTTP process. It holds no state: start as many as are needed. */
start(() => {
  const config = readConfig(process.env);
  const log = pino({ level: config.logLevel });
  const db = openDatabase(config.databaseUrl);
  const clock = config.demoSchoolUrl ? demoClock(db) : systemClock;
  const server = buildServer({ db, clock, config, log });
  const http = createServer(server.app);
  http.keepAliveTimeout = keepAliveMs;
  http.listen(config.port, config.host, () => log.info({ port: config.port }, 'listening'));
  const stop = (): void => {
    http.close(
      () =>
        void server
          .close()
          .then(() => db.destroy())
          .then(() => process.exit(0)),
    );
    http.closeIdleConnections();
    setTimeout(() => process.exit(0), 3000).unref();
  };
  process.once('SIGTERM', stop).once('SIGINT', stop);
});
