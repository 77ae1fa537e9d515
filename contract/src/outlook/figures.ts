import { Type, type Static } from '@sinclair/typebox';
import { resultStatuses } from '../gradebook/record';
import { DateOnly, Fraction, Instant, Nullable } from '../shared/scalars';

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

/** What is open to a family: a loose end, or scored work that may be done again. */
export const openKinds = [...looseEndKinds, 'again'] as const;
export type OpenKind = (typeof openKinds)[number];
export const OpenKindSchema = Type.Union(openKinds.map((kind) => Type.Literal(kind)));

/** A loose end or a second chance, as lists for people have them. */
export const OpenEnd = Type.Composite([
  Type.Omit(LooseEndFigure, ['kind']),
  Type.Object({ kind: OpenKindSchema }),
]);
export type OpenEnd = Static<typeof OpenEnd>;

/** Scored work that may be done again within an offer. */
export const SecondChanceFigure = Type.Object({
  itemId: Type.String(),
  credit: Fraction,
  deadline: Instant,
  /** Points on the course's scale, done again as the child can be expected to; null where there is no figure. */
  impact: Nullable(Type.Number()),
  /** The same with the full credit that is offered. */
  most: Nullable(Type.Number()),
});
export type SecondChanceFigure = Static<typeof SecondChanceFigure>;

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
  chances: Type.Array(SecondChanceFigure),
  trend: Type.Object({
    class: Type.Union(trendClasses.map((name) => Type.Literal(name))),
    slope: Nullable(Type.Number()),
  }),
});
export type CourseFigures = Static<typeof CourseFigures>;

/** Whose figure a grade is: stored by the school for good, the school's running one, or counted here. */
export const gradeSources = ['final', 'school', 'count'] as const;

const written = {
  /** As it is written: rounded to `decimals`. */
  display: Nullable(Type.Number()),
  decimals: Type.Integer(),
  letter: Nullable(Type.String()),
};

/** The grade of a course as it is told everywhere, on the course's scale. */
export const CourseGrade = Type.Object({
  /** Null where there is none; a grade can be a letter alone. */
  figure: Nullable(Type.Number()),
  ...written,
  by: Type.Union(gradeSources.map((by) => Type.Literal(by))),
  /** When the school stated it; null of our own count. */
  at: Nullable(Instant),
  /** By our count, where that differs from the school's by more than rounding. */
  count: Nullable(Type.Object({ figure: Type.Number(), ...written })),
});
export type CourseGrade = Static<typeof CourseGrade>;

/** How the term before ended, shown until the one that runs has a grade of its own. */
export const EndedTerm = Type.Object({
  title: Type.String(),
  /** Its last day. */
  endedOn: DateOnly,
  /** The school's, once it has reported; until then by our count. */
  grade: CourseGrade,
  /** What was left when it ended, and can no longer be mended. */
  closed: Type.Array(LooseEndFigure),
  /** What was left open on its last day and has another result since. */
  decided: Type.Array(
    Type.Object({
      itemId: Type.String(),
      title: Type.String(),
      was: Type.Union(looseEndKinds.map((kind) => Type.Literal(kind))),
      status: Type.Union(resultStatuses.map((status) => Type.Literal(status))),
      earned: Nullable(Type.Number()),
      possible: Type.Number(),
    }),
  ),
});
export type EndedTerm = Static<typeof EndedTerm>;

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
