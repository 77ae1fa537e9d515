import { gradebookRoutes } from '@cadro/contract';
import { Router } from 'express';
import type { ServerDeps } from '../http/app';
import { mount } from '../http/mount';
import { HttpProblem } from '../http/problems';
import { childrenFor, requireChild } from '../household';
import { openFollowUpAbout } from '../followups';
import * as store from './store';
import { courseDetail, courseSummary, itemDetail } from './views';

export function gradebookRouter({ db, clock }: ServerDeps): Router {
  const router = Router();

  mount(router, gradebookRoutes.courses, async ({ guardianId }) => {
    const children = await childrenFor(db, guardianId, 'read-record');
    const rows = await store.coursesOf(
      db,
      children.map(({ id }) => id),
      await clock.now(),
    );
    return { courses: rows.map(courseSummary) };
  });

  mount(router, gradebookRoutes.course, async ({ guardianId, params: { studentId, courseId } }) => {
    await requireChild(db, guardianId, studentId, 'read-record');
    const now = await clock.now();
    const [row] = await store.coursesOf(db, [studentId], now, courseId);
    if (!row) throw new HttpProblem('not-found');
    const [categories, items, comments] = await Promise.all([
      store.categoriesOfCourse(db, courseId),
      store.itemsOfCourse(db, studentId, courseId, now),
      store.commentsOf(db, [studentId], { courseId }),
    ]);
    const ofCourse = comments.filter(({ item_id }) => item_id === null);
    return courseDetail(row, { categories, items, comments: ofCourse });
  });

  mount(router, gradebookRoutes.item, async ({ guardianId, params: { studentId, itemId } }) => {
    await requireChild(db, guardianId, studentId, 'read-record');
    const item = await store.itemOf(db, studentId, itemId);
    if (!item) throw new HttpProblem('not-found');
    const [[course], history, comments, followUpId] = await Promise.all([
      store.coursesOf(db, [studentId], await clock.now(), item.course_id),
      store.historyOf(db, studentId, itemId),
      store.commentsOf(db, [studentId], { itemId }),
      openFollowUpAbout(db, guardianId, { studentId, topic: 'work', courseId: item.course_id, itemId }),
    ]);
    if (!course) throw new HttpProblem('not-found');
    return itemDetail(course, item, { history, comments, followUpId });
  });

  return router;
}
