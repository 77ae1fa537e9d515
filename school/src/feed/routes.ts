import { feedCollections, feedPath, feedScope, type FeedName } from '@cadro/contract';
import { Router } from 'express';
import { requireScope } from '../access';
import type { Faults } from '../faults';
import type { Manners } from '../manners';
import type { Simulation } from '../simulation';

/** The classroom feed of one school; its schemas stand at `/feed/v1/schema.json`. */
export function feedRouter(school: string, simulation: Simulation, faults: Faults, manners: Manners): Router {
  const router = Router();
  router.use('/feed', (_request, _response, next) =>
    next(manners.of(school).feed === false ? 'router' : undefined),
  );
  router.get('/feed/v1/schema.json', (_request, response) => void response.json(feedCollections));
  for (const name of Object.keys(feedCollections) as FeedName[]) {
    router.get(feedPath(name), requireScope(school, feedScope, manners), (request, response) => {
      const { since, limit = '100', offset = '0' } = request.query as Record<string, string | undefined>;
      const from = Number(offset);
      const size = Math.min(Number(limit), 1000);
      if (!Number.isInteger(from) || !Number.isInteger(size) || from < 0 || size < 1) {
        return void response.status(400).json({ error: 'limit and offset are whole numbers' });
      }
      const rows = (simulation.records.get(school)?.current(name, simulation.now) ?? [])
        .filter(({ changedAt }) => !since || changedAt > new Date(since).toISOString())
        .map(({ id, changedAt, row }) => ({ id, changedAt, ...row }));
      response.set('X-Total-Count', String(rows.length));
      faults.answer(school, name, response, { records: rows.slice(from, from + size) });
    });
  }
  return router;
}
