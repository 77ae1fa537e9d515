import { outlookRoutes } from '@cadro/contract';
import { Router } from 'express';
import type { ServerDeps } from '../http/app';
import { mount } from '../http/mount';
import { childrenFor } from '../household';
import { briefOf } from './brief';
import { workOf } from './work';

export function outlookRouter(deps: ServerDeps): Router {
  const router = Router();
  mount(router, outlookRoutes.brief, async ({ guardianId }) =>
    briefOf(deps, guardianId, await childrenFor(deps.db, guardianId, 'read-record')),
  );
  mount(router, outlookRoutes.work, async ({ guardianId }) =>
    workOf(deps, guardianId, await childrenFor(deps.db, guardianId, 'read-record')),
  );
  return router;
}
