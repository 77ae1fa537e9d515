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

export function peopleRouter(deps: ServerDeps): Router {
  const router = newRouter();
  const { db, clock } = deps;
  mount(router, peopleRoutes.people, ({ guardianId }) => peopleOf(deps, guardianId));
  mount(router, peopleRoutes.showItself, async ({ guardianId, body }) => {
    const { household_id } = await requireGuardian(deps, guardianId);
    await setShowsItself(db, household_id, body.showsItself);
  });
  mount(router, peopleRoutes.invite, async ({ guardianId, body }) => {
    const key = { kind: 'invite', of: guardianId, patience: invitePatience };
    const to =
      body.email === null
        ? []
        : [{ kind: 'invite-to', of: body.email.toLowerCase(), patience: invitePatience }];
    await takeTry(db, [key, ...to]);
    return invite(deps, guardianId, body);
  });
  mount(router, peopleRoutes.withdraw, ({ guardianId, params }) =>
    withdraw(deps, guardianId, params.invitationId),
  );
  mount(router, peopleRoutes.end, ({ guardianId, params }) => endLink(deps, guardianId, params));
  mount(router, peopleRoutes.changeRole, ({ guardianId, params, body }) =>
    changeRole(deps, guardianId, params, body.role),
  );
  mount(router, peopleRoutes.object, ({ guardianId, params }) => objectTo(deps, guardianId, params));
  mount(router, peopleRoutes.noticesRead, async ({ guardianId }) =>
    noticesRead(db, guardianId, await clock.now()),
  );
  return router;
}
