import type { Standing } from '../standing';

/** What a course's figure is read from while its results come in, in order of time. */
export interface Tally {
  /** Puts a new standing of an item, by its index, in the place of its last one; tells whether that can move the figure. */
  apply(index: number, stand: Pick<Standing, 'status' | 'earned' | 'levels' | 'atMs'>): boolean;
  /** The posted figure as a fraction of the scale; null with nothing to sum. */
  fraction(): number | null;
  /** Items with a part in it now, before drops. */
  readonly valued: number;
}
