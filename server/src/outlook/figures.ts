import { corrected, courseFigures } from '@cadro/core';
import type { Clock, Db } from '../db';
import { settleByRecord } from '../followups';
import { courseRecords, standingCorrections } from '../gradebook';
import { storeFigures, type StoredFigures } from './store';

/**
 * Computes a child's current figures from the history and stores one row per course, and one more for each household
 * that assumes another policy; then lets the follow-ups look at the new record. Figures are a cache: running it
 * again gives the same numbers.
 */
export async function computeFigures(deps: { db: Db; clock: Clock }, studentId: string): Promise<void> {
  const now = await deps.clock.now();
  const loaded = await courseRecords(deps.db, studentId, now);
  const records = loaded.map(({ record }) => record);
  const byId = new Map(records.map((record) => [record.id, record]));
  const asPublished = records.map((record): StoredFigures => ({
    courseId: record.id,
    householdId: null,
    figures: courseFigures(record),
  }));
  const asAssumed = (await standingCorrections(deps.db, studentId)).flatMap((each): StoredFigures[] => {
    const record = byId.get(each.courseId);
    return record ? [{ ...each, figures: courseFigures(corrected(record, each.correction)) }] : [];
  });
  await deps.db.transaction(async (trx) => {
    await storeFigures(trx, studentId, now, [...asPublished, ...asAssumed]);
    await settleByRecord(trx, studentId, records, now);
  });
}
