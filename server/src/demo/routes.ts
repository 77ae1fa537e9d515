import { sourceRoutes } from '@cadro/contract';
import { Router } from 'express';
import { setDemoClock } from '../db';
import type { ServerDeps } from '../http/app';
import { mount } from '../http/mount';
import { HttpProblem } from '../http/problems';
import { enqueueSync, enqueueUpkeep, untilIdle } from '../jobs';
import { allSources } from '../sources';
import { SimulatedSchools } from './school';

const dayMs = 24 * 60 * 60 * 1000;
const syncTimeoutMs = 60_000;

/** Demo only: moves the schools' clock and Cadro's by a day and reads every source, through the queue. */
export function demoRouter({ db, clock }: ServerDeps, schoolUrl: string): Router {
  const schools = new SimulatedSchools(schoolUrl);
  const router = Router();
  mount(router, sourceRoutes.moveDemoClock, async () => {
    await untilIdle(db, syncTimeoutMs);
    const next = new Date((await clock.now()).getTime() + dayMs);
    await setDemoClock(db, next);
    await schools.moveTo(next).catch((cause: unknown) => {
      throw new HttpProblem('source-unreachable', { cause });
    });
    for (const { id } of await allSources(db)) await enqueueSync(db, id);
    await untilIdle(db, syncTimeoutMs);
    // What a day brings of itself: digests that are due, quiet hours that are over.
    await enqueueUpkeep(db);
    await untilIdle(db, syncTimeoutMs);
    return { now: next.toISOString() };
  });
  return router;
}
