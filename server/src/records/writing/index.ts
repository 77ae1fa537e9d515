import type { Trx } from '../../kit';
import { logChanges } from './changeLogStore';
import {
  neutralCollections,
  type NeutralCollection,
  type NeutralRecord,
  type ResultNeutral,
} from './neutral';
import { writeRecords, type Written } from './recordStore';
import { writeResults } from './resultStore';
import { tableShapes } from './tables';

export { logChanges, neutralCollections };
export type { NeutralCollection, NeutralRecord, Written };

/** Writes records of one collection; writing the same again changes nothing. */
export const writeCollection = (
  trx: Trx,
  sourceId: string,
  collection: NeutralCollection,
  records: readonly NeutralRecord[],
  knownAt: Date | null,
): Promise<Written> =>
  collection === 'results'
    ? writeResults(trx, sourceId, records as readonly ResultNeutral[], knownAt)
    : writeRecords(trx, sourceId, tableShapes[collection], records, knownAt);
