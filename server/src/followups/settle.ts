import type { CourseRecord, LooseEndKind } from '@cadro/contract';
import { followUpVerdict } from '@cadro/core';
import type { Trx } from '../db';
import * as store from './store';

/** The works of a follow-up that a record can settle, each with the loose end it was. */
const worksOf = (row: store.SettleRow): { itemId: string; kind: LooseEndKind }[] =>
  [...row.works, { itemId: row.item_id, kind: row.loose_end_kind }].flatMap(({ itemId, kind }) =>
    itemId && kind ? [{ itemId, kind }] : [],
  );

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
    const key = { studentId, followUpId: row.id, version: row.version };
    await store.changeIfVersion(trx, key, { step: 'settled', look_again_on: null, outcome }, now);
    await store.addEntries(trx, key, now, [{ kind: 'record', author: null, step: 'settled' }]);
  }
}
