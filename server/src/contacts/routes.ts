import { contactRoutes } from '@cadro/contract';
import { vCards } from '@cadro/core/vcards';
import type { Router } from 'express';
import { requireChild } from '../household';
import { mount, newRouter, Produced, type ServerDeps } from '../kit';
import { contactsFor, contactView } from './contacts';
import { schoolNameOf } from './store';

export function contactRouter(given: ServerDeps): Router {
  const router = newRouter(given);

  mount(router, contactRoutes.contacts, async ({ deps: { db, clock }, guardianId, params }) => {
    const child = await requireChild(db, guardianId, params.studentId, 'read-record');
    const [rows, schoolName] = await Promise.all([
      contactsFor(db, child.id, await clock.now()),
      schoolNameOf(db, child.id),
    ]);
    return { schoolName, contacts: rows.map(contactView) };
  });

  mount(router, contactRoutes.vcard, async ({ deps: { db, clock }, guardianId, params }) => {
    const child = await requireChild(db, guardianId, params.studentId, 'read-record');
    const [rows, schoolName] = await Promise.all([
      contactsFor(db, child.id, await clock.now()),
      schoolNameOf(db, child.id),
    ]);
    const cards = vCards(rows.map(contactView), { schoolName });
    return new Produced(new TextEncoder().encode(cards), 'contacts.vcf');
  });
  return router;
}
