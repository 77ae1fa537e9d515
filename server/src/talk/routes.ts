import { talkRoutes } from '@cadro/contract';
import type { Router } from 'express';
import { mount, newRouter, type ServerDeps } from '../kit';
import { searchTalk } from './search';

export function talkRouter(given: ServerDeps): Router {
  const router = newRouter(given);
  mount(router, talkRoutes.search, ({ deps, guardianId, query }) =>
    searchTalk(deps, guardianId, query.q ?? ''),
  );
  return router;
}
