import { rolesAllowed, type Child, type Issuer, type Language, type Role } from '@cadro/contract';
import type { Db, Trx } from '../kit';

export interface GuardianRow {
  readonly id: string;
  readonly household_id: string;
  readonly email: string;
  readonly password_hash: string;
  readonly name: string;
  readonly given_name: string;
  readonly language: Language;
  /** When the address was shown to be theirs; until then nothing but the confirmation goes to it. */
  readonly confirmed_at: Date | null;
  readonly shown_as: string | null;
  readonly leaves_at: Date | null;
  /** The edition of what the operator asks for that was agreed to last, and when. */
  readonly agreed_to: string | null;
  readonly agreed_at: Date | null;
}

export type NewGuardian = Omit<
  GuardianRow,
  'id' | 'household_id' | 'confirmed_at' | 'shown_as' | 'leaves_at' | 'agreed_to' | 'agreed_at'
> &
  Partial<Pick<GuardianRow, 'confirmed_at'>>;

export const guardianByEmail = (db: Db | Trx, email: string): Promise<GuardianRow | undefined> =>
  db<GuardianRow>('guardians').whereRaw('lower(email) = lower(?)', [email]).first();

export const guardianById = (db: Db | Trx, id: string): Promise<GuardianRow | undefined> =>
  db<GuardianRow>('guardians').where({ id }).first();

export const guardiansByIds = (db: Db | Trx, ids: readonly string[]): Promise<GuardianRow[]> =>
  db<GuardianRow>('guardians')
    .whereIn('id', [...ids])
    .orderBy('id');

/** The children a person is a guardian of. */
export const guardedBy = (db: Db | Trx, guardianId: string): Promise<string[]> =>
  db('guardian_links')
    .where({ guardian_id: guardianId, role: 'guardian' })
    .whereNull('ended_at')
    .whereNull('suspended_at')
    .whereNull('joined_to')
    .pluck('student_id');

/** Given names by child. */
export async function studentNames(
  db: Db | Trx,
  studentIds: readonly string[],
): Promise<ReadonlyMap<string, string>> {
  const rows = await db('student_profiles')
    .whereIn('student_id', [...studentIds])
    .select<{ student_id: string; given_name: string }[]>('student_id', 'given_name');
  return new Map(rows.map(({ student_id, given_name }) => [student_id, given_name]));
}

/** The household a signed-in guardian writes for, and the name the entry bears. */
export async function householdOf(
  db: Db,
  guardianId: string,
): Promise<{ id: string; author: string; givenName: string }> {
  const guardian = await guardianById(db, guardianId);
  if (!guardian) throw new Error(`no guardian ${guardianId}`);
  const { household_id: id, name, shown_as, given_name: givenName } = guardian;
  return { id, author: shown_as ?? name, givenName };
}

/** Who of a household sees a child, the first linked first. */
export const familyWith = (
  db: Db,
  { householdId, studentId }: { readonly householdId: string; readonly studentId: string },
): Promise<{ id: string; givenName: string; role: Role }[]> =>
  db('standing_links as l')
    .join('guardian_profiles as g', 'g.guardian_id', 'l.guardian_id')
    .where({ 'l.student_id': studentId, 'l.household_id': householdId })
    .orderBy(['l.linked_at', 'g.given_name'])
    .select('g.guardian_id as id', 'g.given_name as givenName', 'l.role');

export async function confirmAddress(trx: Trx, id: string, at: Date): Promise<void> {
  await trx('guardians').where({ id }).update({ confirmed_at: at });
}

export async function setAddress(trx: Trx, id: string, email: string, confirmed_at: Date): Promise<void> {
  await trx('guardians').where({ id }).update({ email, confirmed_at });
}

export async function setPassword(trx: Trx, id: string, password_hash: string): Promise<void> {
  await trx('guardians').where({ id }).update({ password_hash });
}

export async function setAgreed(trx: Trx, id: string, agreed_to: string, agreed_at: Date): Promise<void> {
  await trx('guardians').where({ id }).update({ agreed_to, agreed_at });
}

/** What a person may change of their own. */
export interface ProfileChange {
  readonly language?: Language;
  readonly name?: string;
  readonly given_name?: string;
  readonly shown_as?: string | null;
}

export async function changeProfile(db: Db, id: string, change: ProfileChange): Promise<void> {
  await db('guardians').where({ id }).update(change);
}

export async function setLeaving(trx: Db | Trx, id: string, leaves_at: Date | null): Promise<void> {
  await trx('guardians').where({ id }).update({ leaves_at });
}

/** Whose time to take it back is over. */
export const leavers = (db: Db, now: Date): Promise<GuardianRow[]> =>
  db<GuardianRow>('guardians').where('leaves_at', '<=', now).orderBy('leaves_at');

/** Deletes a person with all that is theirs alone; with the last of a household goes the household. */
export async function deleteGuardian(trx: Trx, { id, household_id }: GuardianRow): Promise<void> {
  await trx('guardians').where({ id }).delete();
  const others = trx('guardians').where({ household_id }).select(trx.raw('1'));
  await trx('households').where({ id: household_id }).whereNotExists(others).delete();
}

/** Puts down that a guardian has looked. */
export async function markLooked(db: Db, id: string, at: Date): Promise<void> {
  await db('guardians').where({ id }).update({ looked_at: at });
}

