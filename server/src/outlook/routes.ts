import { tryRoutes, workRoutes } from '@cadro/contract';
import { dateIn } from '@cadro/core';
import type { Router } from 'express';
import { itemOf, setTarget, type FiguresHook } from '../gradebook';
import { childrenFor, householdOf, requireChild } from '../household';
import { HttpProblem, mount, newRouter, type Db, type Served, type ServerDeps } from '../kit';
import { enrolled, itemIdsOf } from '../records';
import { answerOffer } from './answerOffer';
import { jointAnswer } from './joint';
import { forgetTry, keepTry, triesOf } from './tryStore';
import { workOf } from './work';
import { addAnswer, saveEffort } from './workStore';

/** Work of all children, what several come to together, and what a household says of its own. */
function workPages(router: Served, onFigures: FiguresHook): void {
  /** What is said of a child's own work, by a guardian or by the child: for which household, and the work's place. */
  const writing = async (
    { db }: ServerDeps,
    guardianId: string,
    params: { studentId: string; itemId: string },
    permission: 'write-talk' | 'do-work',
  ) => {
    const child = await requireChild(db, guardianId, params.studentId, permission);
    if (!(await itemOf(db, params.studentId, params.itemId))) throw new HttpProblem('not-found');
    const { id: householdId, author } = await householdOf(db, guardianId);
    return { child, author, place: { ...params, householdId } };
  };

  mount(router, workRoutes.work, async ({ deps, guardianId }) =>
    workOf(deps, guardianId, await childrenFor(deps.db, guardianId, 'read-record')),
  );

  mount(router, workRoutes.joint, async ({ deps, guardianId, body }) =>
    jointAnswer(deps, guardianId, await childrenFor(deps.db, guardianId, 'read-record'), body.picks),
  );

  mount(router, workRoutes.offer, async ({ deps: { db, clock }, guardianId, params, body }) => {
    await requireChild(db, guardianId, params.studentId, 'write-talk');
    return { offers: await answerOffer({ db, clock, onFigures }, guardianId, params, body) };
  });

  mount(router, workRoutes.asked, async ({ deps, guardianId, params, body: { answer } }) => {
    const { child, author, place } = await writing(deps, guardianId, params, 'do-work');
    const at = await deps.clock.now();
    await addAnswer(deps.db, place, { answer, on: dateIn(child.timeZone, at), at, author });
  });

  mount(router, workRoutes.effort, async ({ deps, guardianId, params, body: { minutes } }) => {
    const { place } = await writing(deps, guardianId, params, 'write-talk');
    await saveEffort(deps.db, place, minutes, await deps.clock.now());
  });
}

/** @throws HttpProblem 404 for an assignment that is not of this child's course. */
async function requireItemsOf(
  db: Db,
  { studentId, courseId }: { studentId: string; courseId: string },
  itemIds: readonly string[],
): Promise<void> {
  const known = await itemIdsOf(db, studentId, courseId);
  if (itemIds.some((id) => !known.has(id))) throw new HttpProblem('not-found');
}

/** The tries and the target for a course: a household's own, and the child's its own. */
function tryPages(router: Served): void {
  const course = async (
    { db }: ServerDeps,
    guardianId: string,
    { studentId, courseId }: { studentId: string; courseId: string },
    permission: 'read-desk' | 'do-work',
  ) => {
    const { role } = await requireChild(db, guardianId, studentId, permission);
    if (!(await enrolled(db, studentId, courseId))) throw new HttpProblem('not-found');
    const { id: householdId, author } = await householdOf(db, guardianId);
    return { place: { studentId, courseId, householdId, byChild: role === 'student' }, author };
  };

  mount(router, tryRoutes.tries, async ({ deps, guardianId, params }) =>
    triesOf(deps.db, (await course(deps, guardianId, params, 'read-desk')).place),
  );

  mount(router, tryRoutes.keep, async ({ deps, guardianId, params, body }) => {
    const { place, author } = await course(deps, guardianId, params, 'do-work');
    await requireItemsOf(
      deps.db,
      params,
      body.scores.map(({ itemId }) => itemId),
    );
    await keepTry(deps.db, place, body, { at: await deps.clock.now(), author });
    return triesOf(deps.db, place);
  });

  mount(router, tryRoutes.forget, async ({ deps, guardianId, params }) => {
    const { place } = await course(deps, guardianId, params, 'do-work');
    if (!(await forgetTry(deps.db, place, params.tryId))) throw new HttpProblem('not-found');
    return triesOf(deps.db, place);
  });

  mount(router, tryRoutes.target, async ({ deps, guardianId, params, body }) => {
    const { place } = await course(deps, guardianId, params, 'do-work');
    await setTarget(deps.db, place, body.target);
    return triesOf(deps.db, place);
  });
}

export function outlookRouter(given: ServerDeps, onFigures: FiguresHook): Router {
  const router = newRouter(given);
  workPages(router, onFigures);
  tryPages(router);
  return router;
}
