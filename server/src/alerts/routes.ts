import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { alertRoutes, RehearsalLine, type Child } from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import { dateIn, type AlertRules } from '@cadro/core';
import type { Router } from 'express';
import { childrenFor, guardianById } from '../household';
import {
  addJobs,
  HttpProblem,
  mount,
  newRouter,
  paperLimits,
  Produced,
  takeTry,
  type Served,
  type ServerDeps,
  Streamed,
  threadKind,
} from '../kit';
import { deliveryJob } from './delivery/deliver';
import { digestNow } from './digests/digests';
import type * as program from './digests/digest.worker';
import type { LiveAlerts } from './live';
import { lookAtChildren } from './look';
import { guardianOfToken } from './delivery/mailStop';
import { deliveryOf, putOut } from './delivery/outboxStore';
import { dropDevice, putDevice } from './push/deviceStore';
import { takesPushes } from './push/service';
import { confirmPhoneBy, sendPhoneCode } from './phone';
import { rehearse } from './rehearsal/rehearsal';
import { alertSettings, changeSettings, checkedRules, settingsOf } from './settings';
import { mailBouncedAt } from './settingsStore';
import { addSilence, countStates, notify, removeSilence, setStates } from './store';
import { alertsFile, alertViews } from './views';

type Routes = (router: Served) => void;

const dayMs = 24 * 3_600_000;

const childrenOf = ({ db }: ServerDeps, guardianId: string): Promise<Child[]> =>
  childrenFor(db, guardianId, 'read-talk');

/** Who asks, in which language and on which day of theirs. */
async function asking(deps: ServerDeps, guardianId: string) {
  const { db, clock } = deps;
  const [children, settings, guardian, now] = await Promise.all([
    childrenOf(deps, guardianId),
    settingsOf(db, guardianId),
    guardianById(db, guardianId),
    clock.now(),
  ]);
  // The page is in the account's language; what is sent has its own.
  const language = guardian?.language ?? 'en';
  const today = dateIn(settings?.delivery.timeZone ?? 'UTC', now);
  return { guardianId, children, language, now, today };
}

/** What came, and how the guardian stands to it. */
const listRoutes: Routes = (router) => {
  mount(router, alertRoutes.list, async ({ deps, guardianId, query }) => {
    const ask = await asking(deps, guardianId);
    const ids = ask.children.map(({ id }) => id);
    return {
      alerts: await alertViews(deps.db, ask, query),
      counts: await countStates(deps.db, guardianId, ids),
    };
  });

  mount(router, alertRoutes.count, async ({ deps, guardianId }) => {
    const children = await childrenOf(deps, guardianId);
    const ids = children.map(({ id }) => id);
    const [counts, bouncedAt] = await Promise.all([
      countStates(deps.db, guardianId, ids),
      mailBouncedAt(deps.db, guardianId),
    ]);
    return { ...counts, mailBouncedAt: bouncedAt && bouncedAt.toISOString() };
  });

  mount(
    router,
    alertRoutes.file,
    async ({ deps, guardianId, query }) =>
      new Produced(
        Buffer.from(await alertsFile(deps.db, await asking(deps, guardianId), query)),
        'alerts.csv',
      ),
  );

  mount(router, alertRoutes.change, async ({ deps: { db }, guardianId, body }) => {
    if ((await setStates(db, guardianId, body.ids, body.state)) === 0) throw new HttpProblem('not-found');
    await notify(db, [guardianId], 'state');
  });
};

/** One alert. Its path fits every word: the routes above it come first. */
const oneRoute: Routes = (router) => {
  mount(router, alertRoutes.read, async ({ deps, guardianId, params }) => {
    const [alert] = await alertViews(deps.db, await asking(deps, guardianId), { id: params.alertId });
    if (!alert) throw new HttpProblem('not-found');
    return alert;
  });
};

/** What a guardian is told, and what not for a while. */
const settingsRoutes: Routes = (router) => {
  mount(router, alertRoutes.settings, ({ deps, guardianId, request }) =>
    alertSettings(deps, guardianId, request.sessionID),
  );

  mount(router, alertRoutes.changeSettings, async ({ deps, guardianId, body, request }) => {
    await changeSettings(deps, guardianId, body);
    if (body.rules) {
      const ids = (await childrenOf(deps, guardianId)).map(({ id }) => id);
      await lookAtChildren(deps, ids, guardianId);
    }
    return alertSettings(deps, guardianId, request.sessionID);
  });

  mount(router, alertRoutes.phoneCode, ({ deps, guardianId, body }) =>
    sendPhoneCode(deps, guardianId, body.phone),
  );

  mount(router, alertRoutes.phoneWorks, async ({ deps, guardianId, body, request }) => {
    await confirmPhoneBy(deps, guardianId, body.code);
    return alertSettings(deps, guardianId, request.sessionID);
  });

  mount(router, alertRoutes.silence, async ({ deps, guardianId, body }) => {
    const { courses } = await alertSettings(deps, guardianId);
    const children = await childrenOf(deps, guardianId);
    const childKnown = body.studentId === null || children.some(({ id }) => id === body.studentId);
    const course = courses.find(({ courseId }) => courseId === body.courseId);
    if (!childKnown || (body.courseId !== null && !course)) throw new HttpProblem('not-found');
    const id = await addSilence(deps.db, guardianId, body);
    await notify(deps.db, [guardianId], 'state');
    return { id, ...body, title: course?.title ?? null };
  });

  mount(router, alertRoutes.unsilence, async ({ deps: { db }, guardianId, params }) => {
    if (!(await removeSilence(db, guardianId, params.silenceId))) throw new HttpProblem('not-found');
    await notify(db, [guardianId], 'state');
  });
};

