import { keepingRoutes, type Safety } from '@cadro/contract';
import type { Request, Router } from 'express';
import {
  HttpProblem,
  mount,
  newRouter,
  renewSession,
  takeTry,
  type Served,
  type ServerDeps,
} from '../../kit';
import { wantAccountMail } from '../mail/accountMailStore';
import { meOf, requireGuardian } from '../me';
import { setLeaving, type GuardianRow } from '../store';
import { addToTrail } from '../trail/trailStore';
import { changeOf } from './addressChangeStore';
import { changePassword, keepAddress, wantAddress } from './addresses';
import { leave } from './leaving';
import { askForNewPasskey, keepNewPasskey } from './passkeys';
import { dropPasskey, passkeysOf } from './passkeyStore';
import { dropOneTime, recoveryLeft } from './oneTimeStore';
import { beginOneTime, confirmOneTime, secondStepsOf } from './secondStep';
import { endSessionOf, endSessions, sessionId, sessionsOf } from './sessionStore';
import { requirePassword } from './signIn';

const mailAgain = { free: 3, firstWaitSeconds: 300, longestWaitSeconds: 6 * 3600, forgetSeconds: 24 * 3600 };
const hourMs = 3_600_000;

/** How an account is kept safe, as its owner sees it. */
async function safetyOf(deps: ServerDeps, guardian: GuardianRow, request: Request): Promise<Safety> {
  const { db, config } = deps;
  const change = await changeOf(db, guardian.id);
  const current = await sessionId(db, request.sessionID);
  const usedAt = (expire: Date, kept: boolean): string => {
    const lasts = kept ? config.sessions.keptDays * 24 * hourMs : config.sessions.idleHours * hourMs;
    return new Date(expire.getTime() - lasts).toISOString();
  };
  return {
    email: guardian.email,
    confirmed: guardian.confirmed_at !== null,
    change: change
      ? { email: change.address, oldConfirmed: change.from_at !== null, newConfirmed: change.to_at !== null }
      : null,
    sessions: (await sessionsOf(db, guardian.id)).map(({ id, device, since, kept, expire }) => ({
      ...{ id, device: device ?? '', since: new Date(since).toISOString(), kept },
      ...{ usedAt: usedAt(expire, kept), current: id === current },
    })),
    passkeys: (await passkeysOf(db, guardian.id)).map(({ id, name, made_at, used_at }) => ({
      ...{ id, name, madeAt: made_at.toISOString(), usedAt: used_at?.toISOString() ?? null },
    })),
    oneTime: (await secondStepsOf(db, guardian.id)).oneTime,
    recoveryLeft: await recoveryLeft(db, guardian.id),
  };
}

/** Who is signed in, and has given the password once more. */
async function proven(deps: ServerDeps, guardianId: string, password: string): Promise<GuardianRow> {
  const guardian = await requireGuardian(deps, guardianId);
  await requirePassword(deps, guardian, password);
  return guardian;
}

/** The ways to show who one is besides the password. */
function addWays(router: Served): void {
  const changedStep = async ({ db, clock }: ServerDeps, guardianId: string) =>
    addToTrail(db, { at: await clock.now(), kind: 'second-step-changed', personId: guardianId });
  mount(router, keepingRoutes.passkeyOptions, async ({ deps, guardianId, body, request }) => {
    const guardian = await proven(deps, guardianId, body.password);
    return { options: await askForNewPasskey(deps, request, guardian) };
  });
  mount(router, keepingRoutes.addPasskey, async ({ deps, guardianId, body, request }) => {
    await keepNewPasskey(deps, request, guardianId, body);
    await changedStep(deps, guardianId);
    await renewSession(request);
    return safetyOf(deps, await requireGuardian(deps, guardianId), request);
  });
  mount(router, keepingRoutes.dropPasskey, async ({ deps, guardianId, params, body, request }) => {
    const guardian = await proven(deps, guardianId, body.password);
    if (!(await dropPasskey(deps.db, guardianId, params.passkeyId))) throw new HttpProblem('not-found');
    await changedStep(deps, guardianId);
    return safetyOf(deps, guardian, request);
  });
  mount(router, keepingRoutes.oneTime, async ({ deps, guardianId, body }) =>
    beginOneTime(deps, await proven(deps, guardianId, body.password)),
  );
  mount(router, keepingRoutes.oneTimeWorks, async ({ deps, guardianId, body, request }) => {
    const recoveryCodes = await confirmOneTime(deps, guardianId, body.code);
    await changedStep(deps, guardianId);
    await renewSession(request);
    return { recoveryCodes };
  });
  mount(router, keepingRoutes.dropOneTime, async ({ deps, guardianId, body }) => {
    await proven(deps, guardianId, body.password);
    await dropOneTime(deps.db, guardianId);
    await changedStep(deps, guardianId);
  });
}

export function keepingRouter(given: ServerDeps): Router {
  const router = newRouter(given);
  mount(router, keepingRoutes.safety, async ({ deps, guardianId, request }) =>
    safetyOf(deps, await requireGuardian(deps, guardianId), request),
  );
  mount(router, keepingRoutes.confirmAgain, async ({ deps, guardianId }) => {
    const guardian = await requireGuardian(deps, guardianId);
    if (guardian.confirmed_at !== null) return;
    await takeTry(deps.db, [{ kind: 'confirm-again', of: guardianId, patience: mailAgain }]);
    const params = { name: guardian.given_name };
    await wantAccountMail(deps.db, guardian, { kind: 'confirm', params }, await deps.clock.now());
  });
  mount(router, keepingRoutes.password, async ({ deps, guardianId, body, request }) => {
    const guardian = await proven(deps, guardianId, body.password);
    await changePassword(deps, guardian, body.next, request.sessionID);
    await renewSession(request);
  });
  mount(router, keepingRoutes.address, async ({ deps, guardianId, body }) => {
    const guardian = await proven(deps, guardianId, body.password);
    await takeTry(deps.db, [{ kind: 'change-address', of: guardianId, patience: mailAgain }]);
    await wantAddress(deps, guardian, body.email);
  });
  mount(router, keepingRoutes.keepAddress, ({ deps: { db }, guardianId }) => keepAddress(db, guardianId));
  mount(router, keepingRoutes.endSession, async ({ deps: { db }, guardianId, params }) => {
    if (!(await endSessionOf(db, guardianId, params.sessionId))) throw new HttpProblem('not-found');
  });
  mount(router, keepingRoutes.endOthers, ({ deps: { db }, guardianId, request }) =>
    endSessions(db, guardianId, request.sessionID),
  );
  mount(router, keepingRoutes.leave, async ({ deps, guardianId, body, request }) => {
    await leave(deps, await proven(deps, guardianId, body.password), request.sessionID);
    return meOf(deps, guardianId);
  });
  mount(router, keepingRoutes.stay, async ({ deps, guardianId }) => {
    await setLeaving(deps.db, guardianId, null);
    return meOf(deps, guardianId);
  });
  addWays(router);
  return router;
}
