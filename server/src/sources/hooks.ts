import type { Db, Trx } from '../kit';

/** What the rooms below do about a reading; handed in, because this room does not know them. */
export interface ReadingHooks {
  /** Records of these children have changed; runs in the transaction that writes them. */
  readonly onRecords: (trx: Trx, studentIds: readonly string[], now: Date) => Promise<void>;
  /** A child has been linked to whose family brings its records in. */
  readonly onLinked: (trx: Trx, studentId: string) => Promise<void>;
  /** A reading is over, whole or cut. */
  readonly onReading: (
    db: Db,
    sourceId: string,
    reading: { readonly whole: boolean; readonly now: Date },
  ) => Promise<void>;
}
