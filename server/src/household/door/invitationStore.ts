import type { Issuer, Role } from '@cadro/contract';
import type { Db, Trx } from '../../kit';

export interface InvitationRow {
  readonly id: string;
  readonly issuer: Issuer;
  readonly role: Role;
  readonly invited_by: string | null;
  readonly inviter: string | null;
  readonly household_id: string | null;
  readonly email: string | null;
  readonly courses: readonly string[] | null;
  readonly ends_on: string | null;
  readonly expires_at: Date;
  readonly used_at: Date | null;
  readonly withdrawn_at: Date | null;
  /** Those of its children whom whoever invited may still invite to. */
  readonly children: readonly {
    readonly id: string;
    readonly givenName: string;
    readonly schoolName: string;
  }[];
}

/** An invitation by its code; locked for the transaction, so that two cannot use it at once. */
export async function invitationByHash(trx: Trx, hash: string): Promise<InvitationRow | undefined> {
  const row = await trx('invitations as v')
    .leftJoin('guardians as g', 'g.id', 'v.invited_by')
    .where({ 'v.code_hash': hash })
    .forUpdate('v')
    .first<Omit<InvitationRow, 'children'> | undefined>(
      ...['v.id', 'v.issuer', 'v.role', 'v.invited_by', 'g.name as inviter', 'v.household_id', 'v.email'],
      ...['v.expires_at', 'v.used_at', 'v.withdrawn_at', 'v.courses', 'v.ends_on'],
    );
  if (!row) return undefined;
  const children = await trx('invitation_children as c')
    .join('student_profiles as s', 's.student_id', 'c.student_id')
    .where({ 'c.invitation_id': row.id })
    .where((still) =>
      row.invited_by === null
        ? still
        : still.whereExists(
            trx('guardian_links as l')
              .whereRaw('l.student_id = c.student_id')
              .where({ 'l.guardian_id': row.invited_by })
              .whereNull('l.ended_at')
              .whereNull('l.suspended_at')
              .select(trx.raw('1')),
          ),
    )
    .orderBy('s.given_name')
    .select<InvitationRow['children']>(
      's.student_id as id',
      's.given_name as givenName',
      's.school_name as schoolName',
    );
  return { ...row, children };
}

export async function useInvitation(trx: Trx, id: string, guardianId: string, now: Date): Promise<void> {
  await trx('invitations').where({ id }).update({ used_at: now, used_by: guardianId });
}

/** What somebody who helps sees of one child. */
export interface Helps {
  readonly courseIds: readonly string[];
  readonly until: string;
}

export interface NewInvitation {
  readonly codeHash: string;
  readonly issuer: Issuer;
  readonly role: Role;
  readonly invitedBy: string | null;
  readonly householdId: string | null;
  readonly email: string | null;
  readonly studentIds: readonly string[];
  /** What a helper sees, and until which day. */
  readonly helps?: Helps | null;
  readonly now: Date;
  readonly expiresAt: Date;
}

/** @returns its id. */
export async function addInvitation(db: Db | Trx, invitation: NewInvitation): Promise<string> {
  const {
    codeHash,
    issuer,
    role,
    invitedBy,
    householdId,
    email,
    now,
    expiresAt,
    studentIds,
    helps = null,
  } = invitation;
  const [row] = await db('invitations')
    .insert({
      ...{ code_hash: codeHash, issuer, role, invited_by: invitedBy, household_id: householdId, email },
      ...{ made_at: now, expires_at: expiresAt },
      ...{ courses: helps?.courseIds ?? null, ends_on: helps?.until ?? null },
    })
    .returning<{ id: string }[]>('id');
  if (!row) throw new Error('an invitation just written has no id');
  await db('invitation_children').insert(
    studentIds.map((student_id) => ({ student_id, invitation_id: row.id })),
  );
  return row.id;
}
