import type { CodeMeaning } from '@cadro/contract';
import type { CodeMeaningFrom, DateRange, GivenMark, Meaning } from '@cadro/core';
import { inChunks, type Db, type Trx } from '../db';

/** Dates, both included. */

/** A mark with whose it is and what is shown of it. */
export interface MarkRow extends GivenMark {
  readonly studentId: string;
  readonly courseTitle: string | null;
  readonly note: string | null;
  readonly markedBy: string | null;
}

interface Stored {
  student_id: string;
  on_date: string;
  period: string;
  course_id: string | null;
  course_title: string | null;
  code: string;
  note: string | null;
  marked_by: string | null;
  marked_at: Date | null;
}

const markOf = (row: Stored, by: GivenMark['by'], means: Meaning | null): MarkRow => ({
  studentId: row.student_id,
  on: row.on_date,
  period: row.period,
  courseId: row.course_id,
  courseTitle: row.course_title,
  code: row.code,
  means,
  markedAt: row.marked_at && row.marked_at.toISOString(),
  by,
  note: row.note,
  markedBy: row.marked_by,
});

const marksIn = (
  db: Db,
  table: 'attendance_marks' | 'household_marks',
  studentIds: readonly string[],
  between: DateRange | undefined,
) =>
  db(`${table} as a`)
    .leftJoin('courses as c', 'c.id', 'a.course_id')
    .whereIn('a.student_id', [...studentIds])
    .modify((query) => {
      if (between) query.whereBetween('a.on_date', [between.from, between.to]);
    });
const shared = ['a.student_id', 'a.on_date', 'a.period', 'a.course_id', 'c.title as course_title', 'a.code'];

/** The marks of the given children: the schools', and those their household has read in itself. */
export async function marksOf(
  db: Db,
  studentIds: readonly string[],
  householdId: string | null,
  between?: DateRange,
): Promise<MarkRow[]> {
  const [school, household] = await Promise.all([
    marksIn(db, 'attendance_marks', studentIds, between).select<Stored[]>(
      ...shared,
      'a.note',
      'a.marked_by',
      'a.marked_at',
    ),
    marksIn(db, 'household_marks', studentIds, between)
      .where({ 'a.household_id': householdId })
      .select<(Stored & Meaning)[]>(
        ...shared,
        'a.kind',
        'a.excused',
        'a.label',
        db.raw('null::text as note'),
        'a.author as marked_by',
        'a.at as marked_at',
      ),
  ]);
  return [
    ...school.map((row) => markOf(row, 'school', null)),
    ...household.map((row) => {
      const { kind, excused, label } = row;
      return markOf(row, 'household', { kind, excused, label });
    }),
  ];
}

type CodeOfChild = CodeMeaningFrom & { readonly studentId: string };

/** What the codes mean: by the school's map, by what the household found out, and by the last file that said so. */
export async function meaningsOf(
  db: Db,
  studentIds: readonly string[],
  householdId: string | null,
): Promise<CodeOfChild[]> {
  const ids = [...studentIds];
  const [school, file, own] = await Promise.all([
    db('attendance_codes as k')
      .join('students as s', 's.source_id', 'k.source_id')
      .whereIn('s.id', ids)
      .select<Omit<CodeOfChild, 'said'>[]>(
        's.id as studentId',
        'k.code',
        'k.valid_from as from',
        'k.kind',
        'k.excused',
        'k.label',
      ),
    db('household_marks')
      .whereIn('student_id', ids)
      .where({ household_id: householdId })
      .distinctOn('student_id', 'code')
      .orderBy(['student_id', 'code', { column: 'at', order: 'desc' }])
      .select<Omit<CodeOfChild, 'said'>[]>(
        'student_id as studentId',
        'code',
        db.raw('null::date as "from"'),
        'kind',
        'excused',
        'label',
      ),
    db('code_meanings')
      .whereIn('student_id', ids)
      .where({ household_id: householdId })
      .select<Omit<CodeOfChild, 'said'>[]>(
        'student_id as studentId',
        'code',
        db.raw('null::date as "from"'),
        'kind',
        'excused',
        db.raw('null::text as label'),
      ),
  ]);
  return [
    ...school.map((each): CodeOfChild => ({ ...each, said: 'map' })),
    ...own.map((each): CodeOfChild => ({ ...each, said: 'found' })),
    ...file.map((each): CodeOfChild => ({ ...each, said: 'file' })),
  ];
}

