import type { CourseFigures, ResultStatus } from '@cadro/contract';
import type { Db } from '../db';
import { dueSql } from './records';

export interface CourseRow {
  readonly id: string;
  readonly student_id: string;
  readonly title: string;
  readonly room: string | null;
  readonly period: string | null;
  readonly policy: unknown;
  readonly standards: { id: string; title: string; levels?: { level: number; text: string }[] }[];
  readonly time_zone: string;
  readonly teacher_id: string | null;
  readonly teacher_name: string | null;
  readonly teacher_email: string | null;
  readonly figures: CourseFigures | null;
  /** What the guardian's household assumes of the policy. */
  readonly correction: unknown;
  readonly source_name: string;
  readonly source_url: string;
  readonly read_at: Date | null;
  readonly failing_since: Date | null;
  readonly item_count: number;
  readonly next_title: string | null;
  readonly next_due: Date | null;
  /** The household's target, on the course's scale. */
  readonly target: number | null;
}

/**
 * A course of this school year: no term of its school has begun after its own ended. `:now` is an instant, `c` the
 * course, `sch` its school.
 */
export const ofThisYear = `not exists (
  select 1 from terms own
  join terms later on later.source_id = own.source_id and later.starts_on > own.ends_on
  where own.id = c.term_id and later.starts_on <= (:now at time zone sch.time_zone)::date)`;

/**
 * The courses of the given children with their current figures: one query, however many children.
 * @param ask.guardianId whose household's corrections of a policy are followed.
 */
export function coursesOf(
  db: Db,
  ask: {
    readonly studentIds: readonly string[];
    readonly guardianId: string;
    readonly now: Date;
    readonly courseId?: string;
  },
): Promise<CourseRow[]> {
  const { now } = ask;
  const query = db('enrolments as e')
    .join('courses as c', 'c.id', 'e.course_id')
    .join('schools as sch', 'sch.id', 'c.school_id')
    .join('sources as src', 'src.id', 'c.source_id')
    .leftJoin('teachers as p', 'p.id', 'c.teacher_id')
    .joinRaw('join guardians me on me.id = ?', [ask.guardianId])
    .leftJoin('current_figures as f', (on) =>
      on.on('f.student_id', 'e.student_id').andOn('f.course_id', 'e.course_id'),
    )
    .leftJoin('assumed_figures as own', (on) =>
      on
        .on('own.student_id', 'e.student_id')
        .andOn('own.course_id', 'e.course_id')
        .andOn('own.household_id', 'me.household_id'),
    )
    .leftJoin('targets as goal', (on) =>
      on
        .on('goal.student_id', 'e.student_id')
        .andOn('goal.course_id', 'e.course_id')
        .andOn('goal.household_id', 'me.household_id'),
    )
    .joinRaw(
      `left join lateral (
         select c.correction from policy_corrections c
         where c.student_id = e.student_id and c.course_id = e.course_id and c.household_id = me.household_id
         order by c.id desc limit 1) said on true`,
    )
    .joinRaw(
      `left join lateral (
         select count(*)::int as item_count,
           (array_agg(i.title order by i.due_at) filter (where not i.undated and i.due_at >= :now and i.assigned_at <= :now))[1] as next_title,
           min(i.due_at) filter (where not i.undated and i.due_at >= :now and i.assigned_at <= :now) as next_due
         from items i where i.course_id = c.id and not i.removed) n on true`,
      { now },
    )
    .whereIn('e.student_id', [...ask.studentIds])
    .where({ 'e.active': true })
    .whereNotNull('c.policy')
    .orderBy([{ column: 'c.period' }, { column: 'c.title' }])
    .select<CourseRow[]>(
      'c.id',
      'e.student_id',
      'c.title',
      'c.room',
      'c.period',
      'c.policy',
      'c.standards',
      'sch.time_zone',
      'p.id as teacher_id',
      'p.name as teacher_name',
      'p.email as teacher_email',
      db.raw('coalesce(own.figures, f.figures) as figures'),
      'said.correction',
      'goal.target',
      'src.name as source_name',
      'src.base_url as source_url',
      'src.read_at',
      'src.failing_since',
      'n.item_count',
      'n.next_title',
      'n.next_due',
    );
  return ask.courseId ? query.where({ 'c.id': ask.courseId }) : query.whereRaw(ofThisYear, { now });
}

export interface ItemRow {
  readonly id: string;
  readonly course_id: string;
  readonly title: string;
  readonly description: string | null;
  readonly category_id: string;
  readonly category_title: string;
  readonly possible: number;
  readonly multiplier: number;
  readonly counts: boolean;
  readonly extra_credit: boolean;
  readonly assigned_at: Date;
  readonly due_at: Date | null;
  readonly accepted_until: Date | null;
  readonly kind: string | null;
  readonly instructions: string | null;
  readonly place: string | null;
  readonly supplies: string[];
  readonly redo: 'yes' | 'no' | 'ask' | null;
  readonly unit: string | null;
  readonly term_external_id: string | null;
  readonly files: { title: string; href: string }[];
  readonly rubric: { id: string; title: string; levels: { level: number; text: string }[] }[];
  readonly status: ResultStatus | null;
  readonly at: Date | null;
  readonly earned: number | null;
  readonly late: boolean | null;
  readonly levels: Record<string, number> | null;
  readonly comment_count: number;
}

