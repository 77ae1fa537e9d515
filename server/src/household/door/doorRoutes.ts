import { doorRoutes } from '@cadro/contract';
import type { Router } from 'express';
import { addJobs, callerOf, mount, newRouter, takeTry, type Counted, type ServerDeps } from '../../kit';
import { confirmByToken, newPasswordBy } from '../keeping/addresses';
import { askForPasskey, ownerOfPasskey } from '../keeping/passkeys';
import { checkSecondStep, secondStepsOf } from '../keeping/secondStep';
import { halfSignedIn, signInAs } from '../keeping/signIn';
import { meOf } from '../me';
import { countCode } from './codeTries';
import { comeIn, comeLater, lookAt } from './comeIn';
import type { HouseholdHooks } from './ways';

const hour = 3600;
/** Mails that anybody may ask for: so many to one address, and so many from one. */
const mailPatience = {
  to: { free: 3, firstWaitSeconds: 600, longestWaitSeconds: 12 * hour, forgetSeconds: 24 * hour },
  from: { free: 20, firstWaitSeconds: 30, longestWaitSeconds: hour, forgetSeconds: 6 * hour },
  /** New accounts from one address: a school's evening brings many, a program more. */
  made: { free: 60, firstWaitSeconds: 5, longestWaitSeconds: hour, forgetSeconds: 6 * hour },
  token: { free: 30, firstWaitSeconds: 5, longestWaitSeconds: hour, forgetSeconds: 6 * hour },
} as const;

export function doorRouter(given: ServerDeps, hooks: HouseholdHooks): Router {
  const router = newRouter(given);
  const { db } = given;
  const count = (...keys: Counted[]) => takeTry(db, keys);
  mount(router, doorRoutes.look, ({ deps, body, request }) =>
    countCode(deps, request, null, () => lookAt(deps, body.code)),
  );
  mount(router, doorRoutes.come, async ({ deps, body, request, response }) => {
    await count({ kind: 'made', of: callerOf(request), patience: mailPatience.made });
    const guardianId = await countCode(deps, request, null, () => comeIn(deps, body, hooks));
    await signInAs(deps, request, response, { guardianId, kept: body.keep });
    return meOf(deps, guardianId);
  });
  const mailAsked = (kind: string, email: string, from: string) =>
    count(
      { kind: `${kind}-from`, of: from, patience: mailPatience.from },
      { kind: `${kind}-to`, of: email.toLowerCase(), patience: mailPatience.to },
    );
  mount(router, doorRoutes.later, async ({ deps, body, request }) => {
    await mailAsked('later', body.email, callerOf(request));
    await comeLater(deps, body);
  });
  mount(router, doorRoutes.forgotten, async ({ deps: { db }, body, request }) => {
    await mailAsked('forgotten', body.email, callerOf(request));
    await addJobs(db, [{ task: 'answerForgotten', payload: { email: body.email } }]);
  });
  mount(router, doorRoutes.confirm, async ({ deps, body, request }) => {
    await count({ kind: 'token', of: callerOf(request), patience: mailPatience.token });
    return confirmByToken(deps, body.token, hooks);
  });
  mount(router, doorRoutes.newPassword, async ({ deps, body, request }) => {
    await count({ kind: 'token', of: callerOf(request), patience: mailPatience.token });
    await newPasswordBy(deps, body);
  });
  mount(router, doorRoutes.secondSteps, async ({ deps, request }) =>
    secondStepsOf(deps.db, (await halfSignedIn(deps, request)).guardianId),
  );
  mount(router, doorRoutes.second, async ({ deps, body, request, response }) => {
    const half = await halfSignedIn(deps, request);
    await checkSecondStep(deps, half.guardianId, body.code);
    await signInAs(deps, request, response, half);
    return meOf(deps, half.guardianId);
  });
  mount(router, doorRoutes.passkeyAsked, async ({ deps, body, request }) => {
    const half = request.session.half ? await halfSignedIn(deps, request) : null;
    if (!half) request.session.kept = body.keep;
    return { options: await askForPasskey(deps, request, half?.guardianId ?? null) };
  });
  mount(router, doorRoutes.passkey, async ({ deps, body, request, response }) => {
    const kept = request.session.half?.kept ?? request.session.kept ?? false;
    const guardianId = await ownerOfPasskey(deps, request, body.answer);
    await signInAs(deps, request, response, { guardianId, kept });
    return meOf(deps, guardianId);
  });
  return router;
}
