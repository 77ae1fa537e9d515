import { Type, type Static } from '@sinclair/typebox';
import { CourseFigures, LooseEndFigure } from '../outlook/figures';
import { route } from '../shared/route';
import { DateOnly, Instant, Nullable, Uuid } from '../shared/scalars';
import { Letter, methods, resultStatuses } from './record';

export const commentSubjects = ['score', 'work', 'rubric', 'course', 'report-card'] as const;
export type CommentSubject = (typeof commentSubjects)[number];

export const Teacher = Type.Object({ id: Uuid, name: Type.String(), contactable: Type.Boolean() });

export const Comment = Type.Object({
  id: Uuid,
  subject: Type.Union(commentSubjects.map((subject) => Type.Literal(subject))),
  text: Type.String(),
  author: Type.String(),
  writtenAt: Instant,
});
export type Comment = Static<typeof Comment>;

/** How old what is shown is, and where it came from. `failingSince` is set while the source cannot be read. */
export const Freshness = Type.Object({
  sourceName: Type.String(),
  readAt: Nullable(Instant),
  failingSince: Nullable(Instant),
});
export type Freshness = Static<typeof Freshness>;

export const Scale = Type.Object({
  method: Type.Union(methods.map((method) => Type.Literal(method))),
  outOf: Type.Number(),
  decimals: Type.Integer(),
  letters: Type.Array(Letter),
});
export type Scale = Static<typeof Scale>;

export const CourseSummary = Type.Object({
  id: Uuid,
  studentId: Uuid,
  title: Type.String(),
  teacher: Nullable(Teacher),
  scale: Scale,
  /** Null until the figures have been computed for the first time. */
  figures: Nullable(CourseFigures),
  itemCount: Type.Integer(),
  nextDue: Nullable(Type.Object({ title: Type.String(), dueAt: Instant })),
  freshness: Freshness,
});
export type CourseSummary = Static<typeof CourseSummary>;

/** How an item stands, in the record's words. */
export const ItemState = Type.Object({
  status: Type.Union(resultStatuses.map((status) => Type.Literal(status))),
  at: Nullable(Instant),
  earned: Nullable(Type.Number()),
  late: Type.Boolean(),
  levels: Type.Record(Type.String(), Type.Number()),
});
export type ItemState = Static<typeof ItemState>;

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
  commentCount: Type.Integer(),
});
export type ItemSummary = Static<typeof ItemSummary>;

export const CourseDetail = Type.Composite([
  CourseSummary,
  Type.Object({
    termTitle: Type.String(),
    termEndsOn: DateOnly,
    room: Nullable(Type.String()),
    period: Nullable(Type.String()),
    missingCounts: Type.Union([Type.Literal('zero'), Type.Literal('floor'), Type.Literal('not')]),
    incompleteCounts: Type.Union([Type.Literal('zero'), Type.Literal('not')]),
    floor: Type.Number(),
    categories: Type.Array(
      Type.Object({ id: Uuid, title: Type.String(), weight: Type.Number(), counts: Type.Boolean() }),
    ),
    standards: Type.Array(Type.Object({ id: Type.String(), title: Type.String() })),
    items: Type.Array(ItemSummary),
    comments: Type.Array(Comment),
  }),
]);
export type CourseDetail = Static<typeof CourseDetail>;

export const ItemDetail = Type.Composite([
  ItemSummary,
  Type.Object({
    course: Type.Object({ id: Uuid, studentId: Uuid, title: Type.String(), teacher: Nullable(Teacher) }),
    categoryTitle: Type.String(),
    multiplier: Type.Number(),
    scale: Scale,
    figures: Nullable(CourseFigures),
    kind: Nullable(Type.String()),
    instructions: Nullable(Type.String()),
    where: Nullable(Type.String()),
    supplies: Type.Array(Type.String()),
    redo: Nullable(Type.Union([Type.Literal('yes'), Type.Literal('no'), Type.Literal('ask')])),
    acceptedUntil: Nullable(Instant),
    history: Type.Array(ItemState),
    comments: Type.Array(Comment),
    followUpId: Nullable(Uuid),
    freshness: Freshness,
  }),
]);
export type ItemDetail = Static<typeof ItemDetail>;

const room = 'gradebook';
export const gradebookRoutes = {
  courses: route({
    method: 'get',
    path: '/api/courses',
    room,
    access: 'signed-in',
    summary: 'The courses of every linked child with their current figures',
    status: 200,
    answer: Type.Object({ courses: Type.Array(CourseSummary) }),
  }),
  course: route({
    method: 'get',
    path: '/api/students/:studentId/courses/:courseId',
    room,
    access: 'signed-in',
    summary: 'One course of one child: what counts how much, the work, the comments',
    params: Type.Object({ studentId: Uuid, courseId: Uuid }),
    status: 200,
    answer: CourseDetail,
  }),
  item: route({
    method: 'get',
    path: '/api/students/:studentId/items/:itemId',
    room,
    access: 'signed-in',
    summary: 'One assignment of one child with its whole story',
    params: Type.Object({ studentId: Uuid, itemId: Uuid }),
    status: 200,
    answer: ItemDetail,
  }),
};
