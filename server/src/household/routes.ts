import { householdRoutes } from '@cadro/contract';
import type { Router } from 'express';
import { endSession, mount, newRouter, renewSession, type ServerDeps } from '../kit';
import { countCode } from './door/codeTries';
import { linkChild, previewLink } from './door/linking';
import type { HouseholdHooks } from './door/ways';
import { checkCredentials, passFirstStep, signInAs } from './keeping/signIn';
import { agree, meOf } from './me';
import { changeProfile } from './store';

export function householdRouter(given: ServerDeps, hooks: HouseholdHooks): Router {
  const router = newRouter(given);
  mount(router, householdRoutes.signIn, async ({ deps, body, request, response }) => {
    const guardian = await checkCredentials(deps, request, body);
    const kept = body.keep ?? false;
    await passFirstStep(deps, request, guardian, kept);
    await signInAs(deps, request, response, { guardianId: guardian.id, kept });
    return meOf(deps, guardian.id);
  });
  mount(router, householdRoutes.signOut, ({ request }) => endSession(request));
  mount(router, householdRoutes.me, ({ deps, guardianId }) => meOf(deps, guardianId));
  mount(router, householdRoutes.changeMe, async ({ deps, guardianId, body }) => {
    const { language, name, givenName, shownAs } = body;
    await changeProfile(deps.db, guardianId, {
      ...(language === undefined ? {} : { language }),
      ...(name === undefined ? {} : { name: name.trim() }),
      ...(givenName === undefined ? {} : { given_name: givenName.trim() }),
      ...(shownAs === undefined ? {} : { shown_as: shownAs }),
    });
    return meOf(deps, guardianId);
  });
  mount(router, householdRoutes.agree, ({ deps, guardianId, body }) => agree(deps, guardianId, body.version));
  mount(router, householdRoutes.previewLink, ({ deps, guardianId, body, request }) =>
    countCode(deps, request, guardianId, () => previewLink(deps, guardianId, body.code)),
  );
  mount(router, householdRoutes.link, ({ deps, guardianId, body, request }) =>
    countCode(deps, request, guardianId, async () => {
      const child = await linkChild(deps, guardianId, body.code, hooks);
      await renewSession(request);
      return child;
    }),
  );
  return router;
}
