import { daysAfter, type CodeMeaningFrom, type GivenMark, type Known, type Meaning } from '@cadro/core';
import { together, type Db } from '../kit';
import { yearOf } from './overview';
import { schoolTerms } from '../records';

type MarkSeen = GivenMark & { readonly courseTitle: string | null };

/** What one household reads of one child's attendance, each mark with when it was known. */
export interface RegisterHistory {
  readonly marks: readonly Known<MarkSeen>[];
  readonly meanings: readonly CodeMeaningFrom[];
}

interface Row {
  readonly student_id: string;
  readonly household_id: string | null;
  readonly on_date: string;
  readonly period: string;
  readonly course_id: string | null;
  readonly course_title: string | null;
  readonly code: string;
  readonly marked_at: Date | null;
  readonly known_at: Date | null;
  readonly kind: Meaning['kind'] | null;
  readonly excused: boolean | null;
  readonly label: string | null;
}
interface MeaningRow extends CodeMeaningFrom {
  readonly studentId: string;
  readonly householdId: string | null;
}

/** A day's marks are known when the day is over, unless they say otherwise. */
const endOfDayMs = (on: string): number => Date.parse(`${on}T23:59:59Z`);

const seen = (row: Row): Known<MarkSeen> => ({
  knownAtMs: (row.known_at ?? row.marked_at)?.getTime() ?? endOfDayMs(row.on_date),
  value: {
    on: row.on_date,
    period: row.period,
    courseId: row.course_id,
    courseTitle: row.course_title,
    code: row.code,
    means: row.kind === null ? null : { kind: row.kind, excused: row.excused ?? false, label: row.label },
    markedAt: row.marked_at && row.marked_at.toISOString(),
    by: row.household_id === null ? 'school' : 'household',
  },
});

/** No school year is longer. */
const longestYearDays = 400;
const shared = ['a.student_id', 'a.on_date', 'a.period', 'a.course_id', 'a.code'];

/**
 * The registers of several children in the school year that runs, as each of their households reads them: five queries,
 * however many children.
 * @param today a date; where a source names no year, more than a year before it is left out.
 */
export async function registersOf(
  db: Db,
  studentIds: readonly string[],
  today: string,
): Promise<(studentId: string, householdId: string) => RegisterHistory> {
  const ids = [...studentIds];
  const since = daysAfter(today, -longestYearDays);
  const [terms, school, household, codes, found] = await together(db, [
    () => schoolTerms(db, ids),
    () =>
      db('student_marks as a')
        .whereIn('a.student_id', ids)
        .where('a.on_date', '>=', since)
        .orderBy(['a.on_date', 'a.period'])
        .select<Row[]>(
          ...shared,
          'a.course_title',
          'a.marked_at',
          'a.known_at',
          db.raw(
            'null::uuid as household_id, null::text as kind, null::boolean as excused, null::text as label',
          ),
        ),
    () =>
      db('household_marks as a')
        .leftJoin('school_courses as c', 'c.course_id', 'a.course_id')
        .whereIn('a.student_id', ids)
        .where('a.on_date', '>=', since)
        .orderBy(['a.on_date', 'a.period'])
        .select<Row[]>(
          ...shared,
          'c.title as course_title',
          'a.at as marked_at',
          'a.at as known_at',
          'a.household_id',
          'a.kind',
          'a.excused',
          'a.label',
        ),
    () =>
      db('student_codes')
        .whereIn('student_id', ids)
        .select<MeaningRow[]>(
          'student_id as studentId',
          'code',
          'valid_from as from',
          'kind',
          'excused',
          'label',
          db.raw(`'map' as said, null::uuid as "householdId"`),
        ),
    () =>
      db('code_meanings')
        .whereIn('student_id', ids)
        .select<MeaningRow[]>(
          'student_id as studentId',
          'household_id as householdId',
          'code',
          'kind',
          'excused',
          db.raw(`'found' as said, null::date as "from", null::text as label`),
        ),
  ]);
  const began = new Map(
    ids.map((id) => [
      id,
      yearOf(
        terms.filter(({ studentId }) => studentId === id),
        today,
      )?.from ?? since,
    ]),
  );
  return (studentId, householdId) => ({
    marks: [...school, ...household]
      .filter(
        (row) =>
          row.student_id === studentId &&
          row.on_date >= (began.get(studentId) ?? since) &&
          (row.household_id === null || row.household_id === householdId),
      )
      .map(seen),
    meanings: [...codes, ...found]
      .filter(
        (each) =>
          each.studentId === studentId && (each.householdId === null || each.householdId === householdId),
      )
      .map(({ code, from, kind, excused, label, said }) => ({ code, from, kind, excused, label, said })),
  });
}
