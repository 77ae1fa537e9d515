import type { Withheld } from '@cadro/contract';
import type { Db, Trx } from '../../kit';
import { boundTo, isOf, type Of } from './namedStore';

export interface Told {
  readonly sourceId: string;
  readonly studentId: string;
  readonly personId: string | null;
  readonly what: Withheld;
  readonly courseId: string | null;
}

/** Nobody here is known to be the person whom a source names. */
const isUnmet = `r.agent is not null and not exists (
  select from guardian_links m where m.student_id = r.student_id and m.named_as = r.agent)`;
// A course is named where a course is meant, and nowhere else.
const isWhole = `(r.what = 'course') = (r.course_id is not null)`;

/**
 * What a source holds back, from people known here. What it holds back from somebody whom nobody here is known to be, it
 * holds back from every guardian of the child whom it does not name: one of them may be the one.
 */
export async function toldBy(db: Db | Trx, of: Of): Promise<Told[]> {
  const { rows } = await db.raw<{ rows: Told[] }>(
    `select r.source_id as "sourceId", r.student_id as "studentId", l.guardian_id as "personId",
       r.what, r.course_id as "courseId"
     from school_restrictions r
     left join guardian_links l on l.student_id = r.student_id and (l.named_as = r.agent
       or ${isUnmet} and l.role = 'guardian' and l.named_as is null and l.ended_at is null)
     where ${isOf('r.student_id', 'r.source_id')} and (r.agent is null or l.guardian_id is not null) and ${isWhole}`,
    boundTo(of),
  );
  return rows;
}

/** What is held back because a source said so. */
export async function heldBy(db: Db | Trx, of: Of): Promise<(Told & { readonly id: string })[]> {
  const { rows } = await db.raw<{ rows: (Told & { readonly id: string })[] }>(
    `select id, source_id as "sourceId", student_id as "studentId", guardian_id as "personId", what, course_id as "courseId"
     from restrictions
     where source_id is not null and ${isOf('student_id', 'source_id')}`,
    boundTo(of),
  );
  return rows;
}

export interface UnmetRow {
  readonly student_id: string;
  readonly given_name: string;
  readonly what: Withheld;
  readonly course_title: string | null;
  /** By the school's own list; null where it does not stand there. */
  readonly name: string | null;
}

/** What sources hold back from people whom nobody here is known to be. */
export const unmetRestrictions = (db: Db): Promise<UnmetRow[]> =>
  db('school_restrictions as r')
    .join('student_profiles as s', 's.student_id', 'r.student_id')
    .leftJoin('named_people as n', (on) =>
      on.on('n.student_id', 'r.student_id').andOn('n.external_id', 'r.agent'),
    )
    .leftJoin('school_courses as c', 'c.course_id', 'r.course_id')
    .whereRaw(isUnmet)
    .whereRaw(isWhole)
    .orderBy(['s.given_name', 'r.what', 'r.agent'])
    .select<UnmetRow[]>(...['r.student_id', 's.given_name', 'r.what', 'c.title as course_title', 'n.name']);
