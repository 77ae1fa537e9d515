import { planRoutes } from '@cadro/contract';
import type { Router } from 'express';
import { HttpProblem, mount, newRouter, type ServerDeps } from '../kit';
import { sharesOf } from '../desk';
import { householdOf, requireChild } from '../household';
import * as service from './service';

/** A household's plan for the evenings of one child. */
export function planRouter(given: ServerDeps): Router {
  const router = newRouter(given);

  /**
   * The plan is the household's own, written by its guardians; the child sees it where the family shows it the evenings,
   * and ticks off what it has done.
   */
  const open = async (
    deps: ServerDeps,
    guardianId: string,
    studentId: string,
    permission: 'read-desk' | 'do-work' | 'write-talk',
  ) => {
    const { db } = deps;
    const child = await requireChild(db, guardianId, studentId, permission);
    const { id: householdId } = await householdOf(db, guardianId);
    const owner = { studentId, householdId };
    const own = child.role === 'student';
    if (own && !(await sharesOf(db, owner)).evenings) throw new HttpProblem('forbidden');
    return { child, own, owner, answer: () => service.readPlan(deps, guardianId, child, owner) };
  };

  mount(router, planRoutes.read, async ({ deps, guardianId, params: { studentId } }) =>
    (await open(deps, guardianId, studentId, 'read-desk')).answer(),
  );

  mount(router, planRoutes.evenings, async ({ deps, guardianId, params: { studentId }, body }) => {
    const { owner, answer } = await open(deps, guardianId, studentId, 'write-talk');
    await service.setEvenings(deps, owner, body);
    return answer();
  });

  mount(router, planRoutes.choose, async ({ deps, guardianId, params: { studentId }, body }) => {
    const { child, owner, answer } = await open(deps, guardianId, studentId, 'write-talk');
    await service.chooseTasks(deps, guardianId, child, owner, body);
    return answer();
  });

  mount(router, planRoutes.change, async ({ deps, guardianId, params: { studentId, itemId }, body }) => {
    const { own, owner, answer } = await open(deps, guardianId, studentId, 'do-work');
    // How long its work takes is for its guardians to say.
    if (own && body.minutes !== undefined) throw new HttpProblem('forbidden');
    await service.changeTask(deps, owner, itemId, body);
    return answer();
  });

  mount(router, planRoutes.drop, async ({ deps, guardianId, params: { studentId, itemId } }) => {
    const { owner, answer } = await open(deps, guardianId, studentId, 'write-talk');
    await service.dropTask(deps, owner, itemId);
    return answer();
  });

  mount(router, planRoutes.propose, async ({ deps, guardianId, params: { studentId } }) => {
    const { child, owner, answer } = await open(deps, guardianId, studentId, 'write-talk');
    await service.propose(deps, guardianId, child, owner);
    return answer();
  });

  return router;
}
