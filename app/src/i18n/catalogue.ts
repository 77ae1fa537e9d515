import type { en } from './en/en';

export type SameKeys<T> = {
  readonly [K in keyof T]: T[K] extends string
    ? string
    : T[K] extends readonly string[]
      ? readonly string[]
      : SameKeys<T[K]>;
};
/** The shape every language has: a key that one lacks does not compile. */
export type Catalogue = SameKeys<typeof en>;
