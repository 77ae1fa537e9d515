import { contactKinds, type Contact } from '@cadro/contract';
import type { Db } from '../kit';
import * as store from './store';

export const contactView = ({ answers_for: answersFor, habits: _, ...row }: store.ContactRow): Contact => ({
  ...row,
  answersFor,
  courses: [...row.courses],
});

/** Everybody at the school whom the family of a child can turn to: its teachers by name, then offices and desks. */
export async function contactsFor(db: Db, studentId: string, now: Date): Promise<store.ContactRow[]> {
  const [teachers, offices] = await Promise.all([
    store.teachersOf(db, studentId, now),
    store.officesOf(db, studentId),
  ]);
  const place = ({ kind }: store.ContactRow) => contactKinds.indexOf(kind);
  return [...teachers, ...offices].sort((a, b) => place(a) - place(b) || a.name.localeCompare(b.name));
}
