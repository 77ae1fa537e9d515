import { courseFigures } from '@cadro/core';
import type { Clock, Db } from '../db';
import { settleByRecord } from '../followups';
import { courseRecords } from '../gradebook';
import { storeFigures } from './store';

/**
 * Computes a child's current figures from the history and stores one row per course, then lets the
 * follow-ups look at the new record. Figures are a cache: running it again gives the same numbers.
 */
export async function computeFigures(deps: { db: Db; clock: Clock }, studentId: string): Promise<void> {
  const now = await deps.clock.now();
  const records = await courseRecords(deps.db, studentId, now);
  const figures = records.map((record) => ({ courseId: record.id, figures: courseFigures(record) }));
  await deps.db.transaction(async (trx) => {
    await storeFigures(trx, studentId, now, figures);
    await settleByRecord(trx, studentId, records, now);
  });
}
