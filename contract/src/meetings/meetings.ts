import { Type, type Static } from '@sinclair/typebox';
import { Email } from '../household/door';
import { Agreement } from '../shared/agreement';
import { route } from '../shared/route';
import { Instant, Line, LineId, Nullable, Uuid, Version } from '../shared/scalars';
import { meetingWays } from './ways';

const strict = { additionalProperties: false };
const Way = Type.Union(meetingWays.map((way) => Type.Literal(way)));
const Place = Type.String({ minLength: 1, maxLength: 200 });
/** A place in the web to meet at. */
const Href = Type.String({ format: 'uri', pattern: '^https?://', maxLength: 2000 });
/** An instant that somebody names, of the years 1900 to 2199. */
const AskedInstant = Type.String({ format: 'date-time', pattern: '^(19|2[01])', maxLength: 40 });

/** A time that a school offers for a talk with somebody there. */
export const OfferedSlot = Type.Object({
  id: Uuid,
  studentId: Uuid,
  teacherId: Uuid,
  teacherName: Type.String(),
  startsAt: Instant,
  endsAt: Instant,
  /** Of the school: its clock tells when that is. */
  timeZone: Type.String(),
  way: Way,
  place: Nullable(Type.String()),
  href: Nullable(Type.String()),
  /** `ours`: the school has put it down for the child. */
  state: Type.Union([Type.Literal('free'), Type.Literal('ours')]),
});
export type OfferedSlot = Static<typeof OfferedSlot>;

export const guestAnswers = ['yes', 'maybe', 'no'] as const;
export type GuestAnswer = (typeof guestAnswers)[number];
/** Somebody whom the invitation goes to. */
export const MeetingGuest = Type.Object({
  id: Uuid,
  name: Type.String(),
  address: Type.String(),
  /** Null until they have answered. */
  answer: Nullable(Type.Union(guestAnswers.map((answer) => Type.Literal(answer)))),
  answeredAt: Nullable(Instant),
  /** The address that has answered, where it is not known to be theirs; null where it is. */
  answeredBy: Nullable(Type.String()),
  /** What they have written beside it, or instead; and from which address, where it is not known to be theirs. */
  words: Nullable(Type.String()),
  wordsBy: Nullable(Type.String()),
  /** Whether the invitation has gone out as the meeting is now, or came back. */
  state: Type.Union([Type.Literal('on-its-way'), Type.Literal('told'), Type.Literal('came-back')]),
});
export type MeetingGuest = Static<typeof MeetingGuest>;

export const meetingStates = ['stands', 'given-back', 'called-off'] as const;
export type MeetingState = (typeof meetingStates)[number];
/** A question of the family's own for the page that is brought. */
export const OwnQuestion = Type.Object({ id: LineId, text: Line }, strict);
export type OwnQuestion = Static<typeof OwnQuestion>;

export const Meeting = Type.Object({
  id: Uuid,
  studentId: Uuid,
  teacherId: Uuid,
  teacherName: Type.String(),
  /** Whether the school offered the time, so that it hears what becomes of it. */
  offered: Type.Boolean(),
  startsAt: Instant,
  endsAt: Instant,
  timeZone: Type.String(),
  way: Way,
  place: Nullable(Type.String()),
  href: Nullable(Type.String()),
  /** `called-off`: the school has taken its time back, or given it to somebody else. */
  state: Type.Union(meetingStates.map((state) => Type.Literal(state))),
  /** Who has put it down. */
  author: Type.String(),
  guests: Type.Array(MeetingGuest),
  /** Lines of Cadro's that are left off the page, by their ids. */
  hidden: Type.Array(LineId),
  questions: Type.Array(OwnQuestion),
  notes: Nullable(Type.String()),
  agreed: Type.Array(Agreement),
  version: Version,
});
export type Meeting = Static<typeof Meeting>;

const times = { startsAt: AskedInstant, endsAt: AskedInstant };
const where = { way: Way, place: Nullable(Place), href: Nullable(Href) };
export const NewMeeting = Type.Object({ studentId: Uuid, teacherId: Uuid, ...times, ...where }, strict);
export type NewMeeting = Static<typeof NewMeeting>;

