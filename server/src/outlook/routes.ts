import { tryRoutes, workRoutes } from '@cadro/contract';
import { dateIn } from '@cadro/core';
import type { Router } from 'express';
import { itemOf, setTarget, type FiguresHook } from '../gradebook';
import { childrenFor, householdOf, requireChild } from '../household';
import { HttpProblem, mount, newRouter, type Db, type ServerDeps } from '../kit';
import { enrolled, itemIdsOf } from '../records';
import { answerOffer } from './answerOffer';
import { jointAnswer } from './joint';
import { forgetTry, keepTry, triesOf } from './tryStore';
import { workOf } from './work';
import { addAnswer, saveEffort } from './workStore';

/** Work of all children, what several come to together, and what a household says of its own. */
function workPages(router: Router, deps: ServerDeps, onFigures: FiguresHook): void {
  const { db, clock } = deps;
  /** What a guardian may write about a child's own work: the household it is written for, and the work's place. */
  const writing = async (guardianId: string, params: { studentId: string; itemId: string }) => {
    const child = await requireChild(db, guardianId, params.studentId, 'write-talk');
    if (!(await itemOf(db, params.studentId, params.itemId))) throw new HttpProblem('not-found');
    const { id: householdId, author } = await householdOf(db, guardianId);
    return { child, author, place: { ...params, householdId } };
  };

  mount(router, workRoutes.work, async ({ guardianId }) =>
    workOf(deps, guardianId, await childrenFor(db, guardianId, 'read-record')),
  );

  mount(router, workRoutes.joint, async ({ guardianId, body }) =>
    jointAnswer(deps, guardianId, await childrenFor(db, guardianId, 'read-record'), body.picks),
  );

  mount(router, workRoutes.offer, async ({ guardianId, params, body }) => {
    await requireChild(db, guardianId, params.studentId, 'write-talk');
    return { offers: await answerOffer({ db, clock, onFigures }, guardianId, params, body) };
  });

  mount(router, workRoutes.asked, async ({ guardianId, params, body: { answer } }) => {
    const { child, author, place } = await writing(guardianId, params);
    const at = await clock.now();
    await addAnswer(db, place, { answer, on: dateIn(child.timeZone, at), at, author });
  });

  mount(router, workRoutes.effort, async ({ guardianId, params, body: { minutes } }) => {
    const { place } = await writing(guardianId, params);
    await saveEffort(db, place, minutes, await clock.now());
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

/** A household's own tries and target for a course. */
function tryPages(router: Router, { db, clock }: ServerDeps): void {
  const course = async (
    guardianId: string,
    { studentId, courseId }: { studentId: string; courseId: string },
    permission: 'read-talk' | 'write-talk',
  ) => {
    await requireChild(db, guardianId, studentId, permission);
    if (!(await enrolled(db, studentId, courseId))) throw new HttpProblem('not-found');
    const { id: householdId, author } = await householdOf(db, guardianId);
    return { place: { studentId, courseId, householdId }, author };
  };

  mount(router, tryRoutes.tries, async ({ guardianId, params }) =>
    triesOf(db, (await course(guardianId, params, 'read-talk')).place),
  );

  mount(router, tryRoutes.keep, async ({ guardianId, params, body }) => {
    const { place, author } = await course(guardianId, params, 'write-talk');
    await requireItemsOf(
      db,
      params,
      body.scores.map(({ itemId }) => itemId),
    );
    await keepTry(db, place, body, { at: await clock.now(), author });
    return triesOf(db, place);
  });

  mount(router, tryRoutes.forget, async ({ guardianId, params }) => {
    const { place } = await course(guardianId, params, 'write-talk');
    if (!(await forgetTry(db, place, params.tryId))) throw new HttpProblem('not-found');
    return triesOf(db, place);
  });

  mount(router, tryRoutes.target, async ({ guardianId, params, body }) => {
    const { place } = await course(guardianId, params, 'write-talk');
    await setTarget(db, place, body.target);
    return triesOf(db, place);
  });
}

export function outlookRouter(deps: ServerDeps, onFigures: FiguresHook): Router {
  const router = newRouter();
  workPages(router, deps, onFigures);
  tryPages(router, deps);
  return router;
}
