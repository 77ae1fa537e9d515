import { followUpRoutes } from '@cadro/contract';
import type { Router } from 'express';
import type { ServerDeps } from '../kit';
import { mount, newRouter } from '../kit';
import {
  changeFollowUp,
  listFollowUps,
  readFollowUp,
  takeInHand,
  undoFollowUp,
  type Elsewhere,
} from './service';

export function followUpRouter(given: ServerDeps, elsewhere: Elsewhere): Router {
  const router = newRouter(given);
  mount(router, followUpRoutes.list, async ({ deps, guardianId }) => ({
    followUps: await listFollowUps({ ...deps, ...elsewhere }, guardianId),
  }));
  mount(router, followUpRoutes.create, ({ deps, guardianId, body }) =>
    takeInHand({ ...deps, ...elsewhere }, guardianId, body),
  );
  mount(router, followUpRoutes.read, ({ deps, guardianId, params }) =>
    readFollowUp({ ...deps, ...elsewhere }, guardianId, params.followUpId),
  );
  mount(router, followUpRoutes.change, ({ deps, guardianId, params, body }) =>
    changeFollowUp({ ...deps, ...elsewhere }, guardianId, params.followUpId, body),
  );
  mount(router, followUpRoutes.undo, ({ deps, guardianId, params }) =>
    undoFollowUp({ ...deps, ...elsewhere }, guardianId, params.followUpId),
  );
  return router;
}
