import { sitdownRoutes } from '@cadro/contract';
import type { Router } from 'express';
import { mount, newRouter, type ServerDeps } from '../kit';
import { pagesOnPaper } from './paper/paper';
import {
  changePage,
  dropSitdown,
  endSitdown,
  listSitdowns,
  openSitdown,
  setRhythm,
  startSitdown,
} from './sitdown';

export function sitdownRouter(given: ServerDeps): Router {
  const router = newRouter(given);
  mount(router, sitdownRoutes.list, ({ deps, guardianId }) => listSitdowns(deps, guardianId));
  mount(router, sitdownRoutes.begin, ({ deps, guardianId, body }) => openSitdown(deps, guardianId, body.on));
  mount(router, sitdownRoutes.rhythm, ({ deps, guardianId, body }) =>
    setRhythm(deps, guardianId, body.entryId),
  );
  mount(router, sitdownRoutes.paper, ({ deps, guardianId, body }) => pagesOnPaper(deps, guardianId, body));
  mount(router, sitdownRoutes.change, ({ deps, guardianId, params, body }) =>
    changePage(deps, guardianId, params, body),
  );
  mount(router, sitdownRoutes.start, ({ deps, guardianId, params }) =>
    startSitdown(deps, guardianId, params.sitdownId),
  );
  mount(router, sitdownRoutes.end, ({ deps, guardianId, params, body }) =>
    endSitdown(deps, guardianId, params.sitdownId, body),
  );
  mount(router, sitdownRoutes.drop, ({ deps, guardianId, params }) =>
    dropSitdown(deps, guardianId, params.sitdownId),
  );
  return router;
}
