import { allRoutes, openApiDocument } from '@cadro/contract';
import compression from 'compression';
import express, { type Express, type RequestHandler, type Router } from 'express';
import { alertRouter, LiveAlerts } from '../alerts';
import { announcementRouter } from '../announcements';
import { aroundRouter } from '../around';
import { attendanceRouter } from '../attendance';
import { briefRouter } from '../brief';
import {
  calendarPages,
  calendarRouter,
  elsewherePages,
  takenIntoCalendar,
  touchedByPattern,
} from '../calendar';
import { contactRouter } from '../contacts';
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
  DatabaseWatch,
  headers,
  HttpProblem,
  newRouter,
  openPool,
  ownOriginOnly,
  refuseWhileAway,
  sessions,
  systemClock,
  Threads,
  type Clock,
  type ServerDeps,
  webApp,
} from '../kit';
import { meetingRouter } from '../meetings';
import { messageRouter, threadWith } from '../messages';
import { noteRouter } from '../notes';
import { operatorRouter } from '../operator';
import { deskRouter } from '../desk';
import { answersAbout, outlookRouter } from '../outlook';
import { planRouter } from '../plan';
import { sitdownRouter } from '../sitdown';
import { searchRouter } from '../search';
import { ownRouter, sourceRouter } from '../sources';
import { aheadOf } from './ahead';
import { demoRouter } from './demo';
import { exportRouter } from './exported';
import { gradebookHooks, householdHooks, onFigures, ownHooks, restrictingHooks } from './hooks';
import { Health, healthRouter } from './health';
import { inboundMailRouter } from './inboundMail';
import { ServerFigures } from './metrics';
import { requestLog } from './requestLog';

/** What stands under a secret address is kept by its reader alone, and asked for anew each time. */
const secretAddress: RequestHandler = (_request, response, next) => {
  response.setHeader('cache-control', 'private, no-cache');
  response.setHeader('x-robots-tag', 'noindex');
  next();
};

/** A session that is not read after so long is not read at all. */
const sessionMs = 10_000;

function apiRouter(deps: ServerDeps, live: LiveAlerts): Router {
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
    ownRouter(deps, ownHooks),
    attendanceRouter(deps, touchedByPattern(deps)),
    gradebookRouter(deps, gradebookHooks(deps)),
    termRouter(deps),
    outRouter(deps),
    providerRouter(deps),
    followUpRouter(deps, { threadWith, answersAbout }),
    contactRouter(deps),
    aroundRouter(deps),
    messageRouter(deps),
    meetingRouter(deps),
    noteRouter(deps),
    searchRouter(deps),
    sitdownRouter(deps),
    announcementRouter(deps, takenIntoCalendar(deps)),
    alertRouter(deps, live),
    outlookRouter(deps, onFigures),
    planRouter(deps),
    deskRouter(deps),
    calendarRouter(deps),
    calendarPages(deps),
    elsewherePages(deps, ownHooks),
    briefRouter(deps),
    operatorRouter(deps, restrictingHooks),
  );
  if (deps.config.demoSchoolUrl) router.use(demoRouter(deps, deps.config.demoSchoolUrl));
  return router;
}

export interface Server {
  readonly app: Express;
  /** Ends the streams, which would not end by themselves, and says that it is ending. */
  stopStreams(): void;
  /** What the process counts of its requests. */
  readonly figures: ServerFigures;
  close(): Promise<void>;
}

/** The address in a mail by which all mail is stopped is a page; one click in a mail program is a POST to it (RFC 8058). */
const oneClick: RequestHandler = (request, _response, next) => {
  if (request.method === 'POST' && request.path.startsWith('/mail-stop/')) request.url = `/api${request.url}`;
  next();
};

/** The whole server: health, mail from outside, the interface, and the app itself. */
export function buildServer(
  handed: Omit<ServerDeps, 'wall' | 'threads'> & {
    readonly wall?: Clock;
    readonly databaseAnswersMs?: number;
  },
): Server {
  const deps: ServerDeps = { wall: systemClock, threads: new Threads(), ...handed };
  const { config, log } = deps;
  const pool = openPool(config.databaseUrl, { max: 4, query_timeout: sessionMs });
  const watch = new DatabaseWatch(config.databaseUrl, log, handed.databaseAnswersMs);
  const health = new Health(deps, watch);
  const figures = new ServerFigures(deps.db, watch);
  const document = openApiDocument(allRoutes);
  const app = express();
  const live = new LiveAlerts(config, log);
  app.disable('x-powered-by');
  app.set('trust proxy', config.trustedProxies);
  app.set('case sensitive routing', true);
  app.use(figures.observe, requestLog(log), headers(config), compression(), healthRouter(deps, health));
  app.use(oneClick);
  app.use(['/api', '/calendar'], refuseWhileAway(watch));
  app.use(inboundMailRouter(deps));
  app.get('/api/openapi.json', (_request, response) => void response.json(document));
  app.use('/api', ownOriginOnly(config));
  app.use('/api', ...sessions(config, pool), notesLooks(deps));
  app.use('/api', (_request, response, next) => {
    response.setHeader('cache-control', 'no-store');
    next();
  });
  app.use(apiRouter(deps, live));
  app.use('/api', () => {
    throw new HttpProblem('not-found');
  });
  if (config.appDir) app.use(webApp(config.appDir, aheadOf));
  app.use(() => {
    throw new HttpProblem('not-found');
  });
  app.use(answerProblems(log, watch));
  return {
    app,
    figures,
    stopStreams() {
      health.stopping = true;
      live.end();
    },
    async close() {
      // The streams end first: each of them touches its session once more.
      live.end();
      await live.close();
      watch.close();
      await Promise.all([pool.end(), deps.threads.close()]);
    },
  };
}
