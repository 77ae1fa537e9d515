import { draftRoutes } from '@cadro/contract';
import type { Router } from 'express';
import { mount, newRouter, type ServerDeps } from '../kit';
import { childrenFor, requireChild } from './access';
import { draftsOf, dropDraft, keepDraft } from './draftStore';

/** What a guardian has begun to write: kept for that person alone. */
export function draftRouter(given: ServerDeps): Router {
  const router = newRouter(given);
  mount(router, draftRoutes.drafts, async ({ deps: { db }, guardianId }) => {
    const children = await childrenFor(db, guardianId, 'write-talk');
    const rows = await draftsOf(
      db,
      guardianId,
      children.map(({ id }) => id),
    );
    return {
      drafts: rows.map(({ student_id, saved_at, ...rest }) => ({
        ...rest,
        ...{ studentId: student_id, savedAt: saved_at.toISOString() },
      })),
    };
  });
  mount(router, draftRoutes.keep, async ({ deps: { db, clock }, guardianId, body }) => {
    await requireChild(db, guardianId, body.studentId, 'write-talk');
    await keepDraft(db, guardianId, body, await clock.now());
  });
  mount(router, draftRoutes.drop, ({ deps: { db }, guardianId, body }) =>
    dropDraft(db, guardianId, body.key),
  );
  return router;
}
