import { corrected, courseFigures, withOffers } from '@cadro/core';
import type { Clock, Db } from '../db';
import { schoolRegister } from '../attendance';
import { settleAbsences, settleByRecord } from '../followups';
import { schoolDateOf } from '../household';
import { confirmedOffers, courseRecords, readNewComments, standingCorrections } from '../gradebook';
import { storeFigures, type AssumedFigures, type StoredFigures } from './store';

/**
 * Computes a child's current figures from the history and stores one row per course, and one more for each household
 * that assumes another policy or has confirmed an offer; then lets the follow-ups look at the new record. Figures are
 * a cache: running it again gives the same numbers.
 */
export async function computeFigures(deps: { db: Db; clock: Clock }, studentId: string): Promise<void> {
  const now = await deps.clock.now();
  await readNewComments(deps.db, [studentId]);
  const loaded = await courseRecords(deps.db, studentId, now, { everyTerm: true });
  const records = loaded.flatMap(({ standing, record }) => (standing ? [record] : []));
  const published = records.map((record): StoredFigures => ({
    courseId: record.id,
    figures: courseFigures(record),
  }));
  const [corrections, offers] = await Promise.all([
    standingCorrections(deps.db, studentId),
    confirmedOffers(deps.db, studentId),
  ]);
  const households = new Set([...corrections, ...offers].map(({ householdId }) => householdId));
  const assumed = [...households].flatMap((householdId) =>
    records.flatMap((record): AssumedFigures[] => {
      const of = (each: { householdId: string; courseId: string }) =>
        each.householdId === householdId && each.courseId === record.id;
      const correction = corrections.find(of)?.correction ?? null;
      const own = offers.filter(of);
      if (!correction && own.length === 0) return [];
      const figures = courseFigures(withOffers(corrected(record, correction), own));
      return [{ courseId: record.id, householdId, figures }];
    }),
  );
  const [marks, today] = await Promise.all([
    schoolRegister(deps.db, studentId),
    schoolDateOf(deps.db, studentId, now),
  ]);
  await deps.db.transaction(async (trx) => {
    await storeFigures(trx, studentId, now, { published, assumed });
    // Work of a term that is over can still be marked.
    const everyRecord = loaded.map(({ record }) => record);
    await settleByRecord(trx, studentId, everyRecord, now);
    await settleAbsences(trx, studentId, { marks, records: everyRecord, today }, now);
  });
}
