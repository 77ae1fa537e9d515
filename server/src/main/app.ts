import { allRoutes, openApiDocument } from '@cadro/contract';
import compression from 'compression';
import express, { type Express, type RequestHandler, type Response, type Router } from 'express';
import { Pool } from 'pg';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { alertRouter, LiveAlerts, Rehearser } from '../alerts';
import { attendanceRouter } from '../attendance';
import { briefRouter } from '../brief';
import { CalendarReader, calendarPages, calendarRouter, elsewherePages, touchedByPattern } from '../calendar';
import { followUpRouter } from '../followups';
import { gradebookRouter, outRouter, providerRouter, termRouter } from '../gradebook';
import {
  doorRouter,
  draftRouter,
  householdRouter,
  keepingRouter,
  onFileRouter,
  notesLooks,
  peopleRouter,
  trailRouter,
} from '../household';
import {
  addressLimit,
  answerProblems,
  headers,
  HttpProblem,
  newRouter,
  ownOriginOnly,
  sessions,
  systemClock,
  type Clock,
  type ServerDeps,
  webApp,
} from '../kit';
import { messageRouter, threadWith } from '../messages';
import { operatorRouter } from '../operator';
import { deskRouter } from '../desk';
import { answersAbout, outlookRouter } from '../outlook';
import { planRouter, Solver } from '../plan';
import { MailReader, ownRouter, sourceRouter, Winnower } from '../sources';
import { demoRouter } from './demo';
import { exportRouter } from './exported';
import { gradebookHooks, householdHooks, onFigures, ownHooks, restrictingHooks } from './hooks';
import { inboundMailRouter } from './inboundMail';

const none = '(none)';
const routeOf = (response: Response): string => String(response.locals?.['route'] ?? none);

/** Method, pattern of the address, status and time: enough to operate, nothing about a child, and no secret address. */
const requestLog = (log: Logger) =>
  pinoHttp({
    logger: log,
    serializers: {
      req: ({ method }: { method: string }) => ({ method }),
      res: (response: { statusCode: number }) => ({ status: response.statusCode }),
    },
    // Known when the answer goes out, and said once.
    customSuccessObject: (_request, response, said: object) => ({
      ...said,
      path: routeOf(response as Response),
    }),
    customErrorObject: (_request, response, _error, said: object) => ({
      ...said,
      path: routeOf(response as Response),
    }),
    customLogLevel: (request, response, error) => {
      if (error) return 'error';
      // The app's own files are no requests for anything of anybody.
      return routeOf(response as Response) === none && !/^\/(api|calendar)\b/i.test(request.url ?? '')
        ? 'silent'
        : 'info';
    },
  });

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
  readonly winnower: Winnower;
  readonly mailReader: MailReader;
  readonly calendars: CalendarReader;
}

function apiRouter(deps: ServerDeps, { solver, live, rehearser, winnower, calendars }: Helpers): Router {
  const router = newRouter(deps);
  router.use('/calendar', addressLimit(deps.db), secretAddress);
  router.use(
    householdRouter(deps, householdHooks),
    doorRouter(deps, householdHooks),
    keepingRouter(deps),
    peopleRouter(deps),
    exportRouter(deps),
    trailRouter(deps),
    onFileRouter(deps),
    draftRouter(deps),
    sourceRouter(deps),
    ownRouter(deps, winnower, ownHooks),
    attendanceRouter(deps, touchedByPattern(deps)),
    gradebookRouter(deps, gradebookHooks(deps)),
    termRouter(deps),
    outRouter(deps),
    providerRouter(deps),
    followUpRouter(deps, { threadWith, answersAbout }),
    messageRouter(deps),
    alertRouter(deps, live, rehearser),
    outlookRouter(deps, onFigures),
    planRouter(deps, solver),
    deskRouter(deps),
    calendarRouter(deps),
    calendarPages(deps),
    elsewherePages(deps, calendars, ownHooks),
    briefRouter(deps),
    operatorRouter(deps, restrictingHooks),
  );
  if (deps.config.demoSchoolUrl) router.use(demoRouter(deps, deps.config.demoSchoolUrl));
  return router;
}

function health(given: ServerDeps): Router {
  const { db } = given;
  const router = newRouter(given);
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
export function buildServer(handed: Omit<ServerDeps, 'wall'> & { readonly wall?: Clock }): Server {
  const deps: ServerDeps = { wall: systemClock, ...handed };
  const { config, log } = deps;
  const pool = new Pool({ connectionString: config.databaseUrl, max: 4 });
  const document = openApiDocument(allRoutes);
  const app = express();
  const helpers = {
    solver: new Solver(),
    live: new LiveAlerts(config, log),
    rehearser: new Rehearser(),
    winnower: new Winnower(),
    mailReader: new MailReader(),
    calendars: new CalendarReader(),
  };
  app.disable('x-powered-by');
  app.set('trust proxy', config.trustedProxies);
  app.set('case sensitive routing', true);
  app.use(
    requestLog(log),
    headers(config),
    compression(),
    health(deps),
    inboundMailRouter(deps, helpers.mailReader),
  );
  app.get('/api/openapi.json', (_request, response) => void response.json(document));
  app.use('/api', ownOriginOnly(config));
  app.use('/api', ...sessions(config, pool), notesLooks(deps));
  app.use('/api', (_request, response, next) => {
    response.setHeader('cache-control', 'no-store');
    next();
  });
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
      await Promise.all([
        pool.end(),
        helpers.solver.close(),
        helpers.rehearser.close(),
        helpers.winnower.close(),
        helpers.mailReader.close(),
        helpers.calendars.close(),
      ]);
    },
  };
}
