import type { SyncFault } from '@cadro/contract';
import type { NeutralCollection, NeutralRecord } from '../records';

/** What holds where a row does not say it itself. */
export interface Told {
  /** Of its times. */
  readonly zone: string;
  /** When it is read. */
  readonly now: string;
}

/** A record that is taken in with something in it that was not understood. */
export interface Doubt {
  readonly fault: SyncFault;
  readonly detail: string;
}

export type Neutrals = Partial<Record<NeutralCollection, NeutralRecord | readonly NeutralRecord[]>>;

/** One record of the source becomes one or more neutral ones. */
export type Translation<Row> = (row: Row, told: Told) => Neutrals & { readonly doubts?: readonly Doubt[] };
