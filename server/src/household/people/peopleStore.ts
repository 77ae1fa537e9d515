import type { Issuer, Role } from '@cadro/contract';
import type { Db, Trx } from '../../kit';

/** A link to a child with who has it, ended ones left out. */
export interface LinkRow {
  readonly student_id: string;
  readonly guardian_id: string;
  readonly name: string;
  readonly household_id: string;
  readonly shows_itself: boolean;
  readonly role: Role;
  readonly linked_at: Date;
  readonly issuer: Issuer | null;
  readonly invited_by: string | null;
  readonly suspended_at: Date | null;
  readonly answered_at: Date | null;
  /** The courses of a helper, and their last day. */
  readonly courses: readonly string[] | null;
  readonly ends_on: string | null;
  /** By the school's id of whom it names for the child; null: nobody of those, as far as is known. */
  readonly named_as: string | null;
}

/** Everybody who is linked to some children, the first linked first. */
export const linksOf = (db: Db | Trx, studentIds: readonly string[]): Promise<LinkRow[]> =>
  db('guardian_links as l')
    .join('guardians as g', 'g.id', 'l.guardian_id')
    .join('households as h', 'h.id', 'g.household_id')
    .whereIn('l.student_id', [...studentIds])
    .whereNull('l.ended_at')
    .orderBy(['l.linked_at', 'g.name'])
    .select<LinkRow[]>(
      ...['l.student_id', 'l.guardian_id', 'g.name', 'g.household_id', 'h.shows_itself', 'l.role'],
      ...['l.linked_at', 'l.issuer', 'l.invited_by', 'l.suspended_at', 'l.answered_at'],
      ...['l.courses', 'l.ends_on', 'l.named_as'],
    );

/** The links of helpers whose last day is over where the child goes to school. */
export const overdueLinks = async (db: Db, now: Date): Promise<LinkRow[]> => {
  const over = await db('guardian_links as l')
    .join('student_profiles as s', 's.student_id', 'l.student_id')
    .whereNull('l.ended_at')
    .whereRaw('l.ends_on < (? at time zone s.time_zone)::date', [now])
    .select<{ student_id: string; guardian_id: string }[]>('l.student_id', 'l.guardian_id');
  const links = await linksOf(
    db,
    over.map(({ student_id }) => student_id),
  );
  return links.filter((link) =>
    over.some((each) => each.student_id === link.student_id && each.guardian_id === link.guardian_id),
  );
};

export interface CourseRow {
  readonly student_id: string;
  readonly course_id: string;
  readonly title: string;
}

/** The courses that some children are in and that are not over. */
export const coursesOf = (db: Db, studentIds: readonly string[], now: Date): Promise<CourseRow[]> =>
  db('student_courses as c')
    .whereIn('student_id', [...studentIds])
    .whereExists(
      db('course_terms as t')
        .whereRaw('t.course_id = c.course_id')
        .where('t.ends_on', '>=', now)
        .select(db.raw('1')),
    )
    .orderBy(['title', 'course_id'])
    .select<CourseRow[]>('student_id', 'course_id', 'title');

const linkOf = (db: Db | Trx, studentId: string, guardianId: string) =>
  db('guardian_links').where({ student_id: studentId, guardian_id: guardianId }).whereNull('ended_at');

export async function endLink(trx: Trx, studentId: string, guardianId: string, at: Date): Promise<void> {
  await linkOf(trx, studentId, guardianId).update({ ended_at: at });
}

export async function setRole(trx: Trx, studentId: string, guardianId: string, role: Role): Promise<void> {
  await linkOf(trx, studentId, guardianId).update({ role });
}

export async function suspendLink(
  trx: Trx,
  studentId: string,
  guardianId: string,
  by: string,
  at: Date,
): Promise<void> {
  await linkOf(trx, studentId, guardianId).update({ suspended_at: at, suspended_by: by });
}

