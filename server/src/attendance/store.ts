import type { CodeMeaning } from '@cadro/contract';
import type { CodeMeaningFrom, DateRange, GivenMark, Meaning } from '@cadro/core';
import type { Knex } from 'knex';
import { inChunks, together, type Db, type Trx } from '../kit';

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

const between = (query: Knex.QueryBuilder, range: DateRange | undefined): void => {
  if (range) query.whereBetween('a.on_date', [range.from, range.to]);
};
const shared = ['a.student_id', 'a.on_date', 'a.period', 'a.course_id', 'a.code'];

/** The marks of the given children: the schools', and those their household has read in itself. */
export async function marksOf(
  db: Db,
  studentIds: readonly string[],
  householdId: string | null,
  range?: DateRange,
): Promise<MarkRow[]> {
  const [school, household] = await together(db, [
    () =>
      db('student_marks as a')
        .whereIn('a.student_id', [...studentIds])
        .modify(between, range)
        .select<Stored[]>(...shared, 'a.course_title', 'a.note', 'a.marked_by', 'a.marked_at'),
    () =>
      db('household_marks as a')
        .leftJoin('school_courses as c', 'c.course_id', 'a.course_id')
        .whereIn('a.student_id', [...studentIds])
        .where({ 'a.household_id': householdId })
        .modify(between, range)
        .select<(Stored & Meaning)[]>(
          ...shared,
          'c.title as course_title',
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
  const [school, file, own] = await together(db, [
    () =>
      db('student_codes')
        .whereIn('student_id', ids)
        .select<Omit<CodeOfChild, 'said'>[]>(
          'student_id as studentId',
          'code',
          'valid_from as from',
          'kind',
          'excused',
          'label',
        ),
    () =>
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
    () =>
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
  const rows = await db('student_courses')
    .where({ student_id: studentId })
    .select<{ id: string; title: string }[]>('course_id as id', 'title');
  return new Map(rows.map(({ id, title }) => [title.trim().toLowerCase(), id]));
};