/** What the rules would have told, line by line while it is worked out. */
const rehearsalRoutes: Routes = (router) => {
  const rehearsed = async (
    deps: ServerDeps,
    guardianId: string,
    rules: AlertRules,
    write: (line: unknown) => void,
    until: AbortSignal,
  ) => {
    try {
      const rehearsal = await rehearse(deps, guardianId, rules, (done) => write({ done }), until);
      write({ rehearsal });
    } catch (error) {
      if (until.aborted) return;
      deps.log.error({ err: error instanceof Error ? error.name : 'unknown' }, 'a rehearsal failed');
      write({ failed: 'internal' });
    }
  };
  mount(router, alertRoutes.rehearse, ({ deps, guardianId, body, left }) => {
    const rules = checkedRules(body);
    return Promise.resolve(
      new Streamed(async (_request, response) => {
        response.writeHead(200, {
          'content-type': 'application/x-ndjson',
          'cache-control': 'no-store, no-transform',
        });
        const write = (line: unknown) =>
          response.write(`${JSON.stringify(parse('line of a rehearsal', RehearsalLine, line))}\n`);
        await rehearsed(deps, guardianId, rules, write, left);
        response.end();
      }),
    );
  });
};

/** Messages that only try a channel: so many by one person, and so many to one receiver, whoever asks. */
const testPatience = {
  free: 4,
  firstWaitSeconds: 120,
  longestWaitSeconds: 6 * 3600,
  forgetSeconds: 12 * 3600,
};

/** A digest is drawn apart. */
const printing = threadKind<typeof program>(join(__dirname, 'digests'), 'digest.worker', paperLimits);

/** The digest, as it would be now and on paper; and a message that only tries a channel. */
const digestRoutes: Routes = (router) => {
  mount(router, alertRoutes.test, async ({ deps: { db, clock, config }, guardianId, body: { channel } }) => {
    const now = await clock.now();
    const settings = await settingsOf(db, guardianId);
    const { phone } = settings?.delivery ?? {};
    const numberWorks = config.textGateway && phone && phone === settings?.phoneConfirmed;
    const there = { mail: true, text: numberWorks, push: settings?.pushed };
    if (!settings || !there[channel]) throw new HttpProblem('no-way');
    const to = { mail: settings.email.toLowerCase(), text: phone ?? '', push: guardianId }[channel];
    await takeTry(db, [
      { kind: 'test-by', of: guardianId, patience: testPatience },
      { kind: 'test-to', of: to, patience: testPatience },
    ]);
    const way = { guardianId, channel, about: 'test', alertId: null, digestId: null } as const;
    const [id] = await putOut(db, [{ ...way, key: `test:${randomUUID()}`, told: [], notBefore: null }], now);
    const delivery = id && (await deliveryOf(db, guardianId, id));
    if (!delivery) throw new Error('a try could not be put out');
    await addJobs(db, [deliveryJob(delivery.id)]);
    return delivery;
  });

  mount(router, alertRoutes.digest, async ({ deps, guardianId }) =>
    digestNow(deps, guardianId, await childrenOf(deps, guardianId)),
  );

  mount(router, alertRoutes.digestPaper, async ({ deps, guardianId }) => {
    const { delivery } = await alertSettings(deps, guardianId);
    const content = await digestNow(deps, guardianId, await childrenOf(deps, guardianId));
    const ask = { content, rhythm: content.rhythm, language: delivery.language };
    const bytes = await deps.threads.of(printing).run('digestPaper', ask, { whose: guardianId });
    return new Produced(bytes, 'digest.pdf');
  });
};

/** The devices that alerts are pushed to. */
const deviceRoutes: Routes = (router) => {
  mount(router, alertRoutes.addDevice, async ({ deps, guardianId, body, request }) => {
    const { db, config, clock } = deps;
    if (!takesPushes(config, body)) {
      const message = 'must be a key that something can be encrypted for';
      throw new HttpProblem('bad-request', { errors: [{ path: '/keys', message }] });
    }
    // What is pushed ends with the session: it is kept, like one that was asked to be.
    const { session, sessionID } = request;
    session.kept = true;
    session.cookie.maxAge = config.sessions.keptDays * dayMs;
    const put = { guardianId, sessionId: sessionID, device: session.device ?? '', reach: body };
    return putDevice(db, config.secret, put, await clock.now());
  });
  mount(router, alertRoutes.dropDevice, async ({ deps: { db }, guardianId, params }) => {
    if (!(await dropDevice(db, guardianId, params.deviceId))) throw new HttpProblem('not-found');
  });
};

/** Mail is stopped, and taken up again, by the link in it: whoever has that needs no session. */
const mailStopRoutes: Routes = (router) => {
  const setStopped = async (deps: ServerDeps, token: string, mailStopped: boolean): Promise<void> => {
    const guardianId = guardianOfToken(deps.config.secret, token);
    if (!guardianId || !(await guardianById(deps.db, guardianId))) throw new HttpProblem('not-found');
    await changeSettings(deps, guardianId, { mailStopped });
  };
  mount(router, alertRoutes.stopMail, ({ deps, params }) => setStopped(deps, params.token, true));
  mount(router, alertRoutes.takeUpMail, ({ deps, params }) => setStopped(deps, params.token, false));
};

/** The routes of alerts: what came, what is told and how, rehearsal, digests. */
export function alertRouter(given: ServerDeps, live: LiveAlerts): Router {
  const router = newRouter(given);
  listRoutes(router);
  mount(router, alertRoutes.live, ({ guardianId }) =>
    Promise.resolve(new Streamed((request, response) => live.attach(guardianId, request, response))),
  );
  settingsRoutes(router);
  rehearsalRoutes(router);
  digestRoutes(router);
  deviceRoutes(router);
  oneRoute(router);
  mailStopRoutes(router);
  return router;
}
