import { roles, rolesAllowed, type Child, type Permission } from '@cadro/contract';
import { type Db, HttpProblem } from '../kit';
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

/**
 * Lets a guardian write about some children together; none named are all of them, of whom one is enough.
 * @throws HttpProblem 404 for a child that is not linked or where none is, 403 where one may only look.
 */
export async function requireWriter(
  db: Db,
  guardianId: string,
  studentIds: readonly string[],
): Promise<void> {
  const linked = await linkedChildren(db, guardianId, roles);
  const writing = rolesAllowed('write-talk');
  const writable = linked.filter(({ role }) => writing.includes(role));
  const allIn = (children: readonly Child[]) =>
    children.length > 0 && studentIds.every((studentId) => children.some(({ id }) => id === studentId));
  if (!allIn(linked)) throw new HttpProblem('not-found');
  if (!allIn(writable)) throw new HttpProblem('forbidden');
}
