import { followUpRoutes } from '@cadro/contract';
import { Router } from 'express';
import type { ServerDeps } from '../http/app';
import { mount } from '../http/mount';
import { changeFollowUp, listFollowUps, readFollowUp, takeInHand } from './service';

export function followUpRouter(deps: ServerDeps): Router {
  const router = Router();
  mount(router, followUpRoutes.list, async ({ guardianId }) => ({
    followUps: await listFollowUps(deps, guardianId),
  }));
  mount(router, followUpRoutes.create, ({ guardianId, body }) => takeInHand(deps, guardianId, body));
  mount(router, followUpRoutes.read, ({ guardianId, params }) =>
    readFollowUp(deps, guardianId, params.followUpId),
  );
  mount(router, followUpRoutes.change, ({ guardianId, params, body }) =>
    changeFollowUp(deps, guardianId, params.followUpId, body),
  );
  return router;
}
