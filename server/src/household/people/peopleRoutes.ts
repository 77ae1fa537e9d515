import { peopleRoutes } from '@cadro/contract';
import type { Router } from 'express';
import { mount, newRouter, takeTry, type ServerDeps } from '../../kit';
import { requireGuardian } from '../me';
import { noticesRead } from './noticeStore';
import { changeRole, endLink, invite, objectTo, peopleOf, withdraw } from './people';
import { setShowsItself } from './peopleStore';

/** More than a family ever invites in a day, and too few to send mail about. */
const invitePatience = {
  free: 12,
  firstWaitSeconds: 600,
  longestWaitSeconds: 12 * 3600,
  forgetSeconds: 24 * 3600,
};

export function peopleRouter(given: ServerDeps): Router {
  const router = newRouter(given);
  mount(router, peopleRoutes.people, ({ deps, guardianId }) => peopleOf(deps, guardianId));
  mount(router, peopleRoutes.showItself, async ({ deps, guardianId, body }) => {
    const { household_id } = await requireGuardian(deps, guardianId);
    await setShowsItself(deps.db, household_id, body.showsItself);
  });
  mount(router, peopleRoutes.invite, async ({ deps, guardianId, body }) => {
    const key = { kind: 'invite', of: guardianId, patience: invitePatience };
    const to =
      body.email === null
        ? []
        : [{ kind: 'invite-to', of: body.email.toLowerCase(), patience: invitePatience }];
    await takeTry(deps.db, [key, ...to]);
    return invite(deps, guardianId, body);
  });
  mount(router, peopleRoutes.withdraw, ({ deps, guardianId, params }) =>
    withdraw(deps, guardianId, params.invitationId),
  );
  mount(router, peopleRoutes.end, ({ deps, guardianId, params }) => endLink(deps, guardianId, params));
  mount(router, peopleRoutes.changeRole, ({ deps, guardianId, params, body }) =>
    changeRole(deps, guardianId, params, body.role),
  );
  mount(router, peopleRoutes.object, ({ deps, guardianId, params }) => objectTo(deps, guardianId, params));
  mount(router, peopleRoutes.noticesRead, async ({ deps: { db, clock }, guardianId }) =>
    noticesRead(db, guardianId, await clock.now()),
  );
  return router;
}
