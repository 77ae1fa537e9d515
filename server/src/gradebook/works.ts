import type { ResultStatus } from '@cadro/contract';
import type { Db } from '../db';
import { dueSql } from './records';
import { ofThisYear } from './store';

/** A work with its dates and how it stands. */
export interface WorkRow {
  readonly studentId: string;
  readonly courseId: string;
  readonly courseTitle: string;
  readonly itemId: string;
  readonly title: string;
  readonly itemKind: string | null;
  readonly possible: number;
  readonly counts: boolean;
  readonly assignedAt: Date;
  readonly dueAt: Date | null;
  readonly status: ResultStatus;
  readonly earned: number | null;
}

export const openStatuses: readonly ResultStatus[] = ['open', 'missing', 'incomplete'];
/** Whether something is still to be done. */
export const isOpen = (status: ResultStatus): boolean => openStatuses.includes(status);

/** This year's works of the children, each with its latest result; wants a filter and an order. */
export const works = (db: Db, studentIds: readonly string[], now: Date) =>
  db('items as i')
    .join('courses as c', 'c.id', 'i.course_id')
    .join('schools as sch', 'sch.id', 'c.school_id')
    .join('categories as k', 'k.id', 'i.category_id')
    .join('enrolments as e', 'e.course_id', 'i.course_id')
    .joinRaw(
      `left join lateral (
         select r.status, r.earned from results r
         where r.student_id = e.student_id and r.item_id = i.id order by r.at desc, r.seq desc limit 1) r on true`,
    )
    .whereIn('e.student_id', [...studentIds])
    .where({ 'e.active': true, 'i.removed': false })
    .whereRaw(ofThisYear, { now })
    .select<WorkRow[]>(
      'e.student_id as studentId',
      'i.course_id as courseId',
      'c.title as courseTitle',
      'i.id as itemId',
      'i.title',
      'i.kind as itemKind',
      'i.possible',
      db.raw('i.counts and k.counts as counts'),
      'i.assigned_at as assignedAt',
      db.raw(`${dueSql} as "dueAt"`),
      db.raw(`coalesce(r.status, 'open') as status`),
      'r.earned',
    );

/** Dated work of the children that is due between two instants and not dealt with. */
export const comingWork = (
  db: Db,
  studentIds: readonly string[],
  now: Date,
  until: Date,
): Promise<WorkRow[]> =>
  works(db, studentIds, now)
    .where({ 'i.undated': false })
    .whereBetween('i.due_at', [now, until])
    .whereRaw(`coalesce(r.status, 'open') = 'open'`)
    .orderBy([{ column: 'i.due_at' }, { column: 'i.title' }]);

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
