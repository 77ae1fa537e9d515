import type { CourseRecord, LooseEndKind, Outcome } from '@cadro/contract';
import {
  caughtUp,
  courseFigures,
  followUpVerdict,
  hasReached,
  isGraded,
  marksAbout,
  normaliseCourse,
  registerAgrees,
} from '@cadro/core';
import { schoolRegisters } from '../attendance';
import type { FiguresHook } from '../gradebook';
import type { Trx } from '../kit';
import { schoolDates, studentsIn } from '../records';
import { registerMark } from './absence';
import { byFact, moveToWork, openAbsences, settleable, type SettleRow } from './openStore';
import * as store from './store';

/** The works of a follow-up that a record can settle, each with the loose end it was. */
const worksOf = (row: SettleRow): { itemId: string; kind: LooseEndKind }[] =>
  [...row.works, { itemId: row.item_id, kind: row.loose_end_kind }].flatMap(({ itemId, kind }) =>
    itemId && kind ? [{ itemId, kind }] : [],
  );

async function settle(
  trx: Trx,
  row: { student_id: string; id: string; version: number },
  now: Date,
  outcome: Outcome,
): Promise<void> {
  const key = { studentId: row.student_id, followUpId: row.id, version: row.version };
  await store.changeIfVersion(trx, key, { step: 'settled', look_again_on: null, outcome }, now);
  await store.addEntries(trx, key, now, [{ kind: 'record', author: null, step: 'settled' }]);
}

type RecordsOf = Parameters<FiguresHook>[1]['recordsOf'];

/** Settles what was said or asked about absences where the register or the record of work now says so. */
async function settleAbsences(
  trx: Trx,
  studentIds: readonly string[],
  allRecordsOf: Parameters<FiguresHook>[1]['allRecordsOf'],
  now: Date,
): Promise<void> {
  const rows = await openAbsences(trx, studentIds);
  if (rows.length === 0) return;
  const concerned = [...new Set(rows.map(({ student_id }) => student_id))];
  const [registers, dates] = [await schoolRegisters(trx, concerned), await schoolDates(trx, concerned, now)];
  for (const row of rows) {
    const { purpose, itemIds, lessons } = row.absence;
    const marks = registers.get(row.student_id) ?? [];
    if (purpose === 'catch-up') {
      const outcome = { by: 'caught-up', works: itemIds.length } as const;
      // What was missed may be of several courses.
      if (caughtUp(await allRecordsOf(row.student_id, row.household_id), itemIds))
        await settle(trx, row, now, outcome);
    } else if (registerAgrees(row.absence, marks, dates.get(row.student_id) ?? '')) {
      const found = marksAbout(lessons, marks).map(registerMark);
      await settle(trx, row, now, { by: 'register', marks: found });
    }
  }
}

/** How the record settles a follow-up: by the last of its works that was done, once all of them are. */
function outcomeOf(row: SettleRow, records: readonly CourseRecord[]): Outcome | null {
  const outcomes = worksOf(row).map(({ itemId, kind }) => {
    const record = records.find(
      ({ id, items }) => id === row.course_id && (items ?? []).some((item) => item.id === itemId),
    );
    return (record && followUpVerdict(record, itemId, kind).outcome) ?? null;
  });
  return outcomes.every((each) => each !== null) ? (outcomes.at(-1) ?? null) : null;
}

/** Brings back what was to come back once its assignment is graded, and ends what was to go on until a grade. */
async function comeByFact(
  trx: Trx,
  studentIds: readonly string[],
  recordsOf: RecordsOf,
  now: Date,
): Promise<void> {
  const rows = await byFact(trx, studentIds);
  if (rows.length === 0) return;
  const dates = await schoolDates(trx, [...new Set(rows.map(({ student_id }) => student_id))], now);
  for (const row of rows) {
    const record = recordsOf(row.student_id, row.household_id).find(({ id }) => id === row.course_id);
    if (!record) continue;
    const key = { studentId: row.student_id, followUpId: row.id, version: row.version };
    if (row.look_again_when === 'graded' && row.item_id && isGraded(record, row.item_id)) {
      const today = dates.get(row.student_id) ?? null;
      const back = { look_again_on: today, look_again_when: null };
      await store.changeIfVersion(trx, key, back, now);
      await store.addEntries(trx, key, now, [{ kind: 'graded', author: null, lookAgainOn: today }]);
    } else if (row.repeats) {
      const { display } = courseFigures(record);
      const outOf = normaliseCourse(record).policy.outOf;
      if (display !== null && hasReached(row.repeats, display))
        await settle(trx, row, now, { by: 'reached', figure: display, outOf });
    }
  }
}

/** Did it work? Settles the follow-ups that the record now shows as done, in the figures' transaction. */
export const settleByRecord: FiguresHook = async (trx, about) => {
  const { recordsOf, dissolved, now } = about;
  const studentIds = studentsIn(about.parts);
  for (const each of dissolved) await moveToWork(trx, each);
  for (const row of await settleable(trx, studentIds)) {
    const outcome = outcomeOf(row, recordsOf(row.student_id, row.household_id));
    if (outcome) await settle(trx, row, now, outcome);
  }
  await settleAbsences(trx, studentIds, about.allRecordsOf, now);
  await comeByFact(trx, studentIds, recordsOf, now);
};
