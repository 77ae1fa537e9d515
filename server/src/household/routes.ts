import { householdRoutes, roles, type Me } from '@cadro/contract';
import { Router } from 'express';
import { HttpProblem, mount } from '../kit';
import type { ServerDeps } from '../kit';
import { linkChild, previewLink, type LinkHook } from './linking';
import { checkCredentials } from './signIn';
import { guardianById, linkedChildren, markLooked, setLanguage } from './store';

async function meOf({ db, clock, config }: ServerDeps, guardianId: string): Promise<Me> {
  const guardian = await guardianById(db, guardianId);
  if (!guardian) throw new HttpProblem('not-signed-in');
  const now = await clock.now();
  await markLooked(db, guardianId, now);
  return {
    id: guardian.id,
    name: guardian.name,
    givenName: guardian.given_name,
    email: guardian.email,
    language: guardian.language,
    children: await linkedChildren(db, guardianId, roles),
    now: now.toISOString(),
    demo: config.demoSchoolUrl !== null,
  };
}

export function householdRouter(deps: ServerDeps, onLinked: LinkHook): Router {
  const router = Router();
  mount(router, householdRoutes.signIn, async ({ body, request }) => {
    const guardian = await checkCredentials(deps.db, body.email, body.password);
    await new Promise<void>((done, fail) =>
      request.session.regenerate((error: unknown) => (error ? fail(error as Error) : done())),
    );
    request.session.guardianId = guardian.id;
    return meOf(deps, guardian.id);
  });
  mount(router, householdRoutes.signOut, async ({ request }) => {
    await new Promise<void>((done, fail) =>
      request.session.destroy((error: unknown) => (error ? fail(error as Error) : done())),
    );
  });
  mount(router, householdRoutes.me, ({ guardianId }) => meOf(deps, guardianId));
  mount(router, householdRoutes.changeMe, async ({ guardianId, body }) => {
    await setLanguage(deps.db, guardianId, body.language);
    return meOf(deps, guardianId);
  });
  mount(router, householdRoutes.previewLink, ({ guardianId, body }) =>
    previewLink(deps, guardianId, body.code),
  );
  mount(router, householdRoutes.link, ({ guardianId, body }) =>
    linkChild(deps, guardianId, body.code, onLinked),
  );
  return router;
}
