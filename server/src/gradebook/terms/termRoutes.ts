import { termRoutes } from '@cadro/contract';
import type { Router } from 'express';
import type { ServerDeps } from '../../kit';
import { mount, newRouter, Produced } from '../../kit';
import { requireChild } from '../../household';
import { cardsOf } from '../print/cards';
import { cardsPage } from '../print/cardsPage';
import { reportPage } from '../print/reportPage';
import { reportOf } from '../print/report';
import { schoolYears } from './terms';

export function termRouter(given: ServerDeps): Router {
  const router = newRouter(given);

  mount(router, termRoutes.terms, async ({ deps: { db, clock }, guardianId, params: { studentId } }) => {
    const child = await requireChild(db, guardianId, studentId, 'read-record');
    return (await schoolYears(db, guardianId, child, await clock.now())).answer;
  });

  mount(
    router,
    termRoutes.report,
    async ({ deps: { db, clock }, guardianId, params: { studentId }, query: { termId } }) => {
      const child = await requireChild(db, guardianId, studentId, 'read-record');
      const now = await clock.now();
      const report = await reportOf(db, { guardianId, child, termId, now });
      return new Produced(await reportPage(report), `report-${now.toISOString().slice(0, 10)}.pdf`);
    },
  );

  mount(
    router,
    termRoutes.cards,
    async ({ deps: { db, clock }, guardianId, params: { studentId }, query: { yearId } }) => {
      const child = await requireChild(db, guardianId, studentId, 'read-record');
      const now = await clock.now();
      const cards = await cardsOf(db, { guardianId, child, yearId, now });
      return new Produced(await cardsPage(cards), `report-cards-${now.toISOString().slice(0, 10)}.pdf`);
    },
  );

  return router;
}
