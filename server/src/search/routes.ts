import { searchRoutes } from '@cadro/contract';
import type { Router } from 'express';
import { mount, newRouter, type ServerDeps } from '../kit';
import { searchAll } from './search';

export function searchRouter(given: ServerDeps): Router {
  const router = newRouter(given);
  mount(router, searchRoutes.search, ({ deps, guardianId, query }) =>
    searchAll(deps, guardianId, query.q ?? ''),
  );
  return router;
}
