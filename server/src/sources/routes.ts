import { feedCollections, sourceRoutes } from '@cadro/contract';
import type { Router } from 'express';
import type { ServerDeps } from '../kit';
import { addJobs, HttpProblem, mount, newRouter, takeTry } from '../kit';
import { childrenFor } from '../household';
import { problemsOf } from './problemStore';
import { nextReading, readingJob, underWay } from './readingJob';
import { sourcesOfStudents, untoldOf } from './store';

/** Somebody may ask for a reading now and then; a school is read by itself often enough. */
const readPatience = { free: 3, firstWaitSeconds: 300, longestWaitSeconds: 3600, forgetSeconds: 3600 };

export function sourceRouter(given: ServerDeps): Router {
  const router = newRouter(given);
  mount(router, sourceRoutes.sources, async ({ deps: { db, clock }, guardianId }) => {
    const next = nextReading(await clock.now()).toISOString();
    const children = await childrenFor(db, guardianId, 'read-record');
    const sources = await sourcesOfStudents(
      db,
      children.map(({ id }) => id),
    );
    const problems = await problemsOf(
      db,
      sources.map(({ id }) => id),
    );
    const isRead = await underWay(db, sources);
    return {
      sources: sources.map((source) => ({
        id: source.id,
        name: source.name,
        kind: source.kind,
        studentIds: source.student_ids,
        untold: untoldOf(source.parts),
        readAt: source.read_at?.toISOString() ?? null,
        nextAt: source.kind === 'interface' && source.paused_at === null ? next : null,
        failingSince: source.failing_since?.toISOString() ?? null,
        paused: source.paused_at !== null,
        coming: isRead(source) ? (source.progress?.records ?? null) : null,
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
  mount(router, sourceRoutes.feedSchema, async () => ({
    $schema: 'http://json-schema.org/draft-07/schema#',
    $id: 'urn:cadro:school-feed:1',
    title: 'What a school tells Cadro beside OneRoster',
    definitions: { ...feedCollections },
  }));
  mount(router, sourceRoutes.read, async ({ deps: { db }, guardianId, params: { sourceId } }) => {
    const guarded = await childrenFor(db, guardianId, 'write-record');
    const sources = await sourcesOfStudents(
      db,
      guarded.map(({ id }) => id),
    );
    const source = sources.find(({ id, kind }) => id === sourceId && kind === 'interface');
    if (!source) throw new HttpProblem('not-found');
    await takeTry(db, [{ kind: 'read-source', of: `${guardianId}:${sourceId}`, patience: readPatience }]);
    await addJobs(db, [readingJob(sourceId)]);
  });
  return router;
}
