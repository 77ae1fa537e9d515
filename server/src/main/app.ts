import { allRoutes, openApiDocument } from '@cadro/contract';
import compression from 'compression';
import connectPgSimple from 'connect-pg-simple';
import express, { Router, type Express, type RequestHandler } from 'express';
import session from 'express-session';
import { Pool } from 'pg';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { alertRouter, LiveAlerts, Rehearser } from '../alerts';
import { attendanceRouter } from '../attendance';
import { briefRouter } from '../brief';
import { calendarPages, calendarRouter, elsewherePages, touchedByPattern } from '../calendar';
import { followUpRouter } from '../followups';
import { gradebookRouter, termRouter } from '../gradebook';
import { draftRouter, householdRouter } from '../household';
import {
  addressLimit,
  answerProblems,
  headers,
  HttpProblem,
  loginLimit,
  ownOriginOnly,
  webApp,
  type Config,
  type ServerDeps,
} from '../kit';
import { messageRouter, threadWith } from '../messages';
import { outlookRouter } from '../outlook';
import { planRouter, Solver } from '../plan';
import { sourceRouter } from '../sources';
import { demoRouter } from './demo';
import { gradebookHooks, onFigures, onLinked } from './hooks';
import { inboundMailRouter } from './inboundMail';

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

/** What stands under a secret address is kept by its reader alone, and asked for anew each time. */
const secretAddress: RequestHandler = (_request, response, next) => {
  response.setHeader('cache-control', 'private, no-cache');
  response.setHeader('x-robots-tag', 'noindex');
  next();
};

/** What a process keeps running beside its answers. */
interface Helpers {
  readonly solver: Solver;
  readonly live: LiveAlerts;
  readonly rehearser: Rehearser;
}

function apiRouter(deps: ServerDeps, { solver, live, rehearser }: Helpers): Router {
  const router = Router();
  router.post('/api/session', loginLimit(deps.db));
  router.use('/calendar', addressLimit(deps.db), secretAddress);
  router.use(
    householdRouter(deps, onLinked),
    draftRouter(deps),
    sourceRouter(deps),
    attendanceRouter(deps, touchedByPattern(deps)),
    gradebookRouter(deps, gradebookHooks(deps)),
    termRouter(deps),
    followUpRouter(deps, (about) => threadWith(deps.db, about)),
    messageRouter(deps),
    alertRouter(deps, live, rehearser),
    outlookRouter(deps, onFigures),
    planRouter(deps, solver),
    calendarRouter(deps),
    calendarPages(deps),
    elsewherePages(deps),
    briefRouter(deps),
  );
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

/** Where whole files come in, as text in JSON. */
const fileRoutes = ['/api/calendar/imports', '/api/students/:studentId/attendance/marks'];

/** The whole server: health, mail from outside, the interface, and the app itself. */
export function buildServer(deps: ServerDeps): Server {
  const { config, log } = deps;
  const pool = new Pool({ connectionString: config.databaseUrl, max: 4 });
  const document = openApiDocument(allRoutes);
  const app = express();
  app.disable('x-powered-by');
  app.use(requestLog(log), headers(config), compression(), health(deps), inboundMailRouter(deps));
  app.get('/api/openapi.json', (_request, response) => void response.json(document));
  app.use('/api', ownOriginOnly(config));
  app.use(fileRoutes, express.json({ limit: '7mb' }));
  app.use('/api', express.json({ limit: '256kb' }), sessions(config, pool));
  app.use('/api', (_request, response, next) => {
    response.setHeader('cache-control', 'no-store');
    next();
  });
  const helpers = {
    solver: new Solver(),
    live: new LiveAlerts(config, log),
    rehearser: new Rehearser(),
  };
  app.use(apiRouter(deps, helpers));
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
      // The streams end first: each of them touches its session once more.
      await helpers.live.close();
      await Promise.all([pool.end(), helpers.solver.close(), helpers.rehearser.close()]);
    },
  };
}
