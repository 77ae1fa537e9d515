import type { Child, MarksFile, MarksRead } from '@cadro/contract';
import { marksOfFile, meaningOn, type FileMark, type FileRow, type MarksFileContext } from '@cadro/core';
import { parse, type CsvError } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';
import { type Clock, type Db, HttpProblem } from '../kit';
import { householdOf } from '../household';
import { schoolTerms } from '../records';
import { attendanceOf, type ChildAttendance } from './childAttendance';
import { markView, yearOf } from './overview';
import * as store from './store';

const columns = ['date', 'period', 'course', 'code', 'kind', 'excused', 'label', 'from'] as const;
/** Rows shown before anything is written. */
const sampleRows = 8;
const longestRows = 20_000;

/** This school year's marks, a row each; a cell that a table program would run as a formula is guarded. */
export async function marksCsv(
  { db, clock }: { db: Db; clock: Clock },
  guardianId: string,
  child: Child,
): Promise<string> {
  const [own] = await attendanceOf(db, { guardianId }, [child], await clock.now());
  const terms = await schoolTerms(db, [child.id]);
  const year = own && yearOf(terms, own.today);
  const marks = (own?.marks ?? []).filter(
    ({ mark }) => !year || (mark.on >= year.from && mark.on <= year.to),
  );
  const rows = marks.map((each) => {
    const { period, courseTitle, code, kind, excused, label, by } = markView(each);
    return [
      each.mark.on,
      period,
      courseTitle ?? '',
      code,
      kind ?? '',
      excused ? 'yes' : 'no',
      label ?? '',
      by,
    ];
  });
  return stringify([[...columns], ...rows], { bom: true, escape_formulas: true, record_delimiter: '\r\n' });
}

/**
 * The rows of a CSV text with a heading; comma, semicolon or tab between cells.
 * @throws HttpProblem 422 `unreadable-file` with the line where reading stopped, or what the heading lacks.
 */
function rowsOf(text: string): FileRow[] {
  try {
    const rows = parse(text, {
      bom: true,
      columns: (heading: string[]) => heading.map((name) => name.trim().toLowerCase()),
      delimiter: [',', ';', '\t'],
      skip_empty_lines: true,
      relax_column_count: true,
      trim: true,
      to: longestRows + 1,
    }) as FileRow[]; // columns are a list, so that rows are objects of texts
    const missing = ['date', 'code'].filter((name) => rows[0] && !(name in rows[0]));
    if (missing.length > 0 || rows.length === 0) {
      const message = rows.length === 0 ? 'has no rows' : `lacks a column ${missing.join(' and ')}`;
      throw new HttpProblem('unreadable-file', { errors: [{ path: '/1', message }] });
    }
    if (rows.length > longestRows) throw new HttpProblem('too-large');
    return rows;
  } catch (error) {
    if (error instanceof HttpProblem) throw error;
    const { lines = 0, message } = error as CsvError & { lines?: number };
    throw new HttpProblem('unreadable-file', { errors: [{ path: `/${lines}`, message }], cause: error });
  }
}

function contextOf(
  own: ChildAttendance,
  terms: Awaited<ReturnType<typeof schoolTerms>>,
  courses: ReadonlyMap<string, string>,
  meanings: Awaited<ReturnType<typeof store.meaningsOf>>,
  input: MarksFile,
): MarksFileContext {
  const standing = own.marks.filter(({ mark }) => mark.by === 'school');
  return {
    today: own.today,
    year: yearOf(terms, own.today),
    courses,
    meaningOf: (code, on) => {
      const told = input.codes.find((each) => each.code === code);
      if (told) return { kind: told.kind, excused: told.excused, label: null };
      return meaningOn(meanings, code, on, ['map', 'found', 'file']);
    },
    schoolHas: new Set(standing.map(({ mark }) => `${mark.on}/${mark.period}`)),
  };
}

const sampleOf = ({ on, period, code, courseTitle }: FileMark) => ({ on, period, code, courseTitle });

/** Reads a file of marks in for a household, all sound rows or none; `preview` only tells what would be read. */
export async function readMarksFile(
  { db, clock }: { db: Db; clock: Clock },
  guardianId: string,
  child: Child,
  input: MarksFile,
): Promise<MarksRead> {
  const rows = rowsOf(input.text);
  const now = await clock.now();
  const household = await householdOf(db, guardianId);
  const [[own], terms, courses, meanings] = await Promise.all([
    attendanceOf(db, { guardianId }, [child], now),
    schoolTerms(db, [child.id]),
    store.coursesByTitle(db, child.id),
    store.meaningsOf(db, [child.id], household.id),
  ]);
  if (!own) throw new HttpProblem('not-found');
  const { marks, faults, unknownCodes, schoolHas } = marksOfFile(
    rows,
    contextOf(own, terms, courses, meanings, input),
  );
  const write = !input.preview && unknownCodes.size === 0;
  if (write) {
    const key = { studentId: child.id, householdId: household.id };
    const labelled = marks.map((mark) => ({ ...mark, label: mark.label ?? mark.code }));
    await db.transaction((trx) => store.saveMarks(trx, key, labelled, { at: now, author: household.author }));
  }
  return {
    rows: rows.length,
    taken: marks.length,
    schoolHas,
    unknownCodes: [...unknownCodes].map(([code, count]) => ({ code, rows: count })),
    faults: faults.slice(0, 200).map((each) => ({ ...each })),
    sample: marks.slice(0, sampleRows).map(sampleOf),
    written: write,
  };
}
