import { Type, type Static } from '@sinclair/typebox';
import { route } from '../shared/route';
import { DateOnly, Nullable, Uuid } from '../shared/scalars';
import { TimeOfDay } from './day';

/** What a calendar is made of; each can be shown or left out by itself. */
export const calendarLayers = [
  'test',
  'due',
  'offer',
  'school',
  'meeting',
  'own',
  'plan',
  'look-again',
  'attendance',
  'closed',
  'imported',
] as const;
export type CalendarLayer = (typeof calendarLayers)[number];
export const LayerSchema = Type.Union(calendarLayers.map((layer) => Type.Literal(layer)));

/** Where an event leads. */
const Link = Type.Union([
  Type.Object({ to: Type.Literal('item'), studentId: Uuid, courseId: Uuid, itemId: Uuid }),
  Type.Object({ to: Type.Literal('follow-up'), followUpId: Uuid }),
  Type.Object({ to: Type.Literal('day'), studentId: Uuid, on: DateOnly }),
  Type.Object({ to: Type.Literal('entry'), entryId: Uuid }),
  Type.Object({ to: Type.Literal('plan'), studentId: Uuid }),
  Type.Object({ to: Type.Literal('meeting'), meetingId: Uuid }),
]);

export const CalendarEvent = Type.Object({
  /** The same for the same thing however often it moves: what a subscriber knows it by. */
  key: Type.String(),
  layer: LayerSchema,
  /** Whom it is about; empty for everyone. */
  studentIds: Type.Array(Uuid),
  title: Type.String(),
  /** The course, the source, or what was written; null where there is nothing to add. */
  detail: Nullable(Type.String()),
  on: DateOnly,
  /** Last day of it, included. */
  lastOn: DateOnly,
  /** Times of the clock in `timeZone`; null for a whole day. */
  startsAt: Nullable(TimeOfDay),
  endsAt: Nullable(TimeOfDay),
  timeZone: Type.String(),
  place: Nullable(Type.String()),
  href: Nullable(Type.String()),
  /** Over, handed in or ticked off. */
  settled: Type.Boolean(),
  /** Counts of an attendance event; null for every other. */
  marks: Nullable(
    Type.Object({
      absent: Type.Integer(),
      unexplained: Type.Integer(),
      late: Type.Integer(),
      trip: Type.Integer(),
      wholeDay: Type.Boolean(),
    }),
  ),
  link: Nullable(Link),
});
export type CalendarEvent = Static<typeof CalendarEvent>;

/**
 * The page of the app an event leads to; null for one that has none.
 * @example work of a child → `/courses/<student>/<course>/<item>`
 */
export function pageOfEvent({ link, on }: Pick<CalendarEvent, 'link' | 'on'>): string | null {
  switch (link?.to) {
    case 'item':
      return `/courses/${link.studentId}/${link.courseId}/${link.itemId}`;
    case 'follow-up':
      return `/talk/follow-ups/${link.followUpId}`;
    case 'day':
      return `/days/${link.studentId}/${link.on}`;
    case 'entry':
      return `/days/entries/${link.entryId}?on=${on}`;
    case 'plan':
      return `/work/plan?studentId=${link.studentId}`;
    case 'meeting':
      return `/talk/meetings/${link.meetingId}`;
    case undefined:
      return null;
  }
}

/** Many things for one child on one day. */
export const Cluster = Type.Object({
  studentId: Uuid,
  on: DateOnly,
  count: Type.Integer(),
  tests: Type.Integer(),
});
export type Cluster = Static<typeof Cluster>;

export const UndatedWork = Type.Object({
  studentId: Uuid,
  courseId: Uuid,
  courseTitle: Type.String(),
  itemId: Uuid,
  title: Type.String(),
  /** The day the household has given it. */
  ownDate: Nullable(DateOnly),
});
export type UndatedWork = Static<typeof UndatedWork>;

export const Calendar = Type.Object({
  from: DateOnly,
  to: DateOnly,
  today: DateOnly,
  events: Type.Array(CalendarEvent),
  clusters: Type.Array(Cluster),
  undated: Type.Array(UndatedWork),
});
export type Calendar = Static<typeof Calendar>;

/** What has to be there before work that is coming, and what the household wrote down itself. */
export const Supply = Type.Object({
  /** An own entry, or a work of a child that names it. */
  entryId: Nullable(Uuid),
  studentId: Nullable(Uuid),
  itemId: Nullable(Uuid),
  courseId: Nullable(Uuid),
  for: Nullable(Type.String()),
  supply: Type.String(),
  neededOn: Nullable(DateOnly),
  got: Type.Boolean(),
});
export type Supply = Static<typeof Supply>;

const room = 'calendar';
export const calendarRoutes = {
  calendar: route({
    method: 'get',
    path: '/api/calendar',
    room,
    access: 'signed-in',
    summary:
      'Everything on the days from `from` to `to`, both included, over all linked children; at most 400 days',
    query: Type.Object({ from: DateOnly, to: DateOnly }),
    status: 200,
    answer: Calendar,
  }),
  ownDate: route({
    method: 'post',
    path: '/api/students/:studentId/items/:itemId/own-date',
    room,
    access: 'signed-in',
    summary: 'Give undated work a day of the household’s own, or take it away',
    params: Type.Object({ studentId: Uuid, itemId: Uuid }),
    body: Type.Object({ on: Nullable(DateOnly) }),
    status: 204,
  }),
  supplies: route({
    method: 'get',
    path: '/api/supplies',
    room,
    access: 'signed-in',
    summary: 'The shopping list: supplies of coming work, and own entries',
    status: 200,
    answer: Type.Object({ supplies: Type.Array(Supply) }),
  }),
  gotSupply: route({
    method: 'post',
    path: '/api/students/:studentId/items/:itemId/supplies',
    room,
    access: 'signed-in',
    summary: 'Tick a supply of a work off, or not',
    params: Type.Object({ studentId: Uuid, itemId: Uuid }),
    body: Type.Object({ supply: Type.String({ minLength: 1, maxLength: 500 }), got: Type.Boolean() }),
    status: 204,
  }),
};
