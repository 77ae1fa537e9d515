import { newsRoutes, outlookRoutes } from '@cadro/contract';
import type { Router } from 'express';
import { childrenFor } from '../household';
import { mount, newRouter, type ServerDeps } from '../kit';
import { briefOf } from './brief';
import { newsOf, sawNews } from './news';

export function briefRouter(given: ServerDeps): Router {
  const router = newRouter(given);
  mount(router, outlookRoutes.brief, async ({ deps, guardianId }) =>
    briefOf(deps, guardianId, await childrenFor(deps.db, guardianId, 'read-record')),
  );
  mount(router, newsRoutes.news, async ({ deps, guardianId, query }) =>
    newsOf(deps, guardianId, await childrenFor(deps.db, guardianId, 'read-record'), query.week),
  );
  mount(router, newsRoutes.looked, ({ deps, guardianId, body }) => sawNews(deps, guardianId, body.upTo));
  return router;
}
