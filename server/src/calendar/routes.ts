import { dayRoutes, rolesAllowed } from '@cadro/contract';
import type { Router } from 'express';
import type { ServerDeps } from '../kit';
import { mount, newRouter } from '../kit';
import { requireChild } from '../household';
import { catchUp, writeToDesk } from './day/absences';
import { childDay } from './day/day';

export function calendarRouter(given: ServerDeps): Router {
  const router = newRouter(given);
  mount(router, dayRoutes.day, async ({ deps, guardianId, params }) => {
    const child = await requireChild(deps.db, guardianId, params.studentId, 'read-record');
    return childDay(deps, {
      guardianId,
      child,
      on: params.on,
      mayTalk: rolesAllowed('read-talk').includes(child.role),
    });
  });
  mount(router, dayRoutes.letter, async ({ deps, guardianId, params, body }) => {
    const child = await requireChild(deps.db, guardianId, params.studentId, 'write-talk');
    return writeToDesk(deps, guardianId, child, body);
  });
  mount(router, dayRoutes.catchUp, async ({ deps, guardianId, params, body }) => {
    const child = await requireChild(deps.db, guardianId, params.studentId, 'write-talk');
    return catchUp(deps, guardianId, child, params.on, body.title);
  });
  return router;
}
