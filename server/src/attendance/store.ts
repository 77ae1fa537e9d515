import type { CodeMeaning } from '@cadro/contract';
import type { CodeMeaningFrom, GivenMark, Meaning } from '@cadro/core';
import type { Knex } from 'knex';
import { inChunks, together, type Db, type Trx } from '../kit';

/** Whose own marks and meanings are read beside the school's: one household's, nobody's (null), or everyone's. */
export const everyone = 'everyone';
type Whose = string | null;

/** A mark with whose it is and what is shown of it. */
export interface MarkRow extends GivenMark {
  readonly studentId: string;
  /** Null for the school's own. */
  readonly householdId: string | null;
  readonly courseTitle: string | null;
  readonly note: string | null;
  readonly markedBy: string | null;
  /** When Cadro came to know it; null where that was never put down. */
  readonly knownAt: Date | null;
}

interface Stored {
  student_id: string;
  household_id: string | null;
  on_date: string;
  period: string;
  course_id: string | null;
  course_title: string | null;
  code: string;
  note: string | null;
  marked_by: string | null;
  marked_at: Date | null;
  known_at: Date | null;
  kind: Meaning['kind'] | null;
  excused: boolean | null;
  label: string | null;
}

const markOf = (row: Stored): MarkRow => ({
  studentId: row.student_id,
  householdId: row.household_id,
  on: row.on_date,
  period: row.period,
  courseId: row.course_id,
  courseTitle: row.course_title,
  code: row.code,
  means: row.kind === null ? null : { kind: row.kind, excused: row.excused ?? false, label: row.label },
  markedAt: row.marked_at && row.marked_at.toISOString(),
  by: row.household_id === null ? 'school' : 'household',
  note: row.note,
  markedBy: row.marked_by,
  knownAt: row.known_at,
});

/** Some days; up to the last there is where no end is named. */
interface Days {
  readonly from: string;
  readonly to?: string;
}
const between = (query: Knex.QueryBuilder, days: Days | undefined): void => {
  if (days) query.where('a.on_date', '>=', days.from);
  if (days?.to) query.where('a.on_date', '<=', days.to);
};
const of = (query: Knex.QueryBuilder, whose: Whose, column: string): void => {
  if (whose !== everyone) query.where({ [column]: whose });
};

/** The marks of the given children by day and period: the schools', and those that households have read in. */
export async function marksOf(
  db: Db,
  studentIds: readonly string[],
  whose: Whose,
  days?: Days,
): Promise<MarkRow[]> {
  const [school, household] = await together(db, [
    () =>
      db('student_marks as a')
        .whereIn('a.student_id', [...studentIds])
        .modify(between, days)
        .orderBy(['a.on_date', 'a.period'])
        .select<Stored[]>(
          'a.*',
          db.raw(
            'null::uuid as household_id, null::text as kind, null::boolean as excused, null::text as label',
          ),
        ),
    () =>
      db('household_marks as a')
        .leftJoin('school_courses as c', 'c.course_id', 'a.course_id')
        .whereIn('a.student_id', [...studentIds])
        .modify(of, whose, 'a.household_id')
        .modify(between, days)
        // What another record tells of a day stands back behind the child's own school.
        .where((mine) =>
          mine
            .whereNull('a.told_of')
            .orWhereNotExists(
              db('student_marks as s').whereRaw('s.student_id = a.student_id and s.on_date = a.on_date'),
            ),
        )
        .orderBy(['a.on_date', 'a.period'])
        .select<Stored[]>(
          'a.student_id',
          'a.household_id',
          'a.on_date',
          'a.period',
          'a.course_id',
          'c.title as course_title',
          'a.code',
          'a.kind',
          'a.excused',
          'a.label',
          db.raw('null::text as note'),
          'a.author as marked_by',
          'a.at as marked_at',
          'a.at as known_at',
        ),
  ]);
  return [...school, ...household].map(markOf);
}

export interface MeaningRow extends CodeMeaningFrom {
  readonly studentId: string;
  /** Null for the school's own map. */
  readonly householdId: string | null;
}
type Unsaid = Omit<MeaningRow, 'said'>;

/** What the codes mean: by the school's map, by what the household found out, and by the last file that said so. */
export async function meaningsOf(db: Db, studentIds: readonly string[], whose: Whose): Promise<MeaningRow[]> {
  const ids = [...studentIds];
  const own = ['student_id as studentId', 'household_id as householdId', 'code', 'kind', 'excused'];
  const [map, file, found] = await together(db, [
    () =>
      db('student_codes')
        .whereIn('student_id', ids)
        .select<Unsaid[]>(
          'student_id as studentId',
          'code',
          'valid_from as from',
          'kind',
          'excused',
          'label',
          db.raw('null::uuid as "householdId"'),
        ),
    () =>
      db('household_marks')
        .whereIn('student_id', ids)
        .modify(of, whose, 'household_id')
        // Another school's codes are its own.
        .whereNull('told_of')
        .distinctOn('student_id', 'household_id', 'code')
        .orderBy(['student_id', 'household_id', 'code', { column: 'at', order: 'desc' }])
        .select<Unsaid[]>(...own, 'label', db.raw('null::date as "from"')),
    () =>
      db('code_meanings')
        .whereIn('student_id', ids)
        .modify(of, whose, 'household_id')
        .select<Unsaid[]>(...own, db.raw('null::text as label, null::date as "from"')),
  ]);
  const saidBy = (rows: readonly Unsaid[], said: MeaningRow['said']) => rows.map((row) => ({ ...row, said }));
  return [...saidBy(map, 'map'), ...saidBy(file, 'file'), ...saidBy(found, 'found')];
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

const lesson = ['student_id', 'household_id', 'on_date', 'period'];

const markRows = (
  key: { studentId: string; householdId: string },
  marks: readonly (HouseholdMark & { readonly at: Date })[],
  by: { author: string; told_of: string | null },
) =>
  marks.map(({ on, period, courseId, code, kind, excused, label, at }) => ({
    ...{ student_id: key.studentId, household_id: key.householdId, on_date: on, period },
    ...{ course_id: courseId, code, kind, excused, label, at, ...by },
  }));

/** Puts a file's marks in; the same lesson read in again takes the newer mark. */
export async function saveMarks(
  trx: Trx,
  key: { studentId: string; householdId: string },
  marks: readonly HouseholdMark[],
  { at, author }: { at: Date; author: string },
): Promise<void> {
  const dated = marks.map((mark) => ({ ...mark, at }));
  await inChunks(markRows(key, dated, { author, told_of: null }), (some) =>
    trx('household_marks').insert(some).onConflict(lesson).merge(),
  );
}

/** The marks that another record of a child tells, in place of those it told before; what the household wrote stays. */
export async function replaceToldMarks(
  trx: Trx,
  { otherId, ...key }: { studentId: string; householdId: string; otherId: string },
  marks: readonly (HouseholdMark & { readonly at: Date })[],
  author: string,
): Promise<void> {
  await trx('household_marks')
    .where({ student_id: key.studentId, household_id: key.householdId, told_of: otherId })
    .delete();
  await inChunks(markRows(key, marks, { author, told_of: otherId }), (some) =>
    trx('household_marks').insert(some).onConflict(lesson).ignore(),
  );
}

/** The courses of a child by title, for files that name them. */
export const coursesByTitle = async (db: Db, studentId: string): Promise<Map<string, string>> => {
  const rows = await db('student_courses')
    .where({ student_id: studentId })
    .select<{ id: string; title: string }[]>('course_id as id', 'title');
  return new Map(rows.map(({ id, title }) => [title.trim().toLowerCase(), id]));
};
