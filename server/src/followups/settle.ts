import type { CourseRecord, LooseEndKind, Outcome } from '@cadro/contract';
import { caughtUp, followUpVerdict, marksAbout, registerAgrees } from '@cadro/core';
import type { StandingMark } from '../attendance';
import type { Trx } from '../db';
import { registerMark } from './absence';
import * as store from './store';

/** The works of a follow-up that a record can settle, each with the loose end it was. */
const worksOf = (row: store.SettleRow): { itemId: string; kind: LooseEndKind }[] =>
  [...row.works, { itemId: row.item_id, kind: row.loose_end_kind }].flatMap(({ itemId, kind }) =>
    itemId && kind ? [{ itemId, kind }] : [],
  );

async function settle(
  trx: Trx,
  studentId: string,
  row: { id: string; version: number },
  now: Date,
  outcome: Outcome,
) {
  const key = { studentId, followUpId: row.id, version: row.version };
  await store.changeIfVersion(trx, key, { step: 'settled', look_again_on: null, outcome }, now);
  await store.addEntries(trx, key, now, [{ kind: 'record', author: null, step: 'settled' }]);
}

/** Settles what was said or asked about absences where the register or the record of work now says so. */
export async function settleAbsences(
  trx: Trx,
  studentId: string,
  {
    marks,
    records,
    today,
  }: { marks: readonly StandingMark[]; records: readonly CourseRecord[]; today: string },
  now: Date,
): Promise<void> {
  for (const row of await store.openAbsences(trx, studentId)) {
    const { purpose, itemIds, lessons } = row.absence;
    if (purpose === 'catch-up') {
      const outcome = { by: 'caught-up', works: itemIds.length } as const;
      if (caughtUp(records, itemIds)) await settle(trx, studentId, row, now, outcome);
    } else if (registerAgrees(row.absence, marks, today)) {
      const found = marksAbout(lessons, marks).map(registerMark);
      await settle(trx, studentId, row, now, { by: 'register', marks: found });
    }
  }
}

/** Did it work? Settles the follow-ups whose work the record now shows as done, in the figures' transaction. */
export async function settleByRecord(
  trx: Trx,
  studentId: string,
  records: readonly CourseRecord[],
  now: Date,
): Promise<void> {
  for (const row of await store.settleable(trx, studentId)) {
    const outcomes = worksOf(row).map(({ itemId, kind }) => {
      const record = records.find(
        ({ id, items }) => id === row.course_id && (items ?? []).some((item) => item.id === itemId),
      );
      return (record && followUpVerdict(record, itemId, kind).outcome) ?? null;
    });
    // Of several works the last to be done settles it.
    const outcome = outcomes.every((each) => each !== null) ? outcomes.at(-1) : null;
    if (!outcome) continue;
    await settle(trx, studentId, row, now, outcome);
  }
}
