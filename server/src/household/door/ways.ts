import type { Child, Issuer, Role, WayIn } from '@cadro/contract';
import { roles } from '@cadro/contract';
import { hashCode, HttpProblem, type Trx } from '../../kit';
import { codeByHash, useCode } from '../../records';
import { meetSchool } from '../file/named';
import { tellGuardians } from '../people/notices';
import { heldLinks } from '../people/peopleStore';
import type { RestrictingHooks } from '../people/restricting';
import { linkedChildren, putLink } from '../store';
import { invitationByHash, useInvitation, type Helps } from './invitationStore';

/** A code that is good now: what it opens, for whom, and how it is used up. */
export interface Way extends Omit<WayIn, 'children'> {
  readonly children: readonly {
    readonly id: string;
    readonly givenName: string;
    readonly schoolName: string;
  }[];
  readonly invitedById: string | null;
  /** The household the one who comes joins; null: one of their own. */
  readonly householdId: string | null;
  readonly helps: Helps | null;
  readonly use: (trx: Trx, guardianId: string, now: Date) => Promise<void>;
}

interface Spent {
  readonly usedAt: Date | null;
  readonly expiresAt: Date;
}

function refuseSpent({ usedAt, expiresAt }: Spent, now: Date): void {
  if (usedAt) throw new HttpProblem('code-used');
  if (expiresAt < now) throw new HttpProblem('code-expired');
}

async function schoolsWay(trx: Trx, hash: string, now: Date): Promise<Way | null> {
  const row = await codeByHash(trx, hash);
  if (!row) return null;
  refuseSpent({ usedAt: row.used_at, expiresAt: row.expires_at }, now);
  return {
    ...{
      issuer: 'school',
      role: 'guardian',
      invitedBy: null,
      invitedById: null,
      email: null,
      householdId: null,
      helps: null,
    },
    children: [{ id: row.student_id, givenName: row.given_name, schoolName: row.school_name }],
    use: (trx, guardianId, at) => useCode(trx, hash, guardianId, at),
  };
}

async function invitedWay(trx: Trx, hash: string, now: Date): Promise<Way | null> {
  const row = await invitationByHash(trx, hash);
  // One that was taken back is as unknown as one that never was.
  if (!row || row.withdrawn_at) return null;
  refuseSpent({ usedAt: row.used_at, expiresAt: row.expires_at }, now);
  // Who has left, or has lost the link, invites nobody any more.
  if (row.children.length === 0) throw new HttpProblem('code-expired');
  return {
    ...{ issuer: row.issuer, role: row.role, invitedBy: row.inviter, invitedById: row.invited_by },
    ...{ email: row.email, householdId: row.household_id, children: row.children },
    helps: row.courses && row.ends_on ? { courseIds: row.courses, until: row.ends_on } : null,
    use: (trx, guardianId, at) => useInvitation(trx, row.id, guardianId, at),
  };
}

/**
 * What a code opens, locked for the transaction, so that two cannot use it at once.
 * @throws HttpProblem `code-unknown`, `code-used` or `code-expired`.
 */
export async function wayBy(trx: Trx, code: string, now: Date): Promise<Way> {
  const hash = hashCode(code);
  const way = (await schoolsWay(trx, hash, now)) ?? (await invitedWay(trx, hash, now));
  if (!way) throw new HttpProblem('code-unknown');
  return way;
}

/** What may be shown of it before anybody has come in. */
export const shownWay = ({ issuer, role, children, invitedBy, email }: Way): WayIn => ({
  ...{ issuer, role, invitedBy, email },
  children: children.map(({ givenName, schoolName }) => ({ givenName, schoolName })),
});

/** A child's own account holds one record, its own; who is linked as anything else is no child. */
function refuseOtherKind(role: Role, linked: readonly Child[]): void {
  const isStudent = linked.some((child) => child.role === 'student');
  if (isStudent || (role === 'student' && linked.length > 0)) throw new HttpProblem('code-not-for-you');
}

/** An objection waits for the school, whatever code comes; and what the school has ended only its own code opens. */
async function refuseHeld(trx: Trx, { issuer, children }: Way, guardianId: string): Promise<void> {
  const held = await heldLinks(
    trx,
    guardianId,
    children.map(({ id }) => id),
  );
  const bySchool = issuer === 'school' || issuer === 'teacher';
  if (held.some(({ suspended }) => suspended || !bySchool)) throw new HttpProblem('link-on-hold');
}

/** What is to happen in the rooms below when something happens here, in the same transaction. */
export interface HouseholdHooks extends RestrictingHooks {
  /** A child has been linked. */
  readonly onLinked: (trx: Trx, studentId: string) => Promise<void>;
  /** A person has another address. */
  readonly onAddress: (trx: Trx, guardianId: string) => Promise<void>;
}

/** Links all children of a way to a person and uses it up, all or nothing. @returns the children that are new. */
export async function linkBy(
  trx: Trx,
  way: Way,
  guardianId: string,
  now: Date,
  hooks: HouseholdHooks,
): Promise<Child[]> {
  const linked = await linkedChildren(trx, guardianId, roles);
  const fresh = way.children.filter(({ id }) => !linked.some((child) => child.id === id));
  if (fresh.length === 0) throw new HttpProblem('already-linked');
  refuseOtherKind(way.role, linked);
  await refuseHeld(trx, way, guardianId);
  await way.use(trx, guardianId, now);
  for (const { id } of fresh) {
    const issuer: Issuer = way.issuer;
    await putLink(trx, {
      ...{ studentId: id, guardianId, role: way.role, now },
      ...{ issuer, invitedBy: way.invitedById, helps: way.helps },
    });
    await hooks.onLinked(trx, id);
    await tellGuardians(trx, {
      kind: 'link-made',
      studentId: id,
      aboutId: guardianId,
      byId: way.invitedById,
      role: way.role,
      now,
    });
  }
  const ids = fresh.map(({ id }) => id);
  await meetSchool(trx, ids, hooks, now);
  return (await linkedChildren(trx, guardianId, roles)).filter(({ id }) => ids.includes(id));
}
