/** Words of a sentence, and what they mean: a kind, a last day or a credit. */
export type Part = readonly [words: string, means: string | number | null];

/** A sentence with a place for a day, the kind of offer that it is, and its credit. */
export type Form = readonly [sentence: string, kind: string, credit: number | null];

/** What sentences are put together of. */
export interface Sayings {
  readonly acts: readonly Part[];
  readonly days: readonly Part[];
  readonly credits: readonly Part[];
  readonly openings: readonly Part[];
  readonly ends: readonly Part[];
  readonly forms: readonly Form[];
  readonly formDays: readonly (readonly [phrase: string, bare: string, date: string])[];
  readonly told: readonly string[];
  readonly toldDays: readonly string[];
}
