import { gradebookRoutes } from '@cadro/contract';
import type { Router } from 'express';
import type { Served, ServerDeps } from '../kit';
import { HttpProblem, mount, newRouter } from '../kit';
import { childrenFor, requireChild } from '../household';
import { courseDetail } from './course/courseDetail';
import { computeFigures, type FiguresHook } from './figures/figures';
import { itemDetail, type FollowUpAbout } from './course/itemDetail';
import { openCourse } from './course/openCourse';
import { checkedCorrection, correctPolicy, coursePolicy, policyPreview } from './course/policy';
import { recordingOf } from './recording';
import * as store from './store';
import { courseSummaries } from './course/views';

/** What the pages of this room need from those below it. */
export interface GradebookHooks {
  readonly onFigures: FiguresHook;
  readonly followUpAbout: FollowUpAbout;
}

/** How a course is reckoned, and a household's correction of it. */
function policyPages(router: Served, hooks: GradebookHooks): void {
  mount(router, gradebookRoutes.policy, async ({ deps: { db, clock }, guardianId, params }) => {
    const open = await openCourse(db, await clock.now(), { guardianId, ...params });
    return coursePolicy(db, open);
  });

  mount(router, gradebookRoutes.previewPolicy, async ({ deps: { db, clock }, guardianId, params, body }) => {
    const open = await openCourse(db, await clock.now(), { guardianId, ...params });
    return policyPreview(open, checkedCorrection(open, body.correction));
  });

  mount(router, gradebookRoutes.correctPolicy, async ({ deps: { db, clock }, guardianId, params, body }) => {
    await requireChild(db, guardianId, params.studentId, 'write-talk');
    const at = await clock.now();
    const open = await openCourse(db, at, { guardianId, ...params });
    const correction = checkedCorrection(open, body.correction);
    await correctPolicy(db, open, guardianId, { at, correction });
    await computeFigures({ db, clock, onFigures: hooks.onFigures }, [params.studentId]);
    return coursePolicy(db, await openCourse(db, at, { guardianId, ...params }));
  });
}

export function gradebookRouter(given: ServerDeps, hooks: GradebookHooks): Router {
  const router = newRouter(given);

  mount(router, gradebookRoutes.courses, async ({ deps: { db, clock }, guardianId }) => {
    const children = await childrenFor(db, guardianId, 'read-record');
    const studentIds = children.map(({ id }) => id);
    return { courses: await courseSummaries(db, { studentIds, guardianId, now: await clock.now() }) };
  });

  mount(
    router,
    gradebookRoutes.course,
    async ({ deps: { db, clock }, guardianId, params, query: { termId } }) => {
      const now = await clock.now();
      return courseDetail(db, await openCourse(db, now, { guardianId, ...params, termId }), now);
    },
  );

  mount(
    router,
    gradebookRoutes.courseRecord,
    async ({ deps: { db, clock }, guardianId, params, query: { termId } }) => {
      const { record } = await openCourse(db, await clock.now(), { guardianId, ...params, termId });
      return record;
    },
  );

  mount(
    router,
    gradebookRoutes.item,
    async ({ deps: { db, clock }, guardianId, params: { studentId, itemId } }) => {
      await requireChild(db, guardianId, studentId, 'read-record');
      const item = await store.itemOf(db, studentId, itemId);
      if (!item) throw new HttpProblem('not-found');
      const place = { guardianId, studentId, courseId: item.course_id, item };
      const now = await clock.now();
      const { followUpAbout } = hooks;
      return itemDetail(db, await openCourse(db, now, place), item, { now, followUpAbout });
    },
  );

  mount(router, gradebookRoutes.recording, async ({ deps: { db }, guardianId, params }) => {
    await requireChild(db, guardianId, params.studentId, 'read-record');
    return recordingOf(db, params);
  });

  policyPages(router, hooks);
  return router;
}
