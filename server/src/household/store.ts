import type { Child, Language, Role } from '@cadro/contract';
import type { Db, Trx } from '../kit';

export interface GuardianRow {
  readonly id: string;
  readonly household_id: string;
  readonly email: string;
  readonly password_hash: string;
  readonly name: string;
  readonly given_name: string;
  readonly language: Language;
}

export const guardianByEmail = (db: Db, email: string): Promise<GuardianRow | undefined> =>
  db<GuardianRow>('guardians').whereRaw('lower(email) = lower(?)', [email]).first();

export const guardianById = (db: Db, id: string): Promise<GuardianRow | undefined> =>
  db<GuardianRow>('guardians').where({ id }).first();

/** The household a signed-in guardian writes for, and the name the entry bears. */
export async function householdOf(db: Db, guardianId: string): Promise<{ id: string; author: string }> {
  const guardian = await guardianById(db, guardianId);
  if (!guardian) throw new Error(`no guardian ${guardianId}`);
  return { id: guardian.household_id, author: guardian.name };
}

export async function setLanguage(db: Db, id: string, language: Language): Promise<void> {
  await db('guardians').where({ id }).update({ language });
}

/** Puts down that a guardian has looked. */
export async function markLooked(db: Db, id: string, at: Date): Promise<void> {
  await db('guardians').where({ id }).update({ looked_at: at });
}

/** The children a guardian is linked to now, oldest first. */
export function linkedChildren(db: Db, guardianId: string, roles: readonly Role[]): Promise<Child[]> {
  return db('guardian_links as l')
    .join('student_profiles as s', 's.student_id', 'l.student_id')
    .where({ 'l.guardian_id': guardianId })
    .whereNull('l.ended_at')
    .whereIn('l.role', [...roles])
    .orderByRaw(`substring(s.year from '[0-9]+')::int desc nulls last, s.given_name`)
    .select<Child[]>(
      's.student_id as id',
      's.given_name as givenName',
      's.family_name as familyName',
      's.year',
      's.school_name as schoolName',
      's.time_zone as timeZone',
      'l.role',
    );
}

/** Links, or takes an ended link up again. */
export async function putLink(
  trx: Db | Trx,
  link: { studentId: string; guardianId: string; role: Role; now: Date },
): Promise<void> {
  await trx('guardian_links')
    .insert({
      student_id: link.studentId,
      guardian_id: link.guardianId,
      role: link.role,
      linked_at: link.now,
    })
    .onConflict(['student_id', 'guardian_id'])
    .merge({ role: link.role, linked_at: link.now, ended_at: null });
}

export async function addHousehold(
  trx: Db | Trx,
  name: string,
  members: readonly Omit<GuardianRow, 'id' | 'household_id'>[],
): Promise<string[]> {
  const [household] = await trx('households').insert({ name }).returning<{ id: string }[]>('id');
  const rows = await trx('guardians')
    .insert(members.map((member) => ({ ...member, household_id: household?.id })))
    .returning<{ id: string }[]>('id');
  return rows.map(({ id }) => id);
}

/** Everyone whom somebody is linked to. */
export const linkedStudents = (db: Db): Promise<string[]> =>
  db('guardian_links').whereNull('ended_at').distinct().orderBy('student_id').pluck('student_id');
