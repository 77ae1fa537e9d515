import type { OneRosterName, Removal, WholeCollection } from '@cadro/contract';
import { countUntold, joined, logChanges, partsOfCourses, studentsIn, takeUntold, wholeOf } from '../records';
import type { Db } from '../kit';
import { isMuch } from './shrinking';
import type { Run } from './taking';

/*
 * What a source that has told all of something names no longer, once what it names is put down: how much that would be,
 * and taking it away.
 */

/** The table whose rows name the records of a collection. */
export const tableOf: Readonly<Record<WholeCollection, OneRosterName>> = {
  results: 'results',
  items: 'lineItems',
  enrolments: 'enrollments',
  courses: 'classes',
};

/** @returns of what would go most, where that is more than goes without being asked. */
export async function muchUntold(
  db: Db,
  sourceId: string,
  told: readonly WholeCollection[],
): Promise<Removal | null> {
  let worst: Removal | null = null;
  for (const what of told) {
    const { known, untold } = await countUntold(db, sourceId, what);
    if (isMuch(untold, known) && (worst === null || untold / known > worst.gone / worst.of))
      worst = { what, gone: untold, of: known };
  }
  return worst;
}

/** Takes it away, work and scores before the classes they are in. */
export async function takeAwayUntold(run: Run, told: readonly WholeCollection[]): Promise<void> {
  const { deps, sourceId, now, knownAt } = run;
  for (const collection of told) {
    await deps.db.transaction(async (trx) => {
      const { studentIds, courseIds, changes } = await takeUntold(trx, sourceId, collection, now);
      if (knownAt) await logChanges(trx, changes, now);
      const touched = joined(wholeOf([...studentIds, ...studentsIn(await partsOfCourses(trx, courseIds))]));
      if (touched.length > 0) await deps.reading.onRecords(trx, touched, { now, half: true });
    });
  }
}
