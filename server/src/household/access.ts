import { roles, rolesAllowed, type Child, type Permission } from '@cadro/contract';
import { dateIn } from '@cadro/core';
import type { Db } from '../db';
import { HttpProblem } from '../http/problems';
import { linkedChildren } from './store';

/** The linked children a guardian may do this with. Every query of a child's data starts from these. */
export const childrenFor = (db: Db, guardianId: string, permission: Permission): Promise<Child[]> =>
  linkedChildren(db, guardianId, rolesAllowed(permission));

/**
 * The one linked child a request names.
 * @throws HttpProblem 404 when there is no link (nobody learns whether the child exists), 403 when the link
 * does not allow it.
 */
export async function requireChild(
  db: Db,
  guardianId: string,
  studentId: string,
  permission: Permission,
): Promise<Child> {
  const child = (await linkedChildren(db, guardianId, roles)).find(({ id }) => id === studentId);
  if (!child) throw new HttpProblem('not-found');
  if (!rolesAllowed(permission).includes(child.role)) throw new HttpProblem('forbidden');
  return child;
}

/** Today's date where one child goes to school. */
export async function schoolDateOf(db: Db, studentId: string, now: Date): Promise<string> {
  const row = await db('students as s')
    .join('schools as sch', 'sch.id', 's.school_id')
    .where({ 's.id': studentId })
    .first<{ time_zone: string } | undefined>('sch.time_zone');
  return dateIn(row?.time_zone ?? 'UTC', now);
}