export interface TermRow {
  readonly studentId: string;
  readonly title: string;
  readonly kind: string;
  readonly startsOn: string;
  readonly endsOn: string;
  /** Whether other terms lie in it. */
  readonly parted: boolean;
}

/** The terms of each child's source, with the years they make. */
export const termsOf = (db: Db, studentIds: readonly string[]): Promise<TermRow[]> =>
  db('terms as t')
    .join('students as s', 's.source_id', 't.source_id')
    .whereIn('s.id', [...studentIds])
    .orderBy('t.starts_on')
    .select<TermRow[]>(
      's.id as studentId',
      't.title',
      't.kind',
      't.starts_on as startsOn',
      't.ends_on as endsOn',
      db.raw(
        `exists (select from terms k where k.source_id = t.source_id and k.parent_external_id = t.external_id) as parted`,
      ),
    );

export interface ContactRow {
  readonly id: string;
  readonly name: string;
  readonly email: string | null;
}

/** Who teaches the given courses. */
export const teachersByCourse = async (
  db: Db,
  courseIds: readonly string[],
): Promise<Map<string, ContactRow>> => {
  const rows = await db('courses as c')
    .join('teachers as p', 'p.id', 'c.teacher_id')
    .whereIn('c.id', [...courseIds])
    .select<(ContactRow & { course_id: string })[]>('c.id as course_id', 'p.id', 'p.name', 'p.email');
  return new Map(rows.map(({ course_id, ...teacher }) => [course_id, teacher]));
};

/** Who answers for attendance at each child's school. */
export const desksOf = async (db: Db, studentIds: readonly string[]): Promise<Map<string, ContactRow>> => {
  const rows = await db('students as s')
    .join('schools as sch', 'sch.id', 's.school_id')
    .join('teachers as p', 'p.id', 'sch.attendance_desk_id')
    .whereIn('s.id', [...studentIds])
    .select<(ContactRow & { student_id: string })[]>('s.id as student_id', 'p.id', 'p.name', 'p.email');
  return new Map(rows.map(({ student_id, ...desk }) => [student_id, desk]));
};

export async function saveMeaning(
  db: Db,
  key: { studentId: string; householdId: string },
  { code, kind, excused }: CodeMeaning,
  by: { at: Date; author: string },
): Promise<void> {
  await db('code_meanings')
    .insert({ student_id: key.studentId, household_id: key.householdId, code, kind, excused, ...by })
    .onConflict(['student_id', 'household_id', 'code'])
    .merge();
}

export interface HouseholdMark extends Meaning {
  readonly on: string;
  readonly period: string;
  readonly courseId: string | null;
  readonly code: string;
  readonly label: string;
}

/** Puts a file's marks in; the same lesson read in again takes the newer mark. */
export async function saveMarks(
  trx: Trx,
  key: { studentId: string; householdId: string },
  marks: readonly HouseholdMark[],
  by: { at: Date; author: string },
): Promise<void> {
  const rows = marks.map(({ on, period, courseId, code, kind, excused, label }) => ({
    student_id: key.studentId,
    household_id: key.householdId,
    on_date: on,
    period,
    course_id: courseId,
    code,
    kind,
    excused,
    label,
    ...by,
  }));
  await inChunks(rows, (some) =>
    trx('household_marks')
      .insert(some)
      .onConflict(['student_id', 'household_id', 'on_date', 'period'])
      .merge(),
  );
}

/** The courses of a child by title, for files that name them. */
export const coursesByTitle = async (db: Db, studentId: string): Promise<Map<string, string>> => {
  const rows = await db('enrolments as e')
    .join('courses as c', 'c.id', 'e.course_id')
    .where({ 'e.student_id': studentId, 'e.active': true })
    .select<{ id: string; title: string }[]>('c.id', 'c.title');
  return new Map(rows.map(({ id, title }) => [title.trim().toLowerCase(), id]));
};
