import { createServer } from 'node:http';
import {
  demoClock,
  Drain,
  drainMs,
  newLog,
  openDatabase,
  readConfig,
  requireWholeSessions,
  serveFigures,
  start,
  systemClock,
} from '../kit';
import { buildServer } from './app';

/** Longer than a proxy in front keeps an idle connection, so that no request meets one that is just closing. */
const keepAliveMs = 65_000;

/** Connections to the database are given back, when everybody has an answer. */
const closeMs = 3_000;

/** The HTTP process. It holds no state: start as many as are needed. */
start(async () => {
  const config = readConfig(process.env);
  const log = newLog(config.logLevel);
  await requireWholeSessions(config.databaseUrl);
  const db = openDatabase(config.databaseUrl);
  const clock = config.demoSchoolUrl ? demoClock(db) : systemClock;
  const server = buildServer({ db, clock, config, log });
  const http = createServer(server.app);
  http.keepAliveTimeout = keepAliveMs;
  http.listen(config.port, config.host, () => {
    const address = http.address();
    log.info({ port: typeof address === 'object' && address ? address.port : config.port }, 'listening');
  });
  const figuresPort = config.metrics.server;
  if (figuresPort !== null)
    await serveFigures(server.figures, { host: config.metrics.host, port: figuresPort });
  const drain = new Drain(http);
  const stop = async (): Promise<void> => {
    setTimeout(() => process.exit(1), drainMs + closeMs).unref();
    server.stopStreams();
    const left = await drain.end();
    if (left > 0) log.error({ left }, 'ended before everybody had an answer');
    await server.close();
    await db.destroy();
    process.exit(0);
  };
  process.once('SIGTERM', () => void stop()).once('SIGINT', () => void stop());
});
