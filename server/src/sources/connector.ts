import type { SourcePart, SyncFault } from '@cadro/contract';
import type { NeutralCollection, NeutralRecord } from '../records';

/** A record that did not fit its schema, reported with the reason and left out. */
export interface BrokenRecord {
  readonly externalId: string;
  readonly fault: SyncFault;
  /** What of its shape does not fit, for who mends it; empty where the fault says all. */
  readonly reason: string;
  readonly raw: unknown;
}

export interface Page {
  readonly records: readonly {
    readonly collection: NeutralCollection;
    readonly record: NeutralRecord;
    /** When its source changed it, in one notation, where it says so. */
    readonly changed?: string | null;
  }[];
  readonly broken: readonly BrokenRecord[];
  /** The rows that are sound, by their own names: what was wrong with them is mended. */
  readonly sound: readonly string[];
  /** Greatest change instant on this page that does not lie ahead; null where there is none. */
  readonly changedUpTo: string | null;
  /** Of the whole page: the same again is nothing new. */
  readonly digest: string;
}

/**
 * Reads one kind of source. `pages` yields what changed at or after `since`, oldest change first.
 * @param known digests of pages of an earlier reading.
 */
export interface Connector {
  readonly collections: readonly string[];
  readonly part: SourcePart;
  pages(collection: string, since: string | null, known?: ReadonlySet<string>): AsyncIterable<Page>;
}
