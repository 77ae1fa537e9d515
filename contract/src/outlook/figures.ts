import { Type, type Static } from '@sinclair/typebox';
import { Fraction, Instant, Nullable } from '../shared/scalars';

export const looseEndKinds = ['missing', 'incomplete', 'overdue', 'zero', 'at-floor', 'unmarked'] as const;
export type LooseEndKind = (typeof looseEndKinds)[number];
export const trendClasses = ['too-early', 'slipping', 'steady', 'rising'] as const;
export type TrendClass = (typeof trendClasses)[number];

export const LooseEndFigure = Type.Object({
  itemId: Type.String(),
  kind: Type.Union(looseEndKinds.map((kind) => Type.Literal(kind))),
  recoverable: Type.Boolean(),
  credit: Nullable(Fraction),
  deadline: Nullable(Instant),
  /** Points on the course's scale. */
  impact: Nullable(Type.Number()),
});
export type LooseEndFigure = Static<typeof LooseEndFigure>;

/** What the core answers about a course: figures on the course's own scale. */
export const CourseFigures = Type.Object({
  posted: Nullable(Type.Number()),
  display: Nullable(Type.Number()),
  letter: Nullable(Type.String()),
  /** `earned` of `possible` in points, each item as often as it counts; both 0 where nothing is valued yet. */
  categories: Type.Array(
    Type.Object({
      id: Type.String(),
      fraction: Nullable(Fraction),
      earned: Type.Number(),
      possible: Type.Number(),
      /** How many points of the figure are lacking because of it; they sum to `outOf` less the figure. */
      cost: Nullable(Type.Number()),
      /** Ids of the works that are left out as its lowest. */
      dropped: Type.Array(Type.String()),
    }),
  ),
  standards: Type.Array(
    Type.Object({ id: Type.String(), level: Nullable(Type.Number()), met: Nullable(Type.Boolean()) }),
  ),
  ifLeft: Nullable(Type.Number()),
  ifMadeUp: Nullable(Type.Number()),
  best: Nullable(Type.Number()),
  looseEnds: Type.Array(LooseEndFigure),
  trend: Type.Object({
    class: Type.Union(trendClasses.map((name) => Type.Literal(name))),
    slope: Nullable(Type.Number()),
  }),
});
export type CourseFigures = Static<typeof CourseFigures>;

export const neededStatuses = ['secured', 'reachable', 'out-of-reach'] as const;

/** What the core answers to a question about a course: its figures, its changes, what targets ask for. */
export const CourseAnswer = Type.Composite([
  CourseFigures,
  Type.Object({
    /** Works still to be had that count, also those given out later; 0 in standards courses. */
    toCome: Type.Integer(),
    needed: Type.Array(
      Type.Object({
        target: Type.Number(),
        status: Type.Union(neededStatuses.map((status) => Type.Literal(status))),
        /** Share of each work still to come; null when no share is enough. */
        x: Nullable(Fraction),
      }),
    ),
    /** By time. `delta` is null where there was no figure before or after; `posted` is the figure after. */
    moved: Type.Array(
      Type.Object({
        itemId: Type.String(),
        at: Instant,
        delta: Nullable(Type.Number()),
        posted: Nullable(Type.Number()),
      }),
    ),
  }),
]);
export type CourseAnswer = Static<typeof CourseAnswer>;
