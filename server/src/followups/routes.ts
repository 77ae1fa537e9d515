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
  type ThreadWith,
} from './service';

export function followUpRouter(given: ServerDeps, threadWith: ThreadWith): Router {
  const router = newRouter(given);
  mount(router, followUpRoutes.list, async ({ deps, guardianId }) => ({
    followUps: await listFollowUps({ ...deps, threadWith }, guardianId),
  }));
  mount(router, followUpRoutes.create, ({ deps, guardianId, body }) =>
    takeInHand({ ...deps, threadWith }, guardianId, body),
  );
  mount(router, followUpRoutes.read, ({ deps, guardianId, params }) =>
    readFollowUp({ ...deps, threadWith }, guardianId, params.followUpId),
  );
  mount(router, followUpRoutes.change, ({ deps, guardianId, params, body }) =>
    changeFollowUp({ ...deps, threadWith }, guardianId, params.followUpId, body),
  );
  mount(router, followUpRoutes.undo, ({ deps, guardianId, params }) =>
    undoFollowUp({ ...deps, threadWith }, guardianId, params.followUpId),
  );
  return router;
}
