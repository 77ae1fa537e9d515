import type { Trx } from '../../kit';
import { logChanges } from './changeLogStore';
import {
  neutralCollections,
  type Beside,
  type NeutralCollection,
  type NeutralRecord,
  type ResultNeutral,
} from './neutral';
import { writeRecords, type Written } from './recordStore';
import { writeResults } from './resultStore';
import { writeScoreComments } from './scoreCommentStore';
import { tableShapes } from './tables';

export { setApartPassed } from './passedStore';
export { assumePolicies, settleClasses } from './settleStore';
export { countTold, countUntold, forgetTold, putTold, takeUntold, toldKey } from './toldStore';
export { logChanges, neutralCollections };
export type { Beside, NeutralCollection, NeutralRecord, Written };

/** Writes records of one collection; writing the same again changes nothing. */
export async function writeCollection(
  trx: Trx,
  sourceId: string,
  collection: NeutralCollection,
  records: readonly NeutralRecord[],
  knownAt: Date | null,
  beside: Beside | null = null,
): Promise<Written> {
  if (collection !== 'results')
    return writeRecords(trx, sourceId, tableShapes[collection], records, knownAt, beside);
  const results = records as readonly ResultNeutral[]; // the collection says so
  const written = await writeResults(trx, sourceId, results, knownAt, beside);
  const said = await writeScoreComments(trx, sourceId, results, knownAt, beside);
  return {
    ids: written.ids,
    studentIds: [...new Set([...written.studentIds, ...said.studentIds])],
    parts: written.parts,
    courseIds: written.courseIds,
    changes: [...written.changes, ...said.changes],
  };
}
