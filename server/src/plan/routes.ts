import { planRoutes } from '@cadro/contract';
import type { Router } from 'express';
import type { ServerDeps } from '../kit';
import { mount, newRouter } from '../kit';
import { householdOf, requireChild } from '../household';
import * as service from './service';
import type { Solver } from './solver';

/** A household's plan for the evenings of one child. */
export function planRouter(deps: ServerDeps, solver: Solver): Router {
  const { db } = deps;
  const router = newRouter();

  /** The plan is the household's own: it is read by those who read its talk, and written by its guardians. */
  const open = async (guardianId: string, studentId: string, permission: 'read-talk' | 'write-talk') => {
    const child = await requireChild(db, guardianId, studentId, permission);
    const { id: householdId } = await householdOf(db, guardianId);
    const owner = { studentId, householdId };
    return { child, owner, answer: () => service.readPlan(deps, guardianId, child, owner) };
  };

  mount(router, planRoutes.read, async ({ guardianId, params: { studentId } }) =>
    (await open(guardianId, studentId, 'read-talk')).answer(),
  );

  mount(router, planRoutes.evenings, async ({ guardianId, params: { studentId }, body }) => {
    const { owner, answer } = await open(guardianId, studentId, 'write-talk');
    await service.setEvenings(deps, owner, body);
    return answer();
  });

  mount(router, planRoutes.choose, async ({ guardianId, params: { studentId }, body }) => {
    const { child, owner, answer } = await open(guardianId, studentId, 'write-talk');
    await service.chooseTasks(deps, guardianId, child, owner, body);
    return answer();
  });

  mount(router, planRoutes.change, async ({ guardianId, params: { studentId, itemId }, body }) => {
    const { owner, answer } = await open(guardianId, studentId, 'write-talk');
    await service.changeTask(deps, owner, itemId, body);
    return answer();
  });

  mount(router, planRoutes.drop, async ({ guardianId, params: { studentId, itemId } }) => {
    const { owner, answer } = await open(guardianId, studentId, 'write-talk');
    await service.dropTask(deps, owner, itemId);
    return answer();
  });

  mount(router, planRoutes.propose, async ({ guardianId, params: { studentId } }) => {
    const { child, owner, answer } = await open(guardianId, studentId, 'write-talk');
    await service.propose(deps, solver, guardianId, child, owner);
    return answer();
  });

  return router;
}
