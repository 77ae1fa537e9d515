import { announcementRoutes } from '@cadro/contract';
import type { Router } from 'express';
import { mount, newRouter, type Deps, type ServerDeps } from '../kit';
import { giveAnswer } from './answering';
import * as store from './store';
import { leavePart, takePart } from './taking';
import type { TakenInto } from './takenInto';
import { announcementFor, announcementsFor, inOrder } from './view';

export function announcementRouter(given: ServerDeps, taken: TakenInto): Router {
  const router = newRouter(given);
  const to = (deps: Deps) => ({ ...deps, taken });

  mount(router, announcementRoutes.list, async ({ deps, guardianId }) => ({
    announcements: inOrder(await announcementsFor(to(deps), guardianId)),
  }));
  mount(router, announcementRoutes.read, ({ deps, guardianId, params }) =>
    announcementFor(to(deps), guardianId, params.announcementId),
  );
  mount(router, announcementRoutes.keep, async ({ deps, guardianId, params, body }) => {
    // Whom it is not for has nothing to keep.
    await announcementFor(to(deps), guardianId, params.announcementId);
    await store.putState(deps.db, guardianId, params.announcementId, body);
    return announcementFor(to(deps), guardianId, params.announcementId);
  });
  mount(router, announcementRoutes.answer, ({ deps, guardianId, params, body }) =>
    giveAnswer(to(deps), guardianId, params, body),
  );
  mount(router, announcementRoutes.take, ({ deps, guardianId, params }) =>
    takePart(to(deps), guardianId, params.announcementId, params.part),
  );
  mount(router, announcementRoutes.leave, ({ deps, guardianId, params }) =>
    leavePart(to(deps), guardianId, params.announcementId, params.part),
  );
  return router;
}
