import { Type, type Static } from '@sinclair/typebox';
import { TimeOfDay } from '../calendar/day';
import { messageStates } from '../messages/messages';
import { route } from '../shared/route';
import { DateOnly, Instant, Nullable, Uuid } from '../shared/scalars';
import { AnswerValue, SchoolWish } from './wish';

/** What was read out of an announcement's words, on its words; taken with a tap. */
export const AnnouncedPart = Type.Object({
  /** The same while the words are the same. */
  key: Type.String(),
  kind: Type.Union([Type.Literal('day'), Type.Literal('deadline'), Type.Literal('bring')]),
  /** Where it stands in the text. */
  start: Type.Integer(),
  end: Type.Integer(),
  on: Nullable(DateOnly),
  lastOn: Nullable(DateOnly),
  startsAt: Nullable(TimeOfDay),
  endsAt: Nullable(TimeOfDay),
  what: Nullable(Type.String()),
  /** The entry of the family's calendar or shopping list it was taken into; null while it is not. */
  entryId: Nullable(Uuid),
});
export type AnnouncedPart = Static<typeof AnnouncedPart>;

/** What a household has answered about one child. */
export const GivenAnswer = Type.Object({
  studentId: Uuid,
  answer: AnswerValue,
  note: Nullable(Type.String()),
  /** Who answered, by name. */
  author: Type.String(),
  mine: Type.Boolean(),
  at: Instant,
  version: Type.Integer(),
  /** The thread its letter stands in, and how far that letter is; null where it was given on the school's own page. */
  threadId: Nullable(Uuid),
  letter: Nullable(Type.Union(messageStates.map((state) => Type.Literal(state)))),
});
export type GivenAnswer = Static<typeof GivenAnswer>;

export const Announcement = Type.Object({
  id: Uuid,
  /** The children it is for. */
  studentIds: Type.Array(Uuid),
  schoolName: Type.String(),
  /** The course it is for; null for a school's or a child's. */
  courseTitle: Nullable(Type.String()),
  title: Type.String(),
  text: Type.String(),
  postedAt: Instant,
  /** Whether the school has taken it back. */
  takenBack: Type.Boolean(),
  wish: SchoolWish,
  /** Whether the school itself says what it wants and until when; else that was read out of its words. */
  stated: Type.Boolean(),
  /** The last instant for an answer. */
  by: Nullable(Instant),
  /** Whether it can still be answered. */
  open: Type.Boolean(),
  /** Whether people are asked to lend a hand. */
  helpers: Type.Boolean(),
  /** A page of the school's on which to answer, or where a form is. */
  href: Nullable(Type.String()),
  /** Who at the school gets an answer that goes by mail; null where nobody there has an address. */
  answerTo: Nullable(Type.Object({ id: Uuid, name: Type.String() })),
  parts: Type.Array(AnnouncedPart),
  answers: Type.Array(GivenAnswer),
  /** How this guardian has it. */
  read: Type.Boolean(),
  kept: Type.Boolean(),
  archived: Type.Boolean(),
});
export type Announcement = Static<typeof Announcement>;

export const AnnouncementState = Type.Object(
  {
    read: Type.Optional(Type.Boolean()),
    kept: Type.Optional(Type.Boolean()),
    archived: Type.Optional(Type.Boolean()),
  },
  { additionalProperties: false, minProperties: 1 },
);
export type AnnouncementState = Static<typeof AnnouncementState>;

export const NewAnswer = Type.Object({
  /** The version of the answer that is changed; 0 where there is none yet. Another one since then answers 409 with both. */
  version: Type.Integer({ minimum: 0, maximum: 2 ** 31 - 1 }),
  answer: AnswerValue,
  note: Type.Optional(Nullable(Type.String({ minLength: 1, maxLength: 500 }))),
});
export type NewAnswer = Static<typeof NewAnswer>;

const room = 'announcements';
const One = Type.Object({ announcementId: Uuid });
export const announcementRoutes = {
  list: route({
    method: 'get',
    path: '/api/announcements',
    room,
    access: 'signed-in',
    summary: 'What the schools announce and ask, the newest first; what is kept before all else',
    status: 200,
    answer: Type.Object({ announcements: Type.Array(Announcement) }),
  }),
  read: route({
    method: 'get',
    path: '/api/announcements/:announcementId',
    room,
    access: 'signed-in',
    summary: 'One announcement with what was answered and taken',
    params: One,
    status: 200,
    answer: Announcement,
  }),
  keep: route({
    method: 'patch',
    path: '/api/announcements/:announcementId',
    room,
    access: 'signed-in',
    summary: 'Read or unread, kept, put away: each guardian for themself',
    params: One,
    body: AnnouncementState,
    status: 200,
    answer: Announcement,
  }),
  answer: route({
    method: 'post',
    path: '/api/announcements/:announcementId/answers/:studentId',
    room,
    access: 'signed-in',
    summary: 'Answer for a child; goes to the school as a letter, and can be changed until the last day',
    params: Type.Object({ announcementId: Uuid, studentId: Uuid }),
    body: NewAnswer,
    status: 200,
    answer: Announcement,
  }),
  take: route({
    method: 'post',
    path: '/api/announcements/:announcementId/parts/:part',
    room,
    access: 'signed-in',
    summary: 'Take a day, a last day or something to bring into the family’s calendar or shopping list',
    params: Type.Object({ announcementId: Uuid, part: Type.String({ minLength: 1, maxLength: 60 }) }),
    status: 200,
    answer: Announcement,
  }),
  leave: route({
    method: 'delete',
    path: '/api/announcements/:announcementId/parts/:part',
    room,
    access: 'signed-in',
    summary: 'Undo the taking',
    params: Type.Object({ announcementId: Uuid, part: Type.String({ minLength: 1, maxLength: 60 }) }),
    status: 200,
    answer: Announcement,
  }),
};
