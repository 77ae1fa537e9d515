import type { CommentSubject, CourseFigures, ResultStatus } from '@cadro/contract';
import type { Db } from '../db';
import { dueSql } from './records';

export interface CourseRow {
  readonly id: string;
  readonly student_id: string;
  readonly title: string;
  readonly room: string | null;
  readonly period: string | null;
  readonly policy: unknown;
  readonly standards: { id: string; title: string }[];
  readonly term_title: string;
  readonly term_ends_on: string;
  readonly teacher_id: string | null;
  readonly teacher_name: string | null;
  readonly teacher_email: string | null;
  readonly figures: CourseFigures | null;
  readonly source_name: string;
  readonly read_at: Date | null;
  readonly failing_since: Date | null;
  readonly item_count: number;
  readonly next_title: string | null;
  readonly next_due: Date | null;
}

/** The courses of the given children with their current figures: one query, however many children. */
export function coursesOf(
  db: Db,
  studentIds: readonly string[],
  now: Date,
  courseId?: string,
): Promise<CourseRow[]> {
  const query = db('enrolments as e')
    .join('courses as c', 'c.id', 'e.course_id')
    .join('terms as t', 't.id', 'c.term_id')
    .join('sources as src', 'src.id', 'c.source_id')
    .leftJoin('teachers as p', 'p.id', 'c.teacher_id')
    .leftJoin('current_figures as f', (on) =>
      on.on('f.student_id', 'e.student_id').andOn('f.course_id', 'e.course_id'),
    )
    .joinRaw(
      `left join lateral (
         select count(*)::int as item_count,
           (array_agg(i.title order by i.due_at) filter (where not i.undated and i.due_at >= :now and i.assigned_at <= :now))[1] as next_title,
           min(i.due_at) filter (where not i.undated and i.due_at >= :now and i.assigned_at <= :now) as next_due
         from items i where i.course_id = c.id and not i.removed) n on true`,
      { now },
    )
    .whereIn('e.student_id', [...studentIds])
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
      't.title as term_title',
      't.ends_on as term_ends_on',
      'p.id as teacher_id',
      'p.name as teacher_name',
      'p.email as teacher_email',
      'f.figures',
      'src.name as source_name',
      'src.read_at',
      'src.failing_since',
      'n.item_count',
      'n.next_title',
      'n.next_due',
    );
  return courseId ? query.where({ 'c.id': courseId }) : query;
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

export const categoriesOfCourse = (db: Db, courseId: string) =>
  db('categories as k')
    .whereIn('k.id', db('items').where({ course_id: courseId, removed: false }).select('category_id'))
    .orderBy([
      { column: 'k.counts', order: 'desc' },
      { column: 'k.weight', order: 'desc' },
      { column: 'k.title' },
    ])
    .select<{ id: string; title: string; weight: number; counts: boolean }[]>(
      'k.id',
      'k.title',
      'k.weight',
      'k.counts',
    );

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

export interface CommentRow {
  readonly id: string;
  readonly student_id: string;
  readonly course_id: string;
  readonly course_title: string;
  readonly item_id: string | null;
  readonly item_title: string | null;
  readonly subject: CommentSubject;
  readonly text: string;
  readonly author: string;
  readonly written_at: Date;
}

/** Comments about the given children, newest first. */
export const commentsOf = (
  db: Db,
  studentIds: readonly string[],
  where: { courseId?: string; itemId?: string; since?: Date },
): Promise<CommentRow[]> =>
  db('comments as m')
    .join('teachers as p', 'p.id', 'm.author_id')
    .join('courses as c', 'c.id', 'm.course_id')
    .leftJoin('items as i', 'i.id', 'm.item_id')
    .whereIn('m.student_id', [...studentIds])
    .modify((query) => {
      if (where.courseId) query.where({ 'm.course_id': where.courseId });
      if (where.itemId) query.where({ 'm.item_id': where.itemId });
      if (where.since) query.where('m.written_at', '>=', where.since);
    })
    .orderBy('m.written_at', 'desc')
    .select<CommentRow[]>(
      'm.id',
      'm.student_id',
      'm.course_id',
      'c.title as course_title',
      'm.item_id',
      'i.title as item_title',
      'm.subject',
      'm.text',
      'p.name as author',
      'm.written_at',
    );

export interface ComingRow {
  readonly item_id: string;
  readonly student_id: string;
  readonly course_title: string;
  readonly title: string;
  readonly due_at: Date;
  readonly possible: number;
  readonly counts: boolean;
}

/** Dated work of the children that is due between two instants and not dealt with. */
export const comingWork = (
  db: Db,
  studentIds: readonly string[],
  from: Date,
  to: Date,
): Promise<ComingRow[]> =>
  db('items as i')
    .join('courses as c', 'c.id', 'i.course_id')
    .join('categories as k', 'k.id', 'i.category_id')
    .join('enrolments as e', 'e.course_id', 'i.course_id')
    .joinRaw(
      `left join lateral (
         select r.status from results r where r.student_id = e.student_id and r.item_id = i.id
         order by r.at desc, r.seq desc limit 1) r on true`,
    )
    .whereIn('e.student_id', [...studentIds])
    .where({ 'e.active': true, 'i.removed': false, 'i.undated': false })
    .whereBetween('i.due_at', [from, to])
    .whereRaw(`coalesce(r.status, 'open') = 'open'`)
    .orderBy([{ column: 'i.due_at' }, { column: 'i.title' }])
    .select<ComingRow[]>(
      'i.id as item_id',
      'e.student_id',
      'c.title as course_title',
      'i.title',
      'i.due_at',
      'i.possible',
      db.raw('i.counts and k.counts as counts'),
    );

/** Names, dates and worth of items, by id. */
export const itemNames = (db: Db, ids: readonly string[]) =>
  db('items as i')
    .whereIn('i.id', [...ids])
    .select<{ id: string; title: string; possible: number; due_at: Date | null }[]>(
      'i.id',
      'i.title',
      'i.possible',
      db.raw(`${dueSql} as due_at`),
    );
