import { sourceRoutes } from '@cadro/contract';
import { dayMs } from '@cadro/core';
import type { Router } from 'express';
import { upkeepJob } from '../../alerts';
import { addJobs, HttpProblem, mount, newRouter, type ServerDeps, setDemoClock, untilIdle } from '../../kit';
import { allSources, readingJob } from '../../sources';
import { followClockJob } from '../hooks';
import { SimulatedSchools } from './school';

const syncTimeoutMs = 60_000;

/** Demo only: moves the schools' clock and Cadro's by a day and reads every source, through the queue. */
export function demoRouter(given: ServerDeps, schoolUrl: string): Router {
  const schools = new SimulatedSchools(schoolUrl);
  const router = newRouter(given);
  // Time moves on for everybody, whoever asks.
  const { db, clock } = given;
  mount(router, sourceRoutes.moveDemoClock, async () => {
    await untilIdle(db, syncTimeoutMs);
    const next = new Date((await clock.now()).getTime() + dayMs);
    await setDemoClock(db, next);
    await schools.moveTo(next).catch((cause: unknown) => {
      throw new HttpProblem('source-unreachable', { cause });
    });
    await addJobs(
      db,
      (await allSources(db)).map(({ id }) => readingJob(id)),
    );
    await untilIdle(db, syncTimeoutMs);
    // What a day brings of itself: digests that are due, quiet hours that are over.
    await addJobs(db, [followClockJob, upkeepJob]);
    await untilIdle(db, syncTimeoutMs);
    return { now: next.toISOString() };
  });
  return router;
}