const items = (db: Db, studentId: string) =>
  db('items as i')
    .join('categories as k', 'k.id', 'i.category_id')
    .joinRaw(
      `left join lateral (
         select r.status, r.at, r.earned, r.late, r.levels from results r
         where r.student_id = :studentId and r.item_id = i.id order by r.at desc, r.seq desc limit 1) r on true
       left join lateral (
         select count(*)::int as comment_count from comments m
         where m.student_id = :studentId and m.item_id = i.id) m on true`,
      { studentId },
    )
    .where({ 'i.removed': false })
    .select<ItemRow[]>(
      'i.id',
      'i.course_id',
      'i.title',
      'i.description',
      'i.category_id',
      'k.title as category_title',
      'i.possible',
      'i.multiplier',
      db.raw('i.counts and k.counts as counts'),
      'i.extra_credit',
      'i.assigned_at',
      db.raw(`${dueSql} as due_at`),
      'i.accepted_until',
      'i.kind',
      'i.instructions',
      'i.place',
      'i.supplies',
      'i.redo',
      'i.unit',
      'i.term_external_id',
      'i.files',
      'i.rubric',
      'r.status',
      'r.at',
      'r.earned',
      'r.late',
      'r.levels',
      'm.comment_count',
    );

/** Work of a course as it stands for one child: what is assigned by now, newest due first, undated last. */
export const itemsOfCourse = (db: Db, studentId: string, courseId: string, now: Date): Promise<ItemRow[]> =>
  items(db, studentId)
    .where({ 'i.course_id': courseId })
    .where((is) => is.where('i.assigned_at', '<=', now).orWhereNotNull('r.at'))
    .orderByRaw(`${dueSql} desc nulls last, i.title`);

export interface CategoryRow {
  readonly id: string;
  readonly title: string;
  readonly weight: number;
  readonly counts: boolean;
  readonly drop_lowest: number;
}

export interface StatedRow {
  readonly state: 'running' | 'final';
  readonly figure: number | null;
  readonly letter: string | null;
  readonly fraction: number | null;
  readonly reported_at: Date;
}

export const categoriesOfCourse = (db: Db, courseId: string) =>
  db('categories as k')
    .where((is) =>
      is
        .where({ 'k.course_id': courseId })
        .orWhereIn('k.id', db('items').where({ course_id: courseId, removed: false }).select('category_id')),
    )
    .orderBy([
      { column: 'k.counts', order: 'desc' },
      { column: 'k.weight', order: 'desc' },
      { column: 'k.title' },
    ])
    .select<CategoryRow[]>('k.id', 'k.title', 'k.weight', 'k.counts', 'k.drop_lowest');

/** What the school itself says of a course in one of its terms, newest first. */
export const statedGrades = (
  db: Db,
  studentId: string,
  courseId: string,
  part: string,
): Promise<StatedRow[]> =>
  db('grades')
    .where({ student_id: studentId, course_id: courseId, part })
    .orderBy('reported_at', 'desc')
    .select<StatedRow[]>('state', 'figure', 'letter', 'fraction', 'reported_at');

/** The levels a child reached in the criteria of a work's rubric, the newest mark of each. */
export const rubricLevels = async (
  db: Db,
  studentId: string,
  itemId: string,
): Promise<ReadonlyMap<string, number>> => {
  const rows = await db('rubric_marks')
    .where({ student_id: studentId, item_id: itemId })
    .orderBy('written_at')
    .select<{ marks: { criterionId: string; level: number }[] }[]>('marks');
  return new Map(rows.flatMap(({ marks }) => marks.map(({ criterionId, level }) => [criterionId, level])));
};

/** Looks only in courses the child is enrolled in. */
export const itemOf = (db: Db, studentId: string, itemId: string): Promise<ItemRow | undefined> =>
  items(db, studentId)
    .join('enrolments as e', 'e.course_id', 'i.course_id')
    .where({ 'e.student_id': studentId, 'e.active': true, 'i.id': itemId })
    .then((rows: ItemRow[]) => rows[0]);

export interface StateRow {
  readonly status: ResultStatus;
  readonly at: Date;
  readonly earned: number | null;
  readonly late: boolean;
  readonly levels: Record<string, number>;
}

export const historyOf = (db: Db, studentId: string, itemId: string): Promise<StateRow[]> =>
  db('results')
    .where({ student_id: studentId, item_id: itemId })
    .orderBy([{ column: 'at' }, { column: 'seq' }])
    .select<StateRow[]>('status', 'at', 'earned', 'late', 'levels');

/** Whether a child is enrolled in a course. */
export const enrolled = async (db: Db, studentId: string, courseId: string): Promise<boolean> =>
  (await db('enrolments')
    .where({ student_id: studentId, course_id: courseId, active: true })
    .first('course_id')) !== undefined;
