import { gradebookRoutes } from '@cadro/contract';
import { Router } from 'express';
import type { ServerDeps } from '../http/app';
import { mount } from '../http/mount';
import { HttpProblem } from '../http/problems';
import { childrenFor, householdOf, requireChild } from '../household';
import { courseDetail } from './courseDetail';
import { itemDetail } from './itemDetail';
import { openCourse } from './openCourse';
import { checkedCorrection, correctPolicy, coursePolicy, policyPreview } from './policy';
import * as store from './store';
import { courseSummary } from './views';

/**
 * @param figuresChanged computes a child's figures anew; handed in, because the outlook stands on this room.
 */
export function gradebookRouter(
  { db, clock }: ServerDeps,
  figuresChanged: (studentId: string) => Promise<void>,
): Router {
  const router = Router();

  mount(router, gradebookRoutes.courses, async ({ guardianId }) => {
    const children = await childrenFor(db, guardianId, 'read-record');
    const rows = await store.coursesOf(db, {
      studentIds: children.map(({ id }) => id),
      guardianId,
      now: await clock.now(),
    });
    return { courses: rows.map(courseSummary) };
  });

  mount(router, gradebookRoutes.course, async ({ guardianId, params, query: { termId } }) => {
    const now = await clock.now();
    return courseDetail(db, await openCourse(db, now, { guardianId, ...params, termId }), now);
  });

  mount(router, gradebookRoutes.courseRecord, async ({ guardianId, params, query: { termId } }) => {
    const { record } = await openCourse(db, await clock.now(), { guardianId, ...params, termId });
    return record;
  });

  mount(router, gradebookRoutes.item, async ({ guardianId, params: { studentId, itemId } }) => {
    await requireChild(db, guardianId, studentId, 'read-record');
    const item = await store.itemOf(db, studentId, itemId);
    if (!item) throw new HttpProblem('not-found');
    const place = { guardianId, studentId, courseId: item.course_id, item };
    return itemDetail(db, await openCourse(db, await clock.now(), place), item, guardianId);
  });

  mount(router, gradebookRoutes.policy, async ({ guardianId, params }) => {
    const open = await openCourse(db, await clock.now(), { guardianId, ...params });
    return coursePolicy(db, open, (await householdOf(db, guardianId)).id);
  });

  mount(router, gradebookRoutes.previewPolicy, async ({ guardianId, params, body }) => {
    const open = await openCourse(db, await clock.now(), { guardianId, ...params });
    return policyPreview(open, checkedCorrection(open, body.correction));
  });

  mount(router, gradebookRoutes.correctPolicy, async ({ guardianId, params, body }) => {
    await requireChild(db, guardianId, params.studentId, 'write-talk');
    const at = await clock.now();
    const open = await openCourse(db, at, { guardianId, ...params });
    const correction = checkedCorrection(open, body.correction);
    await correctPolicy(db, open, guardianId, { at, correction });
    await figuresChanged(params.studentId);
    const after = await openCourse(db, at, { guardianId, ...params });
    return coursePolicy(db, after, (await householdOf(db, guardianId)).id);
  });

  return router;
}