/** The school has answered an objection: the link opens the record again, and nobody objects to it any more. */
export const restoreLink = async (
  trx: Db | Trx,
  studentId: string,
  guardianId: string,
  at: Date,
): Promise<boolean> =>
  (await linkOf(trx, studentId, guardianId)
    .whereNotNull('suspended_at')
    .update({ suspended_at: null, answered_at: at })) > 0;

export async function showsItself(db: Db, householdId: string): Promise<boolean> {
  const row = await db('households')
    .where({ id: householdId })
    .first<{ shows_itself: boolean }>('shows_itself');
  return row.shows_itself;
}

export async function setShowsItself(db: Db, householdId: string, shows: boolean): Promise<void> {
  await db('households').where({ id: householdId }).update({ shows_itself: shows });
}

export interface OpenInvitationRow {
  readonly id: string;
  readonly student_id: string;
  readonly role: Role;
  readonly email: string | null;
  readonly made_at: Date;
  readonly expires_at: Date;
}

/** What a household has given out for its children and nobody has used. */
export const openInvitations = (
  db: Db,
  inviters: readonly string[],
  now: Date,
): Promise<OpenInvitationRow[]> =>
  db('invitations as v')
    .join('invitation_children as c', 'c.invitation_id', 'v.id')
    .whereIn('v.invited_by', [...inviters])
    .whereNull('v.used_at')
    .whereNull('v.withdrawn_at')
    .where('v.expires_at', '>', now)
    .orderBy('v.made_at')
    .select<OpenInvitationRow[]>('v.id', 'c.student_id', 'v.role', 'v.email', 'v.made_at', 'v.expires_at');

/** @returns whether there was one to take back. */
export const withdrawInvitation = async (
  db: Db,
  inviters: readonly string[],
  id: string,
  at: Date,
): Promise<boolean> =>
  (await db('invitations')
    .where({ id })
    .whereIn('invited_by', [...inviters])
    .whereNull('used_at')
    .whereNull('withdrawn_at')
    .update({ withdrawn_at: at })) > 0;

/** Everybody of a household. */
export const membersOf = (db: Db | Trx, householdId: string): Promise<string[]> =>
  db('guardians').where({ household_id: householdId }).pluck('id');

export interface SuspendedRow {
  readonly student_id: string;
  readonly given_name: string;
  readonly guardian_id: string;
  readonly name: string;
  readonly suspended_at: Date;
}

/** Links that wait for the school's answer, the longest waiting first. */
export const suspendedLinks = (db: Db): Promise<SuspendedRow[]> =>
  db('guardian_links as l')
    .join('guardians as g', 'g.id', 'l.guardian_id')
    .join('student_profiles as s', 's.student_id', 'l.student_id')
    .whereNull('l.ended_at')
    .whereNotNull('l.suspended_at')
    .orderBy('l.suspended_at')
    .select<SuspendedRow[]>('l.student_id', 's.given_name', 'l.guardian_id', 'g.name', 'l.suspended_at');

/** The school has ended a link: no invitation of anybody takes it up again. */
export async function barLink(trx: Trx, studentId: string, guardianId: string, at: Date): Promise<void> {
  await trx('guardian_links')
    .where({ student_id: studentId, guardian_id: guardianId })
    .update({ barred_at: at });
}

export interface HeldLink {
  readonly student_id: string;
  /** Whether somebody has objected to it; else the school has ended it. */
  readonly suspended: boolean;
}

/** Links of a person that no invitation may lead around: on hold until the school answers, or ended by it. */
export const heldLinks = (trx: Trx, guardianId: string, studentIds: readonly string[]): Promise<HeldLink[]> =>
  trx('guardian_links')
    .where({ guardian_id: guardianId })
    .whereIn('student_id', [...studentIds])
    .where((held) =>
      held
        .whereNotNull('barred_at')
        .orWhere((open) => open.whereNull('ended_at').whereNotNull('suspended_at')),
    )
    .select<HeldLink[]>('student_id', trx.raw('barred_at is null as suspended'));
