import { join } from 'node:path';
import { termRoutes } from '@cadro/contract';
import type { Router } from 'express';
import type { ServerDeps } from '../../kit';
import { mount, newRouter, paperLimits, Produced, threadKind } from '../../kit';
import { requireChild } from '../../household';
import { cardsOf } from '../print/cards';
import type * as program from '../print/print.worker';
import { reportOf } from '../print/report';
import { schoolYears } from './terms';

/** Reports and report cards are drawn apart. */
const printing = threadKind<typeof program>(join(__dirname, '..', 'print'), 'print.worker', paperLimits);

export function termRouter(given: ServerDeps): Router {
  const router = newRouter(given);

  mount(router, termRoutes.terms, async ({ deps: { db, clock }, guardianId, params: { studentId } }) => {
    const child = await requireChild(db, guardianId, studentId, 'read-record');
    return (await schoolYears(db, guardianId, child, await clock.now())).answer;
  });

  mount(
    router,
    termRoutes.report,
    async ({ deps: { db, clock, threads }, guardianId, params: { studentId }, query: { termId } }) => {
      const child = await requireChild(db, guardianId, studentId, 'read-record');
      const now = await clock.now();
      const report = await reportOf(db, { guardianId, child, termId, now });
      const bytes = await threads.of(printing).run('reportPage', report, { whose: guardianId });
      return new Produced(bytes, `report-${now.toISOString().slice(0, 10)}.pdf`);
    },
  );

  mount(
    router,
    termRoutes.cards,
    async ({ deps: { db, clock, threads }, guardianId, params: { studentId }, query: { yearId } }) => {
      const child = await requireChild(db, guardianId, studentId, 'read-record');
      const now = await clock.now();
      const cards = await cardsOf(db, { guardianId, child, yearId, now });
      const bytes = await threads.of(printing).run('cardsPage', cards, { whose: guardianId });
      return new Produced(bytes, `report-cards-${now.toISOString().slice(0, 10)}.pdf`);
    },
  );

  return router;
}
