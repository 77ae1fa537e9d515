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

export function followUpRouter(server: ServerDeps, threadWith: ThreadWith): Router {
  const deps = { ...server, threadWith };
  const router = newRouter();
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
  mount(router, followUpRoutes.undo, ({ guardianId, params }) =>
    undoFollowUp(deps, guardianId, params.followUpId),
  );
  return router;
}
