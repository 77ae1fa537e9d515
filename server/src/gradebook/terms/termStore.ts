import type { Composition } from '@cadro/contract';
import type { Db } from '../../kit';

export interface CourseOfYears {
  readonly id: string;
  readonly title: string;
  readonly teacher_name: string | null;
  readonly policy: unknown;
  /** What the household assumes of the policy. */
  readonly correction: unknown;
  readonly credits: number;
  readonly credit_area: string | null;
  readonly bump: number;
  readonly composition: Composition[];
  readonly term_external_id: string;
  readonly grade_points: Record<string, number> | null;
}

/** Every course a child is or was in, with what it counts for. */
export const coursesOfYears = (db: Db, studentId: string, householdId: string): Promise<CourseOfYears[]> =>
  db('student_courses as c')
    .joinRaw(
      `left join lateral (
         select s.correction from policy_corrections s
         where s.student_id = c.student_id and s.course_id = c.course_id and s.household_id = ?
         order by s.id desc limit 1) said on true`,
      [householdId],
    )
    .where({ 'c.student_id': studentId })
    .orderBy([{ column: 'c.period' }, { column: 'c.title' }])
    .select<CourseOfYears[]>(
      'c.course_id as id',
      'title',
      'teacher_name',
      'policy',
      'credits',
      'credit_area',
      'bump',
      'composition',
      'term_external_id',
      'grade_points',
      'said.correction',
    );

export interface TermStatement {
  readonly course_id: string;
  readonly part: string;
  readonly final: boolean;
  readonly fraction: number | null;
  readonly figure: number | null;
  readonly letter: string | null;
  readonly credits_earned: number | null;
  readonly reported_at: Date;
}

/** What the schools have stated of a child's courses in any term, stored for good or running. */
export const statedGrades = (db: Db, studentId: string): Promise<TermStatement[]> =>
  db('student_grades')
    .where({ student_id: studentId })
    .orderBy(['reported_at', 'figure'])
    .select<TermStatement[]>(
      'course_id',
      'part',
      db.raw(`state = 'final' as final`),
      'fraction',
      'figure',
      'letter',
      'credits_earned',
      'reported_at',
    );

export interface ReportRemark {
  readonly course_id: string;
  readonly part: string | null;
  readonly text: string;
  readonly author: string;
  readonly written_at: Date;
}

export const reportRemarks = (db: Db, studentId: string): Promise<ReportRemark[]> =>
  db('student_comments')
    .where({ student_id: studentId, subject: 'report-card' })
    .orderBy('written_at')
    .select<ReportRemark[]>('course_id', 'term_external_id as part', 'text', 'author', 'written_at');
