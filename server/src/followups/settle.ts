import type { CourseRecord } from '@cadro/contract';
import { followUpVerdict } from '@cadro/core';
import type { Trx } from '../db';
import * as store from './store';

/** Did it work? Settles the follow-ups whose work the record now shows as done, in the figures' transaction. */
export async function settleByRecord(
  trx: Trx,
  studentId: string,
  records: readonly CourseRecord[],
  now: Date,
): Promise<void> {
  for (const row of await store.settleable(trx, studentId)) {
    const record = records.find(
      ({ id, items }) => id === row.course_id && (items ?? []).some((item) => item.id === row.item_id),
    );
    const outcome = record && followUpVerdict(record, row.item_id, row.loose_end_kind).outcome;
    if (!outcome) continue;
    const key = { studentId, followUpId: row.id, version: row.version };
    await store.changeIfVersion(trx, key, { step: 'settled', look_again_on: null, outcome }, now);
    await store.addEntries(trx, key, now, [{ kind: 'record', author: null, step: 'settled' }]);
  }
}