/** The children a guardian is linked to now, oldest first. */
export function linkedChildren(db: Db | Trx, guardianId: string, roles: readonly Role[]): Promise<Child[]> {
  return db('guardian_links as l')
    .join('student_profiles as s', 's.student_id', 'l.student_id')
    .where({ 'l.guardian_id': guardianId })
    .whereNull('l.ended_at')
    .whereNull('l.suspended_at')
    .whereNull('l.joined_to')
    .whereIn('l.role', [...roles])
    .orderByRaw(`substring(s.year from '[0-9]{1,3}')::int desc nulls last, s.given_name`)
    .select<Child[]>(
      's.student_id as id',
      's.given_name as givenName',
      's.family_name as familyName',
      's.year',
      's.school_name as schoolName',
      's.time_zone as timeZone',
      's.by_hand as byHand',
      'l.role',
    );
}

/** For whom a household's mail is read: its language, the zone its children live in, and who they are. */
export async function householdReader(
  db: Db,
  householdId: string,
): Promise<{ language: Language; timeZone: string; children: { id: string; givenName: string }[] } | null> {
  const guardian = await db<GuardianRow>('guardians')
    .where({ household_id: householdId })
    .orderBy('id')
    .first<{ language: Language } | undefined>('language');
  if (!guardian) return null;
  const children = await db('standing_links as l')
    .join('student_profiles as s', 's.student_id', 'l.student_id')
    .where({ 'l.household_id': householdId, 'l.role': 'guardian' })
    .distinct<{ id: string; givenName: string; timeZone: string }[]>(
      's.student_id as id',
      's.given_name as givenName',
      's.time_zone as timeZone',
    );
  return { language: guardian.language, timeZone: children[0]?.timeZone ?? 'UTC', children };
}

/** The children of a source whom somebody has never been linked to. */
export const neverLinked = (trx: Trx, sourceId: string, guardianId: string): Promise<string[]> =>
  trx('student_profiles as s')
    .where({ 's.source_id': sourceId })
    .whereNotExists(
      trx('guardian_links as l')
        .whereRaw('l.student_id = s.student_id')
        .where({ 'l.guardian_id': guardianId })
        .select(trx.raw('1')),
    )
    .orderBy('s.student_id')
    .pluck('s.student_id');

/** Links, or takes an ended link up again. */
export async function putLink(
  trx: Db | Trx,
  link: {
    studentId: string;
    guardianId: string;
    role: Role;
    now: Date;
    issuer?: Issuer;
    invitedBy?: string | null;
    helps?: { readonly courseIds: readonly string[]; readonly until: string } | null;
  },
): Promise<void> {
  const { studentId, guardianId, role, now, issuer = 'school', invitedBy = null, helps = null } = link;
  const row = {
    ...{ role, linked_at: now, issuer, invited_by: invitedBy },
    ...{ courses: helps?.courseIds ?? null, ends_on: helps?.until ?? null },
  };
  await trx('guardian_links')
    .insert({ student_id: studentId, guardian_id: guardianId, ...row })
    .onConflict(['student_id', 'guardian_id'])
    .merge({
      ...row,
      ended_at: null,
      suspended_at: null,
      suspended_by: null,
      joined_to: null,
      answered_at: null,
      barred_at: null,
      // Whom the school named and named no longer, and lets in again, is met anew.
      named_as: null,
    });
}

export async function addHousehold(
  trx: Db | Trx,
  name: string,
  members: readonly NewGuardian[],
): Promise<string[]> {
  const [household] = await trx('households').insert({ name }).returning<{ id: string }[]>('id');
  const rows = await trx('guardians')
    .insert(members.map((member) => ({ ...member, household_id: household?.id })))
    .returning<{ id: string }[]>('id');
  return rows.map(({ id }) => id);
}

/** One more person of a household. @returns the new id. */
export async function addMember(trx: Trx, householdId: string, member: NewGuardian): Promise<string> {
  const [row] = await trx('guardians')
    .insert({ ...member, household_id: householdId })
    .returning<{ id: string }[]>('id');
  if (!row) throw new Error('a guardian just written has no id');
  return row.id;
}

/** Everyone whom somebody is linked to. */
export const linkedStudents = (db: Db): Promise<string[]> =>
  db('guardian_links').whereNull('ended_at').distinct().orderBy('student_id').pluck('student_id');

/** Who of a guardian's own household reads what is written about a child, by name. */
export const readersAtHome = (db: Db, guardianId: string, studentId: string): Promise<string[]> =>
  db('standing_links as l')
    .join('guardian_profiles as p', 'p.guardian_id', 'l.guardian_id')
    .join('guardian_profiles as own', 'own.household_id', 'l.household_id')
    .where({ 'l.student_id': studentId, 'own.guardian_id': guardianId })
    .whereIn('l.role', [...rolesAllowed('read-talk')])
    .orderBy('p.name')
    .pluck('p.name');

/** The other guardians of a guardian's own household who write about any of some children. */
export const writersBeside = (
  db: Db,
  guardianId: string,
  studentIds: readonly string[],
): Promise<{ id: string; name: string }[]> =>
  db('standing_links as l')
    .join('guardian_profiles as p', 'p.guardian_id', 'l.guardian_id')
    .join('guardian_profiles as own', 'own.household_id', 'l.household_id')
    .where({ 'own.guardian_id': guardianId })
    .whereIn('l.student_id', [...studentIds])
    .whereNot({ 'l.guardian_id': guardianId })
    .whereIn('l.role', [...rolesAllowed('write-talk')])
    .orderBy('p.name')
    .distinct('p.guardian_id as id', 'p.name');