export const MeetingChange = Type.Object(
  {
    version: Version,
    hidden: Type.Optional(Type.Array(LineId, { maxItems: 200, uniqueItems: true })),
    questions: Type.Optional(Type.Array(OwnQuestion, { maxItems: 60 })),
    notes: Type.Optional(Nullable(Type.String({ maxLength: 20_000 }))),
    agreed: Type.Optional(Type.Array(Agreement, { maxItems: 30 })),
  },
  { ...strict, minProperties: 2 },
);
export type MeetingChange = Static<typeof MeetingChange>;

/** To another time: one that the school offers, or one that is said. */
export const MeetingMove = Type.Object(
  {
    version: Version,
    to: Type.Union([Type.Object({ slotId: Uuid }, strict), Type.Object({ ...times, ...where }, strict)]),
  },
  strict,
);
export type MeetingMove = Static<typeof MeetingMove>;

const room = 'meetings';
const One = Type.Object({ meetingId: Uuid });
export const meetingRoutes = {
  list: route({
    method: 'get',
    path: '/api/meetings',
    room,
    access: 'signed-in',
    summary: 'The family’s meetings at school: those to come first, then those that are over',
    status: 200,
    answer: Type.Object({ meetings: Type.Array(Meeting) }),
  }),
  slots: route({
    method: 'get',
    path: '/api/meetings/slots',
    room,
    access: 'signed-in',
    summary: 'The times the schools offer, still to come: free ones, and those put down for a child',
    status: 200,
    answer: Type.Object({ slots: Type.Array(OfferedSlot) }),
  }),
  book: route({
    method: 'post',
    path: '/api/meetings/slots/:slotId/booking',
    room,
    access: 'signed-in',
    summary: 'Take a time that a school offers; the school says whether it is still to be had',
    params: Type.Object({ slotId: Uuid }),
    body: Type.Object({ studentId: Uuid }, strict),
    status: 201,
    answer: Meeting,
  }),
  add: route({
    method: 'post',
    path: '/api/meetings',
    room,
    access: 'signed-in',
    summary: 'Put down a meeting that was agreed on elsewhere',
    body: NewMeeting,
    status: 201,
    answer: Meeting,
  }),
  change: route({
    method: 'patch',
    path: '/api/meetings/:meetingId',
    room,
    access: 'signed-in',
    summary: 'Change the page that is brought, write notes, write down what was agreed',
    params: One,
    body: MeetingChange,
    status: 200,
    answer: Meeting,
  }),
  move: route({
    method: 'post',
    path: '/api/meetings/:meetingId/move',
    room,
    access: 'signed-in',
    summary: 'Move a meeting; the time it had goes back to the school, and whoever was invited hears of it',
    params: One,
    body: MeetingMove,
    status: 200,
    answer: Meeting,
  }),
  giveBack: route({
    method: 'post',
    path: '/api/meetings/:meetingId/give-back',
    room,
    access: 'signed-in',
    summary: 'Give a meeting back; the school and whoever was invited hear of it',
    params: One,
    body: Type.Object({ version: Version }, strict),
    status: 200,
    answer: Meeting,
  }),
  invite: route({
    method: 'post',
    path: '/api/meetings/:meetingId/guests',
    room,
    access: 'signed-in',
    summary: 'Send the invitation to somebody’s calendar (iCalendar, RFC 5546)',
    params: One,
    body: Type.Object(
      { name: Type.String({ minLength: 1, maxLength: 100, pattern: '\\S' }), address: Email },
      strict,
    ),
    status: 200,
    answer: Meeting,
  }),
  uninvite: route({
    method: 'delete',
    path: '/api/meetings/:meetingId/guests/:guestId',
    room,
    access: 'signed-in',
    summary: 'Take an invitation back; their calendar is told',
    params: Type.Object({ meetingId: Uuid, guestId: Uuid }),
    status: 200,
    answer: Meeting,
  }),
  file: route({
    method: 'get',
    path: '/api/meetings/:meetingId/calendar',
    room,
    access: 'signed-in',
    summary: 'The meeting as a calendar file',
    params: One,
    status: 200,
    produces: 'text/calendar',
  }),
};
