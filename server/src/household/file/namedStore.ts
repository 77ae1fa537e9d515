import type { Db, Trx } from '../../kit';

/** Of which children: all that a source tells of, or some. */
export type Of = { readonly sourceId: string } | { readonly studentIds: string[] };

/** The condition that a row is of those children, by its two columns; {@link boundTo} binds it. */
export const isOf = (student: string, source: string): string =>
  `(${source} = :sourceId or ${student} = any (:studentIds))`;
export const boundTo = (of: Of): { sourceId: string | null; studentIds: string[] } => ({
  ...{ sourceId: null, studentIds: [] },
  ...of,
});

/**
 * Puts down as whom a school names the people who see a child: those whose confirmed address is that of somebody it names
 * for the child.
 */
export async function putNamed(db: Db | Trx, of: Of): Promise<void> {
  await db.raw(
    `update guardian_links l set named_as = n.external_id
     from named_people n, guardian_profiles g
     where ${isOf('n.student_id', 'n.source_id')} and n.student_id = l.student_id and g.guardian_id = l.guardian_id
       and l.role <> 'student' and l.ended_at is null and l.named_as is null
       and g.confirmed and lower(n.email) = lower(g.email)`,
    boundTo(of),
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
    .where({ 's.source_id': sourceId, 'l.role': 'guardian' })
    .whereNull('l.ended_at')
    .whereNotNull('l.named_as')
    .whereRaw('not jsonb_exists(a.agents, l.named_as)')
    .select('l.student_id as studentId', 'l.guardian_id as guardianId');

interface Link {
  readonly studentId: string;
  readonly personId: string;
}
const linkOf = (db: Db | Trx, { studentId, personId }: Link) =>
  db('guardian_links').where({ student_id: studentId, guardian_id: personId }).whereNull('ended_at');

/** Whether it is known as whom a school names somebody who sees a child. */
export const isNamed = async (db: Db, link: Link): Promise<boolean> =>
  (await linkOf(db, link).whereNotNull('named_as').first('student_id')) !== undefined;

/** Says as whom a school names somebody who sees a child; null: as nobody. @returns whether there is such a link. */
export const setNamed = async (trx: Trx, link: Link, named_as: string | null): Promise<boolean> =>
  (await linkOf(trx, link).whereNot({ role: 'student' }).update({ named_as })) === 1;
