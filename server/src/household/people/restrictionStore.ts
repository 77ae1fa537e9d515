import type { Withheld } from '@cadro/contract';
import type { Db, Trx } from '../../kit';

export interface Restriction {
  readonly studentId: string;
  /** Null: from everybody but the child. */
  readonly personId: string | null;
  readonly what: Withheld;
  readonly courseId: string | null;
  /** The source that told it; null where the operator said it. */
  readonly sourceId?: string | null;
}

export interface RestrictionRow {
  readonly id: string;
  readonly student_id: string;
  readonly given_name: string;
  readonly guardian_id: string | null;
  readonly name: string | null;
  readonly what: Withheld;
  readonly course_id: string | null;
  readonly course_title: string | null;
  readonly made_at: Date;
}

/** Whether anything of a child is held back from anybody. */
export const isHeldBack = async (db: Db, studentId: string): Promise<boolean> =>
  (await db('restrictions').where({ student_id: studentId }).first('id')) !== undefined;

/** What is held back, the longest first. */
export const restrictions = (db: Db): Promise<RestrictionRow[]> =>
  db('restrictions as r')
    .join('student_profiles as s', 's.student_id', 'r.student_id')
    .leftJoin('guardians as g', 'g.id', 'r.guardian_id')
    .leftJoin('school_courses as c', 'c.course_id', 'r.course_id')
    .orderBy(['r.made_at', 'r.id'])
    .select<RestrictionRow[]>(
      ...['r.id', 'r.student_id', 's.given_name', 'r.guardian_id', 'g.name', 'r.what', 'r.course_id'],
      ...['c.title as course_title', 'r.made_at'],
    );

/** @returns whether it was not held back before. */
export async function addRestriction(trx: Trx, row: Restriction, at: Date): Promise<boolean> {
  const { studentId, personId, what, courseId, sourceId = null } = row;
  const made = await trx('restrictions')
    .insert({
      ...{ student_id: studentId, guardian_id: personId, what, course_id: courseId },
      ...{ source_id: sourceId, made_at: at },
    })
    .onConflict(['student_id', 'guardian_id', 'what', 'course_id', 'source_id'])
    .ignore()
    .returning<{ id: string }[]>('id');
  return made.length > 0;
}

/** @returns what was held back until now. */
export async function dropRestriction(trx: Trx, id: string): Promise<Restriction | undefined> {
  const [row] = await trx('restrictions')
    .where({ id })
    .delete()
    .returning<
      { student_id: string; guardian_id: string | null; what: Withheld; course_id: string | null }[]
    >(['student_id', 'guardian_id', 'what', 'course_id']);
  return (
    row && {
      ...{ studentId: row.student_id, personId: row.guardian_id, what: row.what, courseId: row.course_id },
    }
  );
}

/** What is held back from whom, of some children, by a restriction or because of who let them in. */
export async function withheldFrom(
  db: Db,
  studentIds: readonly string[],
): Promise<{ student_id: string; guardian_id: string; what: Withheld }[]> {
  const { rows } = await db.raw<{ rows: { student_id: string; guardian_id: string; what: Withheld }[] }>(
    'select distinct student_id, guardian_id, what from cadro_withheld(?) order by what',
    [[...studentIds]],
  );
  return rows;
}

/** The people from whom something is held back of some children, those among them whom one of them let in. */
export async function restrictedAmong(db: Db | Trx, studentIds: readonly string[]): Promise<string[]> {
  const { rows } = await db.raw<{ rows: { id: string }[] }>(
    `select distinct w.guardian_id as id from cadro_withheld(?) w
     join standing_links l on l.student_id = w.student_id and l.guardian_id = w.guardian_id
     where l.role <> 'student'`,
    [[...studentIds]],
  );
  return rows.map(({ id }) => id);
}
