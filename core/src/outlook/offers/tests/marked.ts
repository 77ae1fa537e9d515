import type { OfferKind } from '@cadro/contract';

/** A comment and its offers: kind, last day, credit. */
export type Marked = readonly [
  text: string,
  offers: readonly (readonly [kind: OfferKind, until: string | null, credit: number | null])[],
];
