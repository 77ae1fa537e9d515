import { Type, type Static } from '@sinclair/typebox';
import { Instant, Nullable, Uuid } from '../shared/scalars';

const one = <T extends string>(of: readonly T[]) => Type.Union(of.map((each) => Type.Literal(each)));

/** How far a file that a school has handed over has come. */
export const bundleStates = ['coming', 'waiting', 'reading', 'asking', 'done', 'refused', 'stopped'] as const;
export type BundleState = (typeof bundleStates)[number];
/** Why nothing of a file could be read. */
export const bundleFaults = [
  'not-a-zip',
  'encrypted',
  'unsafe',
  'too-many-files',
  'too-big',
  'no-tables',
  'several-bundles',
] as const;
export type BundleFault = (typeof bundleFaults)[number];
/** Of what a table that is told as a whole can take something away by not naming it. */
export const wholeCollections = ['results', 'items', 'enrolments', 'courses'] as const;
export type WholeCollection = (typeof wholeCollections)[number];

/** What would go, and of how much, where that is to be said first. */
export const Removal = Type.Object({
  ...{ what: one(wholeCollections), gone: Type.Integer(), of: Type.Integer() },
});
export type Removal = Static<typeof Removal>;

/** A file that was handed over, and what became of it. */
export const Bundle = Type.Object({
  ...{ id: Uuid, name: Type.String(), state: one(bundleStates), fault: Nullable(one(bundleFaults)) },
  /** What would go where that is to be said first: of several, the one with the greatest share. */
  ask: Nullable(Removal),
  /** Records that have been taken in, and rows that have not. */
  ...{ records: Type.Integer(), problems: Type.Integer(), cameAt: Instant },
});
export type Bundle = Static<typeof Bundle>;
