import type { ResultStatus } from '@cadro/contract';
import { isNotice } from '@cadro/core';
import type { Db } from '../kit';
import { ofThisYear } from './termStore';

/** A work with its dates and how it stands. */
export interface DatedWork {
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

/** Whether it asks for something; an agenda or a notice among the work does not. */
export const isAsked = ({ itemKind: kind, possible, dueAt }: DatedWork): boolean =>
  !isNotice({ kind, possible, dated: dueAt !== null });

/** This year's works of the children, each as it stands, from `student_items as i`; wants a filter and an order. */
export const datedWorks = (db: Db, studentIds: readonly string[], now: Date) =>
  db('student_items as i')
    .whereIn('i.student_id', [...studentIds])
    .whereRaw(ofThisYear('i'), { now })
    .select<DatedWork[]>(
      'i.student_id as studentId',
      'i.course_id as courseId',
      'i.course_title as courseTitle',
      'i.item_id as itemId',
      'i.title',
      'i.kind as itemKind',
      'i.possible',
      'i.counts',
      'i.assigned_at as assignedAt',
      'i.due_at as dueAt',
      db.raw(`coalesce(i.status, 'open') as status`),
      'i.earned',
    );

/** Dated work of the children that is due between two instants and not dealt with. */
export const comingWork = async (
  db: Db,
  studentIds: readonly string[],
  now: Date,
  until: Date,
): Promise<DatedWork[]> =>
  (
    await datedWorks(db, studentIds, now)
      .whereBetween('i.due_at', [now, until])
      .whereRaw(`coalesce(i.status, 'open') = 'open'`)
      .orderBy([{ column: 'i.due_at' }, { column: 'i.title' }])
  ).filter(isAsked);

/** Names, dates and worth of items, by id. */
export const itemNames = (db: Db, ids: readonly string[]) =>
  db('course_items')
    .whereIn('item_id', [...ids])
    .select<{ id: string; title: string; possible: number; due_at: Date | null }[]>(
      'item_id as id',
      'title',
      'possible',
      'due_at',
    );

/** Those of these works of which a teacher's words or rubric levels speak, as `student:item`. */
export const remarkedWorks = async (
  db: Db,
  studentIds: readonly string[],
  itemIds: readonly string[],
): Promise<ReadonlySet<string>> => {
  const rows = await db('remarked_works')
    .whereIn('student_id', [...studentIds])
    .whereIn('item_id', [...itemIds])
    .select<{ student_id: string; item_id: string }[]>('student_id', 'item_id');
  return new Set(rows.map(({ student_id, item_id }) => `${student_id}:${item_id}`));
};

/** The course a work is in; null where there is no such work. */
export const courseOfItem = async (db: Db, itemId: string): Promise<string | null> =>
  (await db('items').where({ id: itemId }).first<{ course_id: string } | undefined>('course_id'))
    ?.course_id ?? null;

export interface CategoryCard {
  readonly id: string;
  readonly title: string;
  readonly weight: number;
  readonly counts: boolean;
  readonly drop_lowest: number;
}

/** A course's own categories and those its works are in, what counts most first. */
export const categoriesOfCourse = (db: Db, courseId: string) =>
  db('categories as k')
    .where((is) =>
      is
        .where({ 'k.course_id': courseId, 'k.gone': false })
        .orWhereIn('k.id', db('items').where({ course_id: courseId, removed: false }).select('category_id')),
    )
    .orderBy([
      { column: 'k.counts', order: 'desc' },
      { column: 'k.weight', order: 'desc' },
      { column: 'k.title' },
    ])
    .select<CategoryCard[]>('k.id', 'k.title', 'k.weight', 'k.counts', 'k.drop_lowest');

/** The assignments of one course of a child, taken-back ones left out. */
export const itemIdsOf = async (db: Db, studentId: string, courseId: string): Promise<ReadonlySet<string>> =>
  new Set(
    await db('student_items')
      .where({ student_id: studentId, course_id: courseId })
      .pluck<string[]>('item_id'),
  );
