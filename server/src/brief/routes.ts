import { outlookRoutes } from '@cadro/contract';
import { Router } from 'express';
import { childrenFor } from '../household';
import { mount, type ServerDeps } from '../kit';
import { briefOf } from './brief';

export function briefRouter(deps: ServerDeps): Router {
  const router = Router();
  mount(router, outlookRoutes.brief, async ({ guardianId }) =>
    briefOf(deps, guardianId, await childrenFor(deps.db, guardianId, 'read-record')),
  );
  return router;
}
