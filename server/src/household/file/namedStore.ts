import type { Db } from '../../kit';

/**
 * Puts down as whom a school names the guardians it let in: those whose confirmed address is that of a person it names
 * for the child.
 */
export async function putNamed(db: Db, sourceId: string): Promise<void> {
  await db.raw(
    `update guardian_links l set named_as = n.external_id
     from named_people n, guardian_profiles g
     where n.source_id = :sourceId and n.student_id = l.student_id and g.guardian_id = l.guardian_id
       and l.role = 'guardian' and l.ended_at is null and l.named_as is null
       and g.confirmed and lower(n.email) = lower(g.email)`,
    { sourceId },
  );
}

/** Links of guardians whom a school has named for a child and no longer names. A school that names nobody ends nothing. */
export const noLongerNamed = (
  db: Db,
  sourceId: string,
): Promise<{ studentId: string; guardianId: string }[]> =>
  db('guardian_links as l')
    .join('student_profiles as s', 's.student_id', 'l.student_id')
    .join('student_agents as a', 'a.student_id', 'l.student_id')
    .where({ 's.source_id': sourceId })
    .whereNull('l.ended_at')
    .whereNotNull('l.named_as')
    .whereRaw('not jsonb_exists(a.agents, l.named_as)')
    .select('l.student_id as studentId', 'l.guardian_id as guardianId');
