import { termRoutes } from '@cadro/contract';
import { Router } from 'express';
import type { ServerDeps } from '../http/app';
import { mount, Produced } from '../http/mount';
import { requireChild } from '../household';
import { reportPage } from './print/reportPage';
import { reportOf } from './print/report';
import { childTerms } from './terms';

export function termRouter({ db, clock }: ServerDeps): Router {
  const router = Router();

  mount(router, termRoutes.terms, async ({ guardianId, params: { studentId } }) => {
    const child = await requireChild(db, guardianId, studentId, 'read-record');
    return childTerms(db, guardianId, child, await clock.now());
  });

  mount(router, termRoutes.report, async ({ guardianId, params: { studentId }, query: { termId } }) => {
    const child = await requireChild(db, guardianId, studentId, 'read-record');
    const now = await clock.now();
    const report = await reportOf(db, { guardianId, child, termId, now });
    return new Produced(await reportPage(report), `report-${now.toISOString().slice(0, 10)}.pdf`);
  });

  return router;
}
