import type { SchoolEventKind } from '@cadro/contract';
import type { DateRange } from '@cadro/core';
import type { Db } from '../kit';
import { ofThisYear } from './termStore';

export interface PlannedLesson {
  readonly studentId: string;
  readonly courseId: string;
  readonly courseTitle: string;
  readonly rotationDay: string;
  readonly period: string;
  readonly startsAt: string;
  readonly endsAt: string;
  readonly room: string | null;
  readonly teacher: { readonly id: string; readonly name: string; readonly contactable: boolean } | null;
}

/** The timetables of the given children, of this year's courses. */
export const lessonsOf = (db: Db, studentIds: readonly string[], now: Date): Promise<PlannedLesson[]> =>
  db('lessons as l')
    .join('student_courses as c', 'c.course_id', 'l.course_id')
    .whereIn('c.student_id', [...studentIds])
    .whereRaw(ofThisYear('c'), { now })
    .select<PlannedLesson[]>(
      'c.student_id as studentId',
      'c.course_id as courseId',
      'c.title as courseTitle',
      'l.rotation_day as rotationDay',
      'l.period',
      'l.starts_at as startsAt',
      'l.ends_at as endsAt',
      db.raw('coalesce(l.room, c.room) as room'),
      db.raw(
        `case when c.teacher_id is null then null
           else json_build_object('id', c.teacher_id, 'name', c.teacher_name, 'contactable', c.teacher_email is not null)
           end as teacher`,
      ),
    );

export interface KeptSchoolDay {
  readonly studentId: string;
  readonly on: string;
  readonly open: boolean;
  readonly rotationDay: string | null;
  readonly title: string | null;
}

/** What the schools' calendars say of the days, for each child. */
export const schoolDaysOf = (
  db: Db,
  studentIds: readonly string[],
  { from, to }: DateRange,
): Promise<KeptSchoolDay[]> =>
  db('school_days as d')
    .join('students as s', 's.school_id', 'd.school_id')
    .whereIn('s.id', [...studentIds])
    .whereBetween('d.on_date', [from, to])
    .orderBy('d.on_date')
    .select<KeptSchoolDay[]>(
      's.id as studentId',
      'd.on_date as on',
      'd.open',
      'd.rotation_day as rotationDay',
      'd.title',
    );

/** The school days before and after a date at a child's school. */
export async function neighbours(
  db: Db,
  studentId: string,
  on: string,
): Promise<{ before: string | null; after: string | null }> {
  const days = () =>
    db('school_days as d')
      .join('students as s', 's.school_id', 'd.school_id')
      .where({ 's.id': studentId, 'd.open': true });
  const [before, after] = await Promise.all([
    days().where('d.on_date', '<', on).max<{ max: string | null }>('d.on_date as max').first(),
    days().where('d.on_date', '>', on).min<{ min: string | null }>('d.on_date as min').first(),
  ]);
  return { before: before?.max ?? null, after: after?.min ?? null };
}

export interface KeptSchoolEvent {
  readonly studentId: string;
  readonly eventId: string;
  readonly kind: SchoolEventKind;
  readonly title: string;
  readonly courseTitle: string | null;
  readonly on: string;
  readonly lastOn: string;
  readonly startsAt: string | null;
  readonly endsAt: string | null;
  readonly place: string | null;
  readonly href: string | null;
  readonly sourceId: string;
}

/** What is on at the children's schools: for everyone, or for a class the child is in. */
export const schoolEventsOf = (
  db: Db,
  studentIds: readonly string[],
  { from, to }: DateRange,
): Promise<KeptSchoolEvent[]> =>
  db('school_events as v')
    .join('students as s', 's.school_id', 'v.school_id')
    .leftJoin('courses as c', 'c.id', 'v.course_id')
    .whereIn('s.id', [...studentIds])
    .where('v.on_date', '<=', to)
    .where('v.last_on', '>=', from)
    .whereRaw(
      `(v.course_id is null or exists (
         select from enrolments e where e.student_id = s.id and e.course_id = v.course_id and e.active))`,
    )
    .orderByRaw('v.on_date, v.starts_at nulls first, v.title')
    .select<KeptSchoolEvent[]>(
      's.id as studentId',
      db.raw(`v.source_id || '/' || v.external_id as "eventId"`),
      'v.kind',
      'v.title',
      'c.title as courseTitle',
      'v.on_date as on',
      'v.last_on as lastOn',
      'v.starts_at as startsAt',
      'v.ends_at as endsAt',
      'v.place',
      'v.href',
      'v.source_id as sourceId',
    );

export interface KeptNote {
  readonly courseId: string;
  readonly done: string;
  readonly homework: string | null;
  readonly files: { title: string; href: string }[];
  readonly sourceId: string;
}

/** What was done in the lessons of one day, where it is published by now: a lesson is over before it is told. */
/** What was done in a course's lessons of some days, by day. */
export const lessonsDone = async (
  db: Db,
  courseId: string,
  days: readonly string[],
): Promise<ReadonlyMap<string, string>> =>
  new Map(
    (
      await db('lesson_notes')
        .where({ course_id: courseId })
        .whereIn('on_date', [...days])
        .select<{ on_date: string; done: string }[]>('on_date', 'done')
    ).map(({ on_date, done }) => [on_date, done]),
  );

export const lessonNotesOf = (db: Db, courseIds: readonly string[], on: string): Promise<KeptNote[]> =>
  db('lesson_notes as n')
    .whereIn('n.course_id', [...courseIds])
    .where({ 'n.on_date': on })
    .select<KeptNote[]>(
      'n.course_id as courseId',
      'n.done',
      'n.homework',
      'n.files',
      'n.source_id as sourceId',
    );
