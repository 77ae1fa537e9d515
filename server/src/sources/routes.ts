import { sourceRoutes } from '@cadro/contract';
import type { Router } from 'express';
import type { ServerDeps } from '../kit';
import { mount, newRouter } from '../kit';
import { childrenFor } from '../household';
import { problemsOf } from './problemStore';
import { sourcesOfStudents, untoldOf } from './store';

export function sourceRouter(given: ServerDeps): Router {
  const router = newRouter(given);
  mount(router, sourceRoutes.sources, async ({ deps: { db }, guardianId }) => {
    const children = await childrenFor(db, guardianId, 'read-record');
    const sources = await sourcesOfStudents(
      db,
      children.map(({ id }) => id),
    );
    const problems = await problemsOf(
      db,
      sources.map(({ id }) => id),
    );
    return {
      sources: sources.map((source) => ({
        id: source.id,
        name: source.name,
        kind: source.kind,
        studentIds: source.student_ids,
        untold: untoldOf(source.parts),
        readAt: source.read_at?.toISOString() ?? null,
        failingSince: source.failing_since?.toISOString() ?? null,
        problems: problems
          .filter(({ source_id }) => source_id === source.id)
          .map(({ collection, external_id, fault, reason, seen_at }) => ({
            collection,
            externalId: external_id,
            fault,
            detail: reason,
            seenAt: seen_at.toISOString(),
          })),
      })),
    };
  });
  return router;
}
