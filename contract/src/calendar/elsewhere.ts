import { Type, type Static } from '@sinclair/typebox';
import { route } from '../shared/route';
import { DateOnly, Instant, Nullable, Uuid } from '../shared/scalars';
import { sourceFailures } from '../sources/status';
import { LayerSchema } from './calendar';

/** Which part of the calendar goes out. */
export const FeedBody = Type.Object({
  name: Type.String({ minLength: 1, maxLength: 100 }),
  layers: Type.Array(LayerSchema, { minItems: 1, uniqueItems: true }),
  /** Empty for every child linked at the time. */
  studentIds: Type.Array(Uuid, { maxItems: 20, uniqueItems: true }),
});
export type FeedBody = Static<typeof FeedBody>;

/** A subscription of a calendar program: whoever knows its address reads it. */
export const CalendarFeed = Type.Composite([
  FeedBody,
  Type.Object({
    id: Uuid,
    /** The secret address. */
    url: Type.String(),
    createdAt: Instant,
    /** When a program last fetched it. */
    readAt: Nullable(Instant),
  }),
]);
export type CalendarFeed = Static<typeof CalendarFeed>;

/** What of a file was not taken as it stands, and why. */
export const importNotes = [
  'no-start',
  'bad-component',
  'unknown-zone',
  'rule-not-read',
  'too-often',
  'not-an-event',
  'no-uid',
  'too-many',
] as const;
export const ImportReport = Type.Object({
  events: Type.Integer(),
  added: Type.Integer(),
  changed: Type.Integer(),
  same: Type.Integer(),
  removed: Type.Integer(),
  notes: Type.Array(
    Type.Object({
      note: Type.Union(importNotes.map((note) => Type.Literal(note))),
      /** The event's title, the component's or the zone's name. */
      about: Type.String(),
      count: Type.Integer(),
    }),
  ),
});
export type ImportReport = Static<typeof ImportReport>;

export const ImportedCalendar = Type.Object({
  id: Uuid,
  studentId: Nullable(Uuid),
  name: Type.String(),
  author: Type.String(),
  at: Instant,
  report: ImportReport,
  /** Of one that is read again every hour from an address: since when that fails, and whether its entries are work. */
  followed: Nullable(
    Type.Object({
      failingSince: Nullable(Instant),
      failure: Nullable(Type.Union(sourceFailures.map((failure) => Type.Literal(failure)))),
      asWork: Type.Boolean(),
    }),
  ),
});
export type ImportedCalendar = Static<typeof ImportedCalendar>;

export const ImportBody = Type.Object({
  /** The child it is about; null for all. */
  studentId: Nullable(Uuid),
  /** Read in again under the same name, it takes the place of what was there. */
  name: Type.String({ minLength: 1, maxLength: 100 }),
  text: Type.String({ minLength: 1, maxLength: 5_000_000 }),
  /** Tells what would be read and writes nothing. */
  preview: Type.Boolean(),
});
export type ImportBody = Static<typeof ImportBody>;

const room = 'calendar';
const OneFeed = Type.Object({ feedId: Uuid });
const Feeds = Type.Object({ feeds: Type.Array(CalendarFeed), imports: Type.Array(ImportedCalendar) });
export const elsewhereRoutes = {
  list: route({
    method: 'get',
    path: '/api/calendar/feeds',
    room,
    access: 'signed-in',
    summary: 'The subscriptions one has given out, and the calendars one has read in',
    status: 200,
    answer: Feeds,
  }),
  create: route({
    method: 'post',
    path: '/api/calendar/feeds',
    room,
    access: 'signed-in',
    summary: 'Make a secret address for a calendar program',
    body: FeedBody,
    status: 201,
    answer: CalendarFeed,
  }),
  change: route({
    method: 'patch',
    path: '/api/calendar/feeds/:feedId',
    room,
    access: 'signed-in',
    summary: 'Change what a subscription holds',
    params: OneFeed,
    body: FeedBody,
    status: 200,
    answer: CalendarFeed,
  }),
  renew: route({
    method: 'post',
    path: '/api/calendar/feeds/:feedId/renew',
    room,
    access: 'signed-in',
    summary: 'A new secret address; the old one is dead at once',
    params: OneFeed,
    status: 200,
    answer: CalendarFeed,
  }),
  revoke: route({
    method: 'delete',
    path: '/api/calendar/feeds/:feedId',
    room,
    access: 'signed-in',
    summary: 'Revoke a subscription',
    params: OneFeed,
    status: 204,
  }),
  subscription: route({
    method: 'get',
    path: '/calendar/:token/cadro.ics',
    room,
    access: 'public',
    summary: 'What a calendar program reads (RFC 5545); tries are limited',
    params: Type.Object({ token: Type.String({ minLength: 20, maxLength: 100 }) }),
    status: 200,
    produces: 'text/calendar',
  }),
  download: route({
    method: 'get',
    path: '/api/calendar.ics',
    room,
    access: 'signed-in',
    summary: 'A range of days as an iCalendar file',
    query: Type.Object({
      from: DateOnly,
      to: DateOnly,
      layers: Type.Optional(Type.String({ maxLength: 300 })),
    }),
    status: 200,
    produces: 'text/calendar',
  }),
  import: route({
    method: 'post',
    path: '/api/calendar/imports',
    room,
    access: 'signed-in',
    takesFile: true,
    summary: 'Read an iCalendar file in, or tell what would be read',
    body: ImportBody,
    status: 200,
    answer: Type.Object({ report: ImportReport, written: Type.Boolean() }),
  }),
  follow: route({
    method: 'post',
    path: '/api/calendar/addresses',
    room,
    access: 'signed-in',
    summary: 'Read a calendar at an address in, now and every hour from then on',
    body: Type.Object(
      {
        studentId: Nullable(Uuid),
        name: Type.String({ minLength: 1, maxLength: 100, pattern: '\\S' }),
        url: Type.String({ minLength: 8, maxLength: 2_000, pattern: '^(https?|webcal)://' }),
        /** Whether its entries are work of the child's courses; of a child whose record the family writes. */
        asWork: Type.Boolean(),
      },
      { additionalProperties: false },
    ),
    status: 200,
    answer: Type.Object({
      report: ImportReport,
      /** How many of its entries are work of a course that is known. */
      works: Type.Integer(),
    }),
  }),
  forget: route({
    method: 'delete',
    path: '/api/calendar/imports/:importId',
    room,
    access: 'signed-in',
    summary: 'Take a calendar that was read in out again',
    params: Type.Object({ importId: Uuid }),
    status: 204,
  }),
};
