import { allRoutes, openApiDocument } from '@cadro/contract';
import compression from 'compression';
import connectPgSimple from 'connect-pg-simple';
import express, { Router, type Express } from 'express';
import session from 'express-session';
import { Pool } from 'pg';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { attendanceRouter } from '../attendance';
import type { Config } from '../config';
import type { Clock, Db } from '../db';
import { demoRouter } from '../demo';
import { followUpRouter } from '../followups';
import { gradebookRouter, termRouter } from '../gradebook';
import { householdRouter } from '../household';
import { planRouter, Solver } from '../plan';
import { inboundMailRouter, messageRouter } from '../messages';
import { computeFigures, outlookRouter } from '../outlook';
import { sourceRouter } from '../sources';
import { loginLimit } from './loginLimit';
import { answerProblems, HttpProblem } from './problems';
import { headers, ownOriginOnly } from './protect';
import { webApp } from './webApp';

export interface ServerDeps {
  readonly db: Db;
  readonly clock: Clock;
  readonly config: Config;
  readonly log: Logger;
}

const uuids = /[0-9a-f]{8}-[0-9a-f-]{27}/g;

/** Method, path without ids, status and time: enough to operate, nothing about a child. */
const requestLog = (log: Logger) =>
  pinoHttp({
    logger: log,
    autoLogging: { ignore: (request) => !request.url?.startsWith('/api') },
    serializers: {
      req: (request: { method: string; url: string }) => ({
        method: request.method,
        path: request.url.split('?')[0]?.replace(uuids, ':id'),
      }),
      res: (response: { statusCode: number }) => ({ status: response.statusCode }),
    },
  });

function sessions(config: Config, pool: Pool) {
  const Store = connectPgSimple(session);
  return session({
    name: 'cadro.session',
    secret: config.secret,
    resave: false,
    saveUninitialized: false,
    rolling: true,
    store: new Store({ pool, tableName: 'sessions', pruneSessionInterval: 3600 }),
    cookie: {
      httpOnly: true,
      sameSite: 'lax',
      secure: config.publicUrl.startsWith('https:'),
      maxAge: 30 * 24 * 60 * 60 * 1000,
    },
  });
}

function apiRouter(deps: ServerDeps, solver: Solver): Router {
  const router = Router();
  router.post('/api/session', loginLimit(deps.db));
  for (const build of [
    householdRouter,
    outlookRouter,
    (room: ServerDeps) => gradebookRouter(room, (studentId) => computeFigures(room, studentId)),
    termRouter,
    (room: ServerDeps) => planRouter(room, solver),
    attendanceRouter,
    followUpRouter,
    messageRouter,
    sourceRouter,
  ]) {
    router.use(build(deps));
  }
  if (deps.config.demoSchoolUrl) router.use(demoRouter(deps, deps.config.demoSchoolUrl));
  return router;
}

function health({ db }: ServerDeps): Router {
  const router = Router();
  router.get('/healthz', (_request, response) => void response.json({ ok: true }));
  router.get('/readyz', async (_request, response) => {
    const ready = await db.raw('select 1').then(
      () => true,
      () => false,
    );
    response.status(ready ? 200 : 503).json({ ok: ready });
  });
  return router;
}

export interface Server {
  readonly app: Express;
  close(): Promise<void>;
}

/** The whole server: health, mail from outside, the interface, and the app itself. */
export function buildServer(deps: ServerDeps): Server {
  const { config, log } = deps;
  const pool = new Pool({ connectionString: config.databaseUrl, max: 4 });
  const document = openApiDocument(allRoutes);
  const app = express();
  app.disable('x-powered-by');
  app.use(requestLog(log), headers(config), compression(), health(deps), inboundMailRouter(deps));
  app.get('/api/openapi.json', (_request, response) => void response.json(document));
  app.use('/api', ownOriginOnly(config), express.json({ limit: '256kb' }), sessions(config, pool));
  app.use('/api', (_request, response, next) => {
    response.setHeader('cache-control', 'no-store');
    next();
  });
  const solver = new Solver();
  app.use(apiRouter(deps, solver));
  app.use('/api', () => {
    throw new HttpProblem('not-found');
  });
  if (config.appDir) app.use(webApp(config.appDir));
  app.use(() => {
    throw new HttpProblem('not-found');
  });
  app.use(answerProblems(log));
  return {
    app,
    async close() {
      await Promise.all([pool.end(), solver.close()]);
    },
  };
}
