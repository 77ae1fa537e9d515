import { corrected, courseFigures } from '@cadro/core';
import type { Clock, Db } from '../db';
import { settleByRecord } from '../followups';
import { courseRecords, standingCorrections } from '../gradebook';
import { storeFigures, type AssumedFigures, type StoredFigures } from './store';

/**
 * Computes a child's current figures from the history and stores one row per course, and one more for each household
 * that assumes another policy; then lets the follow-ups look at the new record. Figures are a cache: running it
 * again gives the same numbers.
 */
export async function computeFigures(deps: { db: Db; clock: Clock }, studentId: string): Promise<void> {
  const now = await deps.clock.now();
  const loaded = await courseRecords(deps.db, studentId, now, { everyTerm: true });
  const records = loaded.flatMap(({ standing, record }) => (standing ? [record] : []));
  const byId = new Map(records.map((record) => [record.id, record]));
  const published = records.map((record): StoredFigures => ({
    courseId: record.id,
    figures: courseFigures(record),
  }));
  const assumed = (await standingCorrections(deps.db, studentId)).flatMap((each): AssumedFigures[] => {
    const record = byId.get(each.courseId);
    if (!record) return [];
    const { courseId, householdId, correction } = each;
    return [{ courseId, householdId, figures: courseFigures(corrected(record, correction)) }];
  });
  await deps.db.transaction(async (trx) => {
    await storeFigures(trx, studentId, now, { published, assumed });
    // Work of a term that is over can still be marked.
    await settleByRecord(
      trx,
      studentId,
      loaded.map(({ record }) => record),
      now,
    );
  });
}
