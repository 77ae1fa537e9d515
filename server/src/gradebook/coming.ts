import type { Db } from '../db';
import { dueSql } from './records';

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
