import { aroundRoutes } from '@cadro/contract';
import type { Router } from 'express';
import { mount, newRouter, type ServerDeps } from '../kit';
import { aroundChildren } from './around';

export function aroundRouter(given: ServerDeps): Router {
  const router = newRouter(given);
  mount(router, aroundRoutes.around, async ({ deps, guardianId }) => ({
    children: await aroundChildren(deps, guardianId),
  }));
  return router;
}
