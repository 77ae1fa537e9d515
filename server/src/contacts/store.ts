import type { ContactKind, TaughtCourse } from '@cadro/contract';
import type { Db } from '../kit';
import { ofThisYear } from '../records';

export interface ContactRow {
  readonly id: string;
  readonly kind: ContactKind;
  readonly name: string;
  readonly email: string | null;
  readonly phone: string | null;
  readonly room: string | null;
  readonly hours: string | null;
  readonly answers_for: string | null;
  readonly language: string | null;
  readonly habits: string | null;
  readonly courses: readonly TaughtCourse[];
}

const details = ['kind', 'name', 'email', 'phone', 'room', 'hours', 'answers_for', 'language'] as const;

/** Who teaches a child this year, each with their courses. */
export const teachersOf = (db: Db, studentId: string, now: Date): Promise<ContactRow[]> =>
  db('student_courses as c')
    .join('school_contacts as p', 'p.teacher_id', 'c.teacher_id')
    .where({ 'c.student_id': studentId })
    .whereRaw(ofThisYear('c'), { now })
    .groupBy('c.teacher_id', ...details.map((column) => `p.${column}`), 'p.habits')
    .orderBy('p.name')
    .select<ContactRow[]>(
      'c.teacher_id as id',
      ...details.map((column) => `p.${column}`),
      'p.habits',
      db.raw(`json_agg(json_build_object('id', c.course_id, 'title', c.title, 'room', c.room, 'period', c.period)
        order by c.title) as courses`),
    );

/** The offices and desks of a child's school that are there for it. */
export const officesOf = async (db: Db, studentId: string): Promise<ContactRow[]> => {
  const rows = await db('student_contacts')
    .where({ student_id: studentId })
    .orderBy(['kind', 'name'])
    .select<Omit<ContactRow, 'courses' | 'habits'>[]>('teacher_id as id', ...details);
  return rows.map((row) => ({ ...row, habits: null, courses: [] }));
};
