import { contactRoutes } from '@cadro/contract';
import { vCards } from '@cadro/core/vcards';
import type { Router } from 'express';
import { requireChild } from '../household';
import { mount, newRouter, Produced, type ServerDeps } from '../kit';
import { contactsFor, contactView } from './contacts';

/** Whom the family of a child can turn to, and at which school. */
async function contactsOf({ db, clock }: ServerDeps, guardianId: string, studentId: string) {
  const { id, schoolName } = await requireChild(db, guardianId, studentId, 'read-record');
  const rows = await contactsFor(db, id, await clock.now());
  return { schoolName, contacts: rows.map(contactView) };
}

export function contactRouter(given: ServerDeps): Router {
  const router = newRouter(given);
  mount(router, contactRoutes.contacts, ({ deps, guardianId, params }) =>
    contactsOf(deps, guardianId, params.studentId),
  );
  mount(router, contactRoutes.vcard, async ({ deps, guardianId, params }) => {
    const { contacts, schoolName } = await contactsOf(deps, guardianId, params.studentId);
    return new Produced(new TextEncoder().encode(vCards(contacts, { schoolName })), 'contacts.vcf');
  });
  return router;
}
