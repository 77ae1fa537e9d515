import { Type, type Static } from '@sinclair/typebox';
import { balanceKinds } from '../around/balance';
import { contactKinds } from '../contacts/kinds';
import { meetingWays } from '../meetings/ways';
import { DateOnly, Instant, Nullable } from '../shared/scalars';
import { base, TimeOfDay } from './feedBase';

/* What a school tells besides its gradebook: people, money, the way to school, the day's bulletin, lost things. */

/**
 * Somebody a family can turn to. Of a teacher `id` is the teacher's own, and it adds what OneRoster has no place for; name
 * and mail stay as they are there. Everybody else is known from here alone.
 */
export const FeedContact = Type.Object({
  ...base,
  kind: Type.Union(contactKinds.map((kind) => Type.Literal(kind))),
  name: Type.String({ minLength: 1 }),
  schoolId: Type.Optional(Nullable(Type.String())),
  mail: Type.Optional(Nullable(Type.String())),
  phone: Type.Optional(Nullable(Type.String())),
  room: Type.Optional(Nullable(Type.String())),
  /** When they can be reached, in the school's words. */
  hours: Type.Optional(Nullable(Type.String())),
  answersFor: Type.Optional(Nullable(Type.String())),
  /** The language they read best, as a tag of BCP 47. */
  language: Type.Optional(Nullable(Type.String({ maxLength: 35 }))),
  /** How a teacher organises work and answers families, in their own words. */
  habits: Type.Optional(Nullable(Type.String())),
  /** For whom they are there, where it is not for everybody at the school. */
  studentIds: Type.Optional(Nullable(Type.Array(Type.String()))),
});
export type FeedContact = Static<typeof FeedContact>;
/** Money of a student: what is left on an account, or a fee that is to be paid. */
export const FeedBalance = Type.Object({
  ...base,
  studentId: Type.String(),
  kind: Type.Union(balanceKinds.map((kind) => Type.Literal(kind))),
  title: Type.String({ minLength: 1 }),
  amount: Type.Number(),
  /** ISO 4217. */
  currency: Type.String({ pattern: '^[A-Z]{3}$' }),
  dueOn: Type.Optional(Nullable(DateOnly)),
  asOf: Instant,
});
/** How a student comes to school and home. */
export const FeedRide = Type.Object({
  ...base,
  studentId: Type.String(),
  title: Type.String({ minLength: 1 }),
  stop: Type.Optional(Nullable(Type.String())),
  /** 1 for Monday to 7 for Sunday. */
  weekdays: Type.Array(Type.Integer({ minimum: 1, maximum: 7 }), { maxItems: 7 }),
  toSchoolAt: Type.Optional(Nullable(TimeOfDay)),
  homeAt: Type.Optional(Nullable(TimeOfDay)),
  note: Type.Optional(Nullable(Type.String())),
  from: Type.Optional(Nullable(DateOnly)),
  until: Type.Optional(Nullable(DateOnly)),
});
/** What a school tells everybody on a day. */
export const FeedBulletin = Type.Object({
  ...base,
  schoolId: Type.String(),
  date: DateOnly,
  text: Type.String(),
});
/** Something that was found and waits for its owner. */
export const FeedFoundThing = Type.Object({
  ...base,
  schoolId: Type.String(),
  title: Type.String({ minLength: 1 }),
  place: Type.Optional(Nullable(Type.String())),
  foundOn: DateOnly,
  keptUntil: Type.Optional(Nullable(DateOnly)),
});
/** A time that a school offers for a talk with somebody there. */
export const FeedSlot = Type.Object({
  ...base,
  /** With whom: a teacher, or another contact. */
  contactId: Type.String(),
  /** For whom, where it is not for every student whom they have something to do with. */
  studentIds: Type.Optional(Nullable(Type.Array(Type.String()))),
  startsAt: Instant,
  endsAt: Instant,
  way: Type.Union(meetingWays.map((way) => Type.Literal(way))),
  place: Type.Optional(Nullable(Type.String())),
  href: Type.Optional(Nullable(Type.String())),
  taken: Type.Boolean(),
  /** The student whose family has it; only said where it is taken. */
  bookedFor: Type.Optional(Nullable(Type.String())),
});
export type FeedSlot = Static<typeof FeedSlot>;
export type FeedBalance = Static<typeof FeedBalance>;
export type FeedRide = Static<typeof FeedRide>;
export type FeedBulletin = Static<typeof FeedBulletin>;
export type FeedFoundThing = Static<typeof FeedFoundThing>;
