import type { MarkKind } from '@cadro/contract';
import type { Db } from '../db';

export interface MarkRow {
  readonly student_id: string;
  readonly on_date: string;
  readonly period: string;
  readonly course_id: string | null;
  readonly course_title: string | null;
  readonly code: string;
  readonly kind: MarkKind;
  readonly excused: boolean;
  readonly label: string;
}

/** Dates, both included. */
export interface DateRange {
  readonly from: string;
  readonly to: string;
}

/** The marks of the given children, by day and period. */
export const marksOf = (db: Db, studentIds: readonly string[], between?: DateRange): Promise<MarkRow[]> =>
  db('attendance_marks as a')
    .leftJoin('courses as c', 'c.id', 'a.course_id')
    .whereIn('a.student_id', [...studentIds])
    .modify((query) => {
      if (between) query.whereBetween('a.on_date', [between.from, between.to]);
    })
    .orderBy([{ column: 'a.on_date' }, { column: 'a.period' }])
    .select<MarkRow[]>(
      'a.student_id',
      'a.on_date',
      'a.period',
      'a.course_id',
      'c.title as course_title',
      'a.code',
      'a.kind',
      'a.excused',
      'a.label',
    );
