import type { Db } from '../../kit';

/** Which children: those of a school, a year, a course, or single ones; what is left out does not matter. */
export interface ClassFilter {
  readonly school?: string | undefined;
  readonly year?: string | undefined;
  /** Title of a course, as the school writes it. */
  readonly course?: string | undefined;
  readonly studentIds?: readonly string[] | undefined;
  /** A part of a name. */
  readonly name?: string | undefined;
  /** So many at most. */
  readonly most?: number | undefined;
}

export interface ClassChild {
  readonly studentId: string;
  readonly givenName: string;
  readonly familyName: string;
  readonly year: string;
  readonly schoolName: string;
  readonly timeZone: string;
}

/** The years of each school that children are in. */
export const classesOf = (db: Db): Promise<{ schoolName: string; year: string; children: number }[]> =>
  db('student_profiles')
    .groupBy('school_name', 'year')
    .orderByRaw(`school_name, substring(year from '[0-9]+')::int nulls last, year`)
    .select({ schoolName: 'school_name', year: 'year' }, db.raw('count(*)::int as children'));

/** The children of a list, by school, year and name. */
export const classList = (
  db: Db,
  { school, year, course, studentIds, name, most }: ClassFilter,
): Promise<ClassChild[]> =>
  db('student_profiles as s')
    .modify((query) => {
      if (school !== undefined) query.where({ 's.school_name': school });
      if (year !== undefined) query.where({ 's.year': year });
      if (name !== undefined)
        query.whereRaw(`position(lower(?) in lower(s.given_name || ' ' || s.family_name)) > 0`, [name]);
      if (most !== undefined) query.limit(most);
      if (studentIds !== undefined) query.whereIn('s.student_id', [...studentIds]);
      if (course !== undefined)
        query.whereIn('s.student_id', db('student_courses').where({ title: course }).select('student_id'));
    })
    .orderBy(['s.school_name', 's.year', 's.family_name', 's.given_name', 's.student_id'])
    .select<ClassChild[]>(
      's.student_id as studentId',
      's.given_name as givenName',
      's.family_name as familyName',
      's.year',
      's.school_name as schoolName',
      's.time_zone as timeZone',
    );
