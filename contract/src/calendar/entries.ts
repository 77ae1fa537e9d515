import { Type, type Static } from '@sinclair/typebox';
import { route } from '../shared/route';
import { DateOnly, Nullable, Uuid, Version } from '../shared/scalars';
import { TimeOfDay } from './day';

export const ownEntryKinds = ['reminder', 'event', 'note', 'supply'] as const;
export type OwnEntryKind = (typeof ownEntryKinds)[number];

/** What a guardian writes into the calendar. An entry hangs on a date of its own, or on a work's due date. */
export const EntryBody = Type.Object({
  kind: Type.Union(ownEntryKinds.map((kind) => Type.Literal(kind))),
  title: Type.String({ minLength: 1, maxLength: 200 }),
  text: Type.Optional(Nullable(Type.String({ maxLength: 4000 }))),
  /** For whom; empty for all children. */
  studentIds: Type.Array(Uuid, { maxItems: 20, uniqueItems: true }),
  /** Whether the other guardians of the household see it. */
  shared: Type.Boolean(),
  on: Type.Optional(Nullable(DateOnly)),
  lastOn: Type.Optional(Nullable(DateOnly)),
  startsAt: Type.Optional(Nullable(TimeOfDay)),
  endsAt: Type.Optional(Nullable(TimeOfDay)),
  /** An RFC 5545 recurrence rule, `FREQ=WEEKLY;BYDAY=TU`; daily or rarer. */
  rule: Type.Optional(Nullable(Type.String({ minLength: 1, maxLength: 300 }))),
  /** The work it is about, and how many days before it is due. */
  itemId: Type.Optional(Nullable(Uuid)),
  daysBefore: Type.Optional(Nullable(Type.Integer({ minimum: 0, maximum: 60 }))),
});
export type EntryBody = Static<typeof EntryBody>;

export const Entry = Type.Composite([
  Type.Required(EntryBody),
  Type.Object({
    id: Uuid,
    version: Version,
    author: Type.String(),
    mine: Type.Boolean(),
    itemTitle: Nullable(Type.String()),
    /** Days of the recurrence that are left out, and days that are ticked off. */
    skipped: Type.Array(DateOnly),
    done: Type.Array(DateOnly),
  }),
]);
export type Entry = Static<typeof Entry>;

const room = 'calendar';
const One = Type.Object({ entryId: Uuid });
export const entryRoutes = {
  create: route({
    method: 'post',
    path: '/api/entries',
    room,
    access: 'signed-in',
    summary: 'Write a reminder, an event, a note or something to buy into the calendar',
    body: EntryBody,
    status: 201,
    answer: Entry,
  }),
  read: route({
    method: 'get',
    path: '/api/entries/:entryId',
    room,
    access: 'signed-in',
    summary: 'One entry of the own calendar',
    params: One,
    status: 200,
    answer: Entry,
  }),
  change: route({
    method: 'patch',
    path: '/api/entries/:entryId',
    room,
    access: 'signed-in',
    summary: 'Change an entry; another version since then answers 409 with both',
    params: One,
    body: Type.Composite([EntryBody, Type.Object({ version: Version })]),
    status: 200,
    answer: Entry,
  }),
  tick: route({
    method: 'post',
    path: '/api/entries/:entryId/days',
    room,
    access: 'signed-in',
    summary: 'Tick one day of an entry off, leave it out, or put it back',
    params: One,
    body: Type.Object({
      on: DateOnly,
      as: Type.Union([Type.Literal('done'), Type.Literal('skipped'), Type.Literal('open')]),
    }),
    status: 200,
    answer: Entry,
  }),
  remove: route({
    method: 'delete',
    path: '/api/entries/:entryId',
    room,
    access: 'signed-in',
    summary: 'Take an entry out of the calendar; for a month it can be put back',
    params: One,
    status: 204,
  }),
  putBack: route({
    method: 'post',
    path: '/api/entries/:entryId/return',
    room,
    access: 'signed-in',
    summary: 'Put an entry back that was taken out, with the days that were ticked off or left out',
    params: One,
    status: 200,
    answer: Entry,
  }),
};
