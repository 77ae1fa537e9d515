import { attendanceRoutes } from '@cadro/contract';
import { dateIn } from '@cadro/core';
import type { Router } from 'express';
import type { ServerDeps } from '../kit';
import { mount, newRouter, Produced } from '../kit';
import { childrenFor, householdOf, requireChild } from '../household';
import { marksCsv, readMarksFile } from './marksFile';
import { attendanceOverview, type TouchedByPattern } from './overview';
import { saveMeaning } from './store';

export function attendanceRouter(given: ServerDeps, touchedBy: TouchedByPattern): Router {
  const router = newRouter(given);
  mount(router, attendanceRoutes.days, async ({ deps: { db, clock }, guardianId }) => {
    const now = await clock.now();
    const children = await childrenFor(db, guardianId, 'read-record');
    return {
      today: dateIn(children[0]?.timeZone ?? 'UTC', now),
      children: await attendanceOverview(db, { guardianId }, children, now, touchedBy),
    };
  });
  mount(router, attendanceRoutes.meaning, async ({ deps: { db, clock }, guardianId, params, body }) => {
    const child = await requireChild(db, guardianId, params.studentId, 'write-talk');
    const { id: householdId, author } = await householdOf(db, guardianId);
    await saveMeaning(db, { studentId: child.id, householdId }, body, { at: await clock.now(), author });
  });
  mount(router, attendanceRoutes.readMarks, async ({ deps, guardianId, params, body }) => {
    const child = await requireChild(deps.db, guardianId, params.studentId, 'write-talk');
    return readMarksFile(deps, guardianId, child, body);
  });
  mount(router, attendanceRoutes.marksCsv, async ({ deps, guardianId, params }) => {
    const child = await requireChild(deps.db, guardianId, params.studentId, 'read-record');
    const text = await marksCsv(deps, guardianId, child);
    return new Produced(Buffer.from(text), 'attendance.csv');
  });
  return router;
}
