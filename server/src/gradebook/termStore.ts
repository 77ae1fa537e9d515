import type { Composition } from '@cadro/contract';
import type { Db } from '../db';

export interface TermRow {
  readonly id: string;
  readonly external_id: string;
  readonly parent_external_id: string | null;
  readonly title: string;
  readonly starts_on: string;
  readonly ends_on: string;
}

/** Every term of the sources a child has courses at, by date, longer ones first. */
export const termsOfStudent = (db: Db, studentId: string): Promise<TermRow[]> =>
  db('terms as t')
    .whereIn(
      't.source_id',
      db('enrolments as e')
        .join('courses as c', 'c.id', 'e.course_id')
        .where({ 'e.student_id': studentId })
        .select('c.source_id'),
    )
    .orderBy([{ column: 't.starts_on' }, { column: 't.ends_on', order: 'desc' }])
    .select<TermRow[]>(
      't.id',
      't.external_id',
      't.parent_external_id',
      't.title',
      't.starts_on',
      't.ends_on',
    );

export interface TermCourseRow {
  readonly id: string;
  readonly title: string;
  readonly teacher_name: string | null;
  readonly policy: unknown;
  readonly credits: number;
  readonly credit_area: string | null;
  readonly bump: number;
  readonly composition: Composition[];
  readonly term_external_id: string;
  readonly grade_points: Record<string, number> | null;
}

/** Every course a child is or was in, with what it counts for. */
export const coursesOfYears = (db: Db, studentId: string): Promise<TermCourseRow[]> =>
  db('enrolments as e')
    .join('courses as c', 'c.id', 'e.course_id')
    .join('terms as t', 't.id', 'c.term_id')
    .join('schools as sch', 'sch.id', 'c.school_id')
    .leftJoin('teachers as p', 'p.id', 'c.teacher_id')
    .where({ 'e.student_id': studentId, 'e.active': true })
    .orderBy([{ column: 'c.period' }, { column: 'c.title' }])
    .select<TermCourseRow[]>(
      'c.id',
      'c.title',
      'p.name as teacher_name',
      'c.policy',
      'c.credits',
      'c.credit_area',
      'c.bump',
      'c.composition',
      't.external_id as term_external_id',
      'sch.grade_points',
    );

export interface GradeRow {
  readonly course_id: string;
  readonly part: string;
  readonly fraction: number | null;
  readonly figure: number | null;
  readonly letter: string | null;
  readonly credits_earned: number | null;
  readonly reported_at: Date;
}

/** What the schools have stored for good. */
export const storedGrades = (db: Db, studentId: string): Promise<GradeRow[]> =>
  db('grades')
    .where({ student_id: studentId, state: 'final' })
    .orderBy('reported_at')
    .select<GradeRow[]>('course_id', 'part', 'fraction', 'figure', 'letter', 'credits_earned', 'reported_at');

export interface RemarkRow {
  readonly course_id: string;
  readonly part: string | null;
  readonly text: string;
  readonly author: string;
  readonly written_at: Date;
}

export const reportRemarks = (db: Db, studentId: string): Promise<RemarkRow[]> =>
  db('comments as m')
    .join('teachers as p', 'p.id', 'm.author_id')
    .where({ 'm.student_id': studentId, 'm.subject': 'report-card' })
    .orderBy('m.written_at')
    .select<RemarkRow[]>(
      'm.course_id',
      'm.term_external_id as part',
      'm.text',
      'p.name as author',
      'm.written_at',
    );

export const creditPlan = async (
  db: Db,
  studentId: string,
): Promise<{ area: string; required: number }[]> => {
  const row = await db('credit_plans')
    .where({ student_id: studentId })
    .first<{ areas: { area: string; required: number }[] } | undefined>('areas');
  return row?.areas ?? [];
};
