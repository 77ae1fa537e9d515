import type { JoinedPlace } from '../household';
import type { Db, Trx } from '../kit';
import type { PartOfRecord } from '../records';

/** What the rooms below do about a reading; handed in, because this room does not know them. */
export interface ReadingHooks {
  /**
   * These parts of children's records have changed, one part for each child; runs in the transaction that writes them. They are half of what is being read
   * until `onReading` says that it is whole.
   */
  readonly onRecords: (
    trx: Trx,
    parts: readonly PartOfRecord[],
    reading: { readonly now: Date; readonly half: boolean },
  ) => Promise<void>;
  /** A child has been linked to whose family brings its records in. */
  readonly onLinked: (trx: Trx, studentId: string) => Promise<void>;
  /** A reading is over, whole or cut. */
  readonly onReading: (
    db: Db,
    sourceId: string,
    reading: { readonly whole: boolean; readonly now: Date },
  ) => Promise<void>;
  /** Another record of a child is read into the child's own: what rooms after this one have of it comes along. */
  readonly onMirrored: (db: Db, place: JoinedPlace, told: MirroredTold) => Promise<void>;
}

/** What comes with another record of a child. */
export interface MirroredTold {
  /** Whether what has come is taken back. */
  readonly gone: boolean;
  /** Which of the child's courses each of the other's is. */
  readonly courses: ReadonlyMap<string, string>;
  /** Who tells it: the other record's school. */
  readonly author: string;
}
