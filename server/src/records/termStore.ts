import type { Db } from '../kit';
import type { CourseTerm } from './courseTerms';

interface Row {
  readonly course_id: string;
  readonly term_id: string;
  readonly external_id: string;
  readonly title: string;
  readonly starts_on: string;
  readonly ends_on: string;
}

/** The terms of each course, by date: one query. */
export async function termsOfCourses(
  db: Db,
  courseIds: readonly string[],
): Promise<Map<string, CourseTerm[]>> {
  const rows = await db('course_terms')
    .whereIn('course_id', [...courseIds])
    .orderBy('starts_on')
    .select<Row[]>('course_id', 'term_id', 'external_id', 'title', 'starts_on', 'ends_on');
  const terms = new Map<string, CourseTerm[]>();
  for (const { course_id, term_id, external_id, title, starts_on, ends_on } of rows) {
    const term = { id: term_id, externalId: external_id, title, startsOn: starts_on, endsOn: ends_on };
    terms.set(course_id, [...(terms.get(course_id) ?? []), term]);
  }
  return terms;
}

/**
 * A course of this school year: no term of its school has begun after its own ended.
 * @param course alias of a row with `term_id` and `time_zone`; the fragment takes the instant `:now`.
 */
export const ofThisYear = (course: string): string => `not exists (
  select 1 from terms own
  join terms later on later.source_id = own.source_id and later.starts_on > own.ends_on
  where own.id = ${course}.term_id and later.starts_on <= (:now at time zone ${course}.time_zone)::date)`;

export interface TermOfYear {
  readonly id: string;
  readonly external_id: string;
  readonly parent_external_id: string | null;
  readonly title: string;
  readonly starts_on: string;
  readonly ends_on: string;
}

/** Every term of the sources a child has courses at, by date, longer ones first. */
export const termsOfStudent = (db: Db, studentId: string): Promise<TermOfYear[]> =>
  db('terms as t')
    .whereIn('t.source_id', db('student_courses').where({ student_id: studentId }).select('source_id'))
    .orderBy([{ column: 't.starts_on' }, { column: 't.ends_on', order: 'desc' }])
    .select<TermOfYear[]>(
      't.id',
      't.external_id',
      't.parent_external_id',
      't.title',
      't.starts_on',
      't.ends_on',
    );

export interface SchoolTerm {
  readonly studentId: string;
  readonly title: string;
  readonly kind: string;
  readonly startsOn: string;
  readonly endsOn: string;
  /** Whether other terms lie in it. */
  readonly parted: boolean;
}

/** The terms of each child's source, with the years they make. */
export const schoolTerms = (db: Db, studentIds: readonly string[]): Promise<SchoolTerm[]> =>
  db('terms as t')
    .join('students as s', 's.source_id', 't.source_id')
    .whereIn('s.id', [...studentIds])
    .orderBy('t.starts_on')
    .select<SchoolTerm[]>(
      's.id as studentId',
      't.title',
      't.kind',
      't.starts_on as startsOn',
      't.ends_on as endsOn',
      db.raw(
        `exists (select from terms k where k.source_id = t.source_id and k.parent_external_id = t.external_id) as parted`,
      ),
    );
