import { Type, type Static } from '@sinclair/typebox';
import {
  CourseFigures,
  CourseGrade,
  looseEndKinds,
  LooseEndFigure,
  SecondChanceFigure,
} from '../outlook/figures';
import { Instant, Nullable, Uuid } from '../shared/scalars';
import { Comment, Freshness, HandInTry, Scale, Teacher } from './basics';
import { Level, PolicyRecord, resultStatuses } from './record';

/** How an item stands, in the record's words. */
export const ItemState = Type.Object({
  status: Type.Union(resultStatuses.map((status) => Type.Literal(status))),
  at: Nullable(Instant),
  earned: Nullable(Type.Number()),
  late: Type.Boolean(),
  levels: Type.Record(Type.String(), Type.Number()),
});
export type ItemState = Static<typeof ItemState>;

/** What the classroom system says of a work, and how that stands to the gradebook. */
export const ClassroomSays = Type.Object({
  status: Type.Union(resultStatuses.map((status) => Type.Literal(status))),
  earned: Nullable(Type.Number()),
  at: Instant,
  /** Still within the time marks travel, or apart for longer. */
  doubt: Type.Union([Type.Literal('doubtful'), Type.Literal('apart')]),
});
export type ClassroomSays = Static<typeof ClassroomSays>;

export const ItemSummary = Type.Object({
  id: Uuid,
  title: Type.String(),
  categoryId: Uuid,
  possible: Type.Number(),
  counts: Type.Boolean(),
  extraCredit: Type.Boolean(),
  assignedAt: Nullable(Instant),
  dueAt: Nullable(Instant),
  state: ItemState,
  looseEnd: Nullable(LooseEndFigure),
  /** Scored work that may be done again; null where it may not. */
  chance: Nullable(SecondChanceFigure),
  /** Since when it waits for its score: handed in, or done in class on its day; null where it does not. */
  waitingSince: Nullable(Instant),
  /** An agenda or a notice among the work: it asks for nothing. */
  notice: Type.Boolean(),
  /** What the classroom system says of it, where that is more than the gradebook knows. */
  classroom: Nullable(ClassroomSays),
  /** The loose end that its last change tied up. */
  was: Nullable(Type.Union(looseEndKinds.map((kind) => Type.Literal(kind)))),
  /** Only the household has it, or what it has of it holds until the school enters it; null for the school's own word. */
  own: Nullable(Type.Union([Type.Literal('alone'), Type.Literal('ahead')])),
  /** The part of the course it belongs to. */
  unit: Nullable(Type.String()),
  commentCount: Type.Integer(),
  /** Whether a teacher's words or rubric levels speak of what was handed in. */
  remarked: Type.Boolean(),
});
export type ItemSummary = Static<typeof ItemSummary>;

/** What one work means to the overall figure, in points of the course's scale. */
export const ItemWorth = Type.Object({
  /** Between nothing and full: how much of the figure it decides. */
  decides: Nullable(Type.Number()),
  /** What the figure is now, less what it would be without this work. */
  now: Nullable(Type.Number()),
});
export type ItemWorth = Static<typeof ItemWorth>;

export const ItemDetail = Type.Composite([
  ItemSummary,
  Type.Object({
    course: Type.Object({ id: Uuid, studentId: Uuid, title: Type.String(), teacher: Nullable(Teacher) }),
    categoryTitle: Type.String(),
    multiplier: Type.Number(),
    scale: Scale,
    figures: Nullable(CourseFigures),
    grade: CourseGrade,
    policy: PolicyRecord,
    worth: ItemWorth,
    kind: Nullable(Type.String()),
    instructions: Nullable(Type.String()),
    where: Nullable(Type.String()),
    supplies: Type.Array(Type.String()),
    files: Type.Array(Type.Object({ title: Type.String(), href: Type.String() })),
    rubric: Type.Array(
      Type.Object({
        id: Type.String(),
        title: Type.String(),
        levels: Type.Array(Level),
        reached: Nullable(Type.Number()),
      }),
    ),
    /** Those it is evidence for, or has a level in. */
    standards: Type.Array(
      Type.Object({ id: Type.String(), title: Type.String(), level: Nullable(Type.Number()) }),
    ),
    redo: Nullable(Type.Union([Type.Literal('yes'), Type.Literal('no'), Type.Literal('ask')])),
    acceptedUntil: Nullable(Instant),
    history: Type.Array(ItemState),
    /** Each time it was handed in, as the classroom system keeps it, the latest first. */
    tries: Type.Array(HandInTry),
    comments: Type.Array(Comment),
    followUpId: Nullable(Uuid),
    freshness: Freshness,
  }),
]);
export type ItemDetail = Static<typeof ItemDetail>;
