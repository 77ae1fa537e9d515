import type { Child, MarksFile, MarksRead } from '@cadro/contract';
import type { FileMark } from '@cadro/core';
import { stringify } from 'csv-stringify/sync';
import { type Clock, type Db, HttpProblem, threadKind, type ServerDeps } from '../kit';
import { householdOf } from '../household';
import { schoolTerms } from '../records';
import { attendanceOf } from './childAttendance';
import { markView, yearOf } from './overview';
import type { MarksAsk } from './marks.worker';
import type * as program from './marks.worker';
import * as store from './store';

const columns = ['date', 'period', 'course', 'code', 'kind', 'excused', 'label', 'from'] as const;
/** Rows shown before anything is written. */
const sampleRows = 8;

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

/** What a file holds is told apart. */
const reading = threadKind<typeof program>(__dirname, 'marks.worker', {
  ...{ memoryMb: 192, patienceMs: 20_000, mostOfOne: 3, mostWaiting: 20 },
});

const sampleOf = ({ on, period, code, courseTitle }: FileMark) => ({ on, period, code, courseTitle });

/** Reads a file of marks in for a household, all sound rows or none; `preview` only tells what would be read. */
export async function readMarksFile(
  { db, clock, threads }: Pick<ServerDeps, 'db' | 'clock' | 'threads'>,
  guardianId: string,
  child: Child,
  input: MarksFile,
): Promise<MarksRead> {
  const now = await clock.now();
  const household = await householdOf(db, guardianId);
  const [[own], terms, courses, meanings] = await Promise.all([
    attendanceOf(db, { guardianId }, [child], now),
    schoolTerms(db, [child.id]),
    store.coursesByTitle(db, child.id),
    store.meaningsOf(db, [child.id], household.id),
  ]);
  if (!own) throw new HttpProblem('not-found');
  const standing = own.marks.filter(({ mark }) => mark.by === 'school');
  const ask: MarksAsk = {
    ...{ text: input.text, codes: input.codes, meanings, courses },
    ...{ today: own.today, year: yearOf(terms, own.today) },
    schoolHas: new Set(standing.map(({ mark }) => `${mark.on}/${mark.period}`)),
  };
  const found = await threads.of(reading).run('readMarks', ask, { whose: guardianId });
  if ('line' in found) {
    const { line, message, tooLarge } = found;
    if (tooLarge) throw new HttpProblem('too-large');
    throw new HttpProblem('unreadable-file', { errors: [{ path: `/${line}`, message }] });
  }
  const { rows, marks, faults, unknownCodes, schoolHas } = found;
  const write = !input.preview && unknownCodes.size === 0;
  if (write) {
    const key = { studentId: child.id, householdId: household.id };
    const labelled = marks.map((mark) => ({ ...mark, label: mark.label ?? mark.code }));
    await db.transaction((trx) => store.saveMarks(trx, key, labelled, { at: now, author: household.author }));
  }
  return {
    rows,
    taken: marks.length,
    schoolHas,
    unknownCodes: [...unknownCodes].map(([code, count]) => ({ code, rows: count })),
    faults: faults.slice(0, 200).map((each) => ({ ...each })),
    sample: marks.slice(0, sampleRows).map(sampleOf),
    written: write,
  };
}
