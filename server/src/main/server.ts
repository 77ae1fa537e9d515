import { createServer } from 'node:http';
import { Drain, drainMs, serveFigures, start } from '../kit';
import { buildServer } from './app';
import { equipment } from './equipment';

/** Longer than a proxy in front keeps an idle connection, so that no request meets one that is just closing. */
const keepAliveMs = 65_000;

/** Connections to the database are given back, when everybody has an answer. */
const closeMs = 3_000;

/** The HTTP process. It holds no state: start as many as are needed. */
start(async () => {
  const { config, log, db, clock } = await equipment(process.env);
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
