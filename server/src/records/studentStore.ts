import { dateIn } from '@cadro/core';
import type { Db, Trx } from '../kit';
import type { PartOfRecord } from './parts';

export interface Contact {
  readonly id: string;
  readonly name: string;
  readonly email: string | null;
}

/** What the people of a source are there, and at which of its schools, by the source's own ids. */
export async function rolesOfPeople(
  db: Db,
  sourceId: string,
): Promise<{ readonly id: string; readonly role: string; readonly school: string | null }[]> {
  const { rows } = await db.raw<{ rows: { id: string; role: string; school: string | null }[] }>(
    `select s.external_id as id, 'student' as role, sch.external_id as school
       from students s join schools sch on sch.id = s.school_id where s.source_id = :sourceId
     union all select external_id, 'teacher', null from teachers where source_id = :sourceId
     union all select external_id, relation, null from school_people where source_id = :sourceId`,
    { sourceId },
  );
  return rows;
}

/** A source's children, by its own ids. */
export const studentKeys = (db: Db, sourceId: string): Promise<string[]> =>
  db('students').where({ source_id: sourceId }).orderBy('external_id').pluck('external_id');

export const allStudentIds = (db: Db): Promise<string[]> => db('students').orderBy('id').pluck('id');

/** Today's date where each child goes to school. */
export async function schoolDates(
  db: Db,
  studentIds: readonly string[],
  now: Date,
): Promise<Map<string, string>> {
  const rows = await db('student_profiles')
    .whereIn('student_id', [...studentIds])
    .select<{ student_id: string; time_zone: string }[]>('student_id', 'time_zone');
  return new Map(rows.map(({ student_id, time_zone }) => [student_id, dateIn(time_zone, now)]));
}

/** Who answers for attendance at each child's school. */
export const desksOf = async (db: Db, studentIds: readonly string[]): Promise<Map<string, Contact>> => {
  const rows = await db('student_profiles as s')
    .join('school_contacts as p', 'p.teacher_id', 's.attendance_desk_id')
    .whereIn('s.student_id', [...studentIds])
    .select<(Contact & { student_id: string })[]>('s.student_id', 'p.teacher_id as id', 'p.name', 'p.email');
  return new Map(rows.map(({ student_id, ...desk }) => [student_id, desk]));
};

/** Who teaches the given courses. */
export const teachersByCourse = async (
  db: Db,
  courseIds: readonly string[],
): Promise<Map<string, Contact>> => {
  const rows = await db('school_courses')
    .whereIn('course_id', [...courseIds])
    .whereNotNull('teacher_id')
    .select<(Contact & { course_id: string })[]>(
      'course_id',
      'teacher_id as id',
      'teacher_name as name',
      'teacher_email as email',
    );
  return new Map(rows.map(({ course_id, ...teacher }) => [course_id, teacher]));
};

/** Of everyone who is in one of the courses, those courses. */
export async function partsOfCourses(trx: Trx, courseIds: readonly string[]): Promise<PartOfRecord[]> {
  if (courseIds.length === 0) return [];
  const rows = await trx('enrolments')
    .whereIn('course_id', [...courseIds])
    .where({ active: true })
    .groupBy('student_id')
    .select<{ student_id: string; courses: string[] }[]>(
      'student_id',
      trx.raw('array_agg(course_id order by course_id) as courses'),
    );
  return rows.map(({ student_id: studentId, courses }) => ({ studentId, courses, attendance: false }));
}

/** Whether a child is in a course. */
export const enrolled = async (db: Db, studentId: string, courseId: string): Promise<boolean> =>
  (await db('enrolments')
    .where({ student_id: studentId, course_id: courseId, active: true })
    .first('course_id')) !== undefined;

/** What a child's school asks for in credits, by area. */
export const creditPlan = async (
  db: Db,
  studentId: string,
): Promise<{ area: string; required: number }[]> => {
  const row = await db('credit_plans')
    .where({ student_id: studentId })
    .first<{ areas: { area: string; required: number }[] } | undefined>('areas');
  return row?.areas ?? [];
};

/** Children whose last term was over before that instant. Whom no course was ever told of has not begun. */
export const leftBefore = (db: Db, before: Date): Promise<string[]> =>
  db('students as s')
    .whereExists(db('enrolments as e').whereRaw('e.student_id = s.id').select(db.raw('1')))
    .whereNotExists(
      db('enrolments as e')
        .join('course_terms as t', 't.course_id', 'e.course_id')
        .whereRaw('e.student_id = s.id')
        .where('t.ends_on', '>=', before)
        .select(db.raw('1')),
    )
    .pluck('s.id');

/** Deletes all there is of some children. */
export async function forgetChildren(db: Db, studentIds: readonly string[]): Promise<void> {
  await db('students')
    .whereIn('id', [...studentIds])
    .delete();
}
