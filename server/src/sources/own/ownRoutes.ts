import { besideRoutes, mailRoutes, ownRoutes } from '@cadro/contract';
import type { Router } from 'express';
import { mount, newRouter, type Served, type ServerDeps } from '../../kit';
import { requireGuardian, type OwnLinkHooks } from '../../household';
import {
  addFamilySource,
  answerFamilyBundle,
  dropFamilySource,
  familySchools,
  putFamilyBundle,
} from '../imports/family/familyBundles';
import { dropForwarded, forwardedMails, placeForwarded } from '../mail/forwarded';
import { besideOf, putLead, putPair, requireBeside } from '../beside/beside';
import { join, otherCourses, part } from '../beside/joined';
import { addOwnChild, changeOwnChild, forgetOwnChild, putOwnTerm } from './ownChild';
import { dropOwnCourse, ownRecord, putOwnCourse } from './ownCourse';
import { dropOwnWork, putOwnWork } from './ownWork';
import type { OwnDeps } from './writeOwn';

/** Schools whose exports a family hands over. */
function schoolPages(router: Served): void {
  mount(router, ownRoutes.schools, async ({ deps, guardianId }) => ({
    schools: await familySchools(deps, guardianId),
  }));
  mount(router, ownRoutes.addSchool, async ({ deps, guardianId, body }) => ({
    id: await addFamilySource(deps, guardianId, body),
  }));
  mount(router, ownRoutes.putExport, async ({ deps, guardianId, params, query: { name }, request }) => ({
    id: await putFamilyBundle(deps, guardianId, { ...params, name, stream: request }),
  }));
  mount(router, ownRoutes.answerExport, ({ deps, guardianId, params: { bundleId }, body: { answer } }) =>
    answerFamilyBundle(deps, guardianId, bundleId, answer),
  );
  mount(router, ownRoutes.dropSchool, ({ deps, guardianId, params: { sourceId } }) =>
    dropFamilySource(deps, guardianId, sourceId),
  );
}

/** Mail that a family forwards. */
function mailPages(router: Served, hooks: Pick<OwnDeps, 'reading' | 'onWritten'>): void {
  mount(router, mailRoutes.mails, ({ deps, guardianId }) => forwardedMails(deps, guardianId));
  mount(router, mailRoutes.placeMail, ({ deps, guardianId, params: { mailId }, body }) =>
    placeForwarded({ ...deps, ...hooks }, guardianId, mailId, body),
  );
  mount(router, mailRoutes.dropMail, ({ deps, guardianId, params: { mailId } }) =>
    dropForwarded(deps, guardianId, mailId),
  );
}

/** What a household has beside the record that a school keeps. */
function besidePages(router: Served, hooks: Pick<OwnDeps, 'reading' | 'onWritten'>): void {
  mount(router, besideRoutes.beside, ({ deps, guardianId, params: { studentId } }) =>
    besideOf({ ...deps, ...hooks }, guardianId, studentId),
  );
  mount(router, besideRoutes.pair, ({ deps, guardianId, params: { studentId }, body }) =>
    putPair({ ...deps, ...hooks }, guardianId, studentId, body),
  );
  mount(router, besideRoutes.lead, ({ deps, guardianId, params: { studentId }, body }) =>
    putLead({ ...deps, ...hooks }, guardianId, studentId, body),
  );
  mount(router, besideRoutes.other, async ({ deps, guardianId, params: { studentId, otherId } }) => {
    const own = await requireBeside({ ...deps, ...hooks }, guardianId, studentId);
    return { courses: await otherCourses({ ...deps, ...hooks }, guardianId, own, otherId) };
  });
  mount(router, besideRoutes.join, async ({ deps, guardianId, params: { studentId, otherId }, body }) => {
    const own = await requireBeside({ ...deps, ...hooks }, guardianId, studentId);
    await join({ ...deps, ...hooks }, guardianId, own, { otherId, ...body });
  });
  mount(router, besideRoutes.part, async ({ deps, guardianId, params: { studentId, otherId }, body }) => {
    const own = await requireBeside({ ...deps, ...hooks }, guardianId, studentId);
    await part(own, { otherId, ...body });
  });
}

/** What a family brings in itself. */
export function ownRouter(
  given: ServerDeps,
  hooks: OwnLinkHooks & Pick<OwnDeps, 'reading' | 'onWritten'>,
): Router {
  const router = newRouter(given);
  const { reading, onWritten } = hooks;
  mount(router, ownRoutes.addChild, async ({ deps, guardianId, body }) => {
    const { household_id: householdId } = await requireGuardian(deps, guardianId);
    return addOwnChild({ ...deps, reading, onWritten }, { id: guardianId, householdId }, body, hooks);
  });
  mount(router, ownRoutes.record, ({ deps, guardianId, params: { studentId } }) =>
    ownRecord({ ...deps, reading, onWritten }, guardianId, studentId),
  );
  mount(router, ownRoutes.changeChild, ({ deps, guardianId, params: { studentId }, body }) =>
    changeOwnChild({ ...deps, reading, onWritten }, guardianId, studentId, body),
  );
  mount(router, ownRoutes.forgetChild, ({ deps, guardianId, params: { studentId } }) =>
    forgetOwnChild({ ...deps, reading, onWritten }, guardianId, studentId),
  );
  mount(router, ownRoutes.putTerm, async ({ deps, guardianId, params: { studentId }, body }) => ({
    termId: await putOwnTerm({ ...deps, reading, onWritten }, guardianId, studentId, body),
  }));
  mount(router, ownRoutes.putCourse, async ({ deps, guardianId, params: { studentId }, body }) => ({
    courseId: await putOwnCourse({ ...deps, reading, onWritten }, guardianId, studentId, body),
  }));
  mount(router, ownRoutes.dropCourse, ({ deps, guardianId, params }) =>
    dropOwnCourse({ ...deps, reading, onWritten }, guardianId, params),
  );
  mount(router, ownRoutes.putWork, ({ deps, guardianId, params, body: { rows } }) =>
    putOwnWork({ ...deps, reading, onWritten }, guardianId, params, rows),
  );
  mount(router, ownRoutes.dropWork, ({ deps, guardianId, params }) =>
    dropOwnWork({ ...deps, reading, onWritten }, guardianId, params),
  );
  schoolPages(router);
  mailPages(router, { reading, onWritten });
  besidePages(router, { reading, onWritten });
  return router;
}
