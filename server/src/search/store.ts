import { withWords, type Db } from '../kit';
import { ofThisYear } from '../records';

/* What the school's records say, looked through for words; of this school year alone. */

/** What is looked for, and in whose records. */
export interface Asked {
  readonly studentIds: readonly string[];
  readonly words: readonly string[];
  readonly most: number;
  readonly now: Date;
}

export interface FoundRow {
  readonly id: string;
  readonly student_id: string;
  readonly course_id: string | null;
  readonly title: string;
  readonly text: string;
  readonly at: Date;
}

/** Assignments by their title, course, kind and instructions; those that are given out later are left out. */
export const assignmentsWith = (db: Db, { studentIds, words, most, now }: Asked): Promise<FoundRow[]> =>
  db('student_items as i')
    .whereIn('i.student_id', [...studentIds])
    .where('i.assigned_at', '<=', now)
    .whereRaw(ofThisYear('i'), { now })
    .modify((query) =>
      withWords(query, `concat_ws(' ', i.title, i.course_title, i.kind, i.instructions)`, words),
    )
    .orderByRaw('coalesce(i.due_at, i.assigned_at) desc')
    .limit(most)
    .select<FoundRow[]>(
      ...['i.item_id as id', 'i.student_id', 'i.course_id', 'i.title', 'i.course_title as text'],
      db.raw('coalesce(i.due_at, i.assigned_at) as at'),
    );

/** Courses by their title and who teaches them. */
export const coursesWith = (db: Db, { studentIds, words, most, now }: Asked): Promise<FoundRow[]> =>
  db('student_courses as c')
    .leftJoin('school_contacts as p', 'p.teacher_id', 'c.teacher_id')
    .whereIn('c.student_id', [...studentIds])
    .whereRaw(ofThisYear('c'), { now })
    .modify((query) => withWords(query, `concat_ws(' ', c.title, p.name)`, words))
    .orderBy('c.title')
    .limit(most)
    .select<FoundRow[]>(
      ...['c.course_id as id', 'c.student_id', 'c.course_id', 'c.title'],
      db.raw(`coalesce(p.name, '') as text, :now::timestamptz as at`, { now }),
    );

/** Who teaches the children, by name and what they answer for, each with a course of theirs. */
export const teachersWith = (db: Db, { studentIds, words, most, now }: Asked): Promise<FoundRow[]> =>
  db('student_courses as c')
    .join('school_contacts as p', 'p.teacher_id', 'c.teacher_id')
    .whereIn('c.student_id', [...studentIds])
    .whereRaw(ofThisYear('c'), { now })
    .modify((query) => withWords(query, `concat_ws(' ', p.name, p.answers_for)`, words))
    .groupBy('c.teacher_id', 'c.student_id', 'p.name')
    .orderBy('p.name')
    .limit(most)
    .select<FoundRow[]>(
      ...['c.teacher_id as id', 'c.student_id', 'p.name as title'],
      db.raw(
        `null::uuid as course_id, string_agg(c.title, ', ' order by c.title) as text, :now::timestamptz as at`,
        { now },
      ),
    );

/** What teachers have written of the children's work, with what it is about. */
export const commentsWith = (db: Db, { studentIds, words, most }: Omit<Asked, 'now'>): Promise<FoundRow[]> =>
  db('student_comments as m')
    .whereIn('m.student_id', [...studentIds])
    .modify((query) => withWords(query, `concat_ws(' ', m.text, m.author)`, words))
    .orderBy('m.written_at', 'desc')
    .limit(most)
    .select<FoundRow[]>(
      ...['m.student_id', 'm.course_id', 'm.text', 'm.written_at as at'],
      db.raw(
        `coalesce(m.item_id, m.course_id) as id, concat_ws(', ', m.author, coalesce(m.item_title, m.course_title)) as title`,
      ),
    );
