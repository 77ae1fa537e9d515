import type { Sentence } from '../sentence';

/** What a sentence of an announcement tells; places are within the sentence, times of the clock `HH:MM`. */
export interface Part {
  readonly kind: 'day' | 'deadline' | 'bring';
  readonly start: number;
  readonly end: number;
  /** `YYYY-MM-DD`; null where nothing says when. */
  readonly on: string | null;
  /** The last day of several, included; as `on` otherwise. */
  readonly lastOn: string | null;
  readonly startsAt: string | null;
  readonly endsAt: string | null;
  /** What is to be brought, in the school's words. */
  readonly what: string | null;
}

/** Reads one way of saying something. @param event the day that was named last before this sentence. */
export type PartReader = (sentence: Sentence, event: string | null) => Part[];

export const bare = { on: null, lastOn: null, startsAt: null, endsAt: null, what: null } as const;
