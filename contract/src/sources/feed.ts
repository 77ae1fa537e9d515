import { Type, type Static, type TObject } from '@sinclair/typebox';
import { markKinds } from '../attendance/attendance';
import { commentSubjects } from '../gradebook/gradebook';
import { PolicyRecord } from '../gradebook/record';
import { DateOnly, Instant, Nullable } from '../shared/scalars';

/*
 * The classroom feed: what OneRoster has no place for. Plain JSON pages, `GET /feed/v1/<collection>
 * ?since=<instant>&limit=&offset=`, answering `{"records": [...]}` with `X-Total-Count`; ids are OneRoster
 * sourcedIds. `GET /feed/v1/schema.json` gives these schemas.
 */
const base = {
  id: Type.String({ minLength: 1 }),
  changedAt: Instant,
  deleted: Type.Optional(Type.Boolean()),
};

export const FeedClass = Type.Object({
  ...base,
  /** Grading policy of the class; `termEnd` rules what counts when the term ends. */
  policy: PolicyRecord,
  /** Categories that are required and do not count. */
  practiceCategoryIds: Type.Array(Type.String()),
  standards: Type.Array(Type.Object({ id: Type.String(), title: Type.String() })),
});
export const FeedAssignment = Type.Object({
  ...base,
  kind: Type.Optional(Type.String()),
  instructions: Type.Optional(Type.String()),
  where: Type.Optional(Type.String()),
  supplies: Type.Optional(Type.Array(Type.String())),
  redo: Type.Optional(Type.Union([Type.Literal('yes'), Type.Literal('no'), Type.Literal('ask')])),
  acceptedUntil: Type.Optional(Nullable(Instant)),
  counts: Type.Optional(Type.Boolean()),
  extraCredit: Type.Optional(Type.Boolean()),
  multiplier: Type.Optional(Type.Number({ minimum: 0 })),
  /** The standard demands a due date of every line item; this says that there is none. */
  undated: Type.Optional(Type.Boolean()),
});
export const FeedComment = Type.Object({
  ...base,
  studentId: Type.String(),
  classId: Type.String(),
  assignmentId: Type.Optional(Type.String()),
  subject: Type.Union(commentSubjects.map((subject) => Type.Literal(subject))),
  text: Type.String({ minLength: 1 }),
  teacherId: Type.String(),
  writtenAt: Instant,
});
export const FeedMark = Type.Object({
  ...base,
  studentId: Type.String(),
  date: DateOnly,
  period: Type.String(),
  classId: Type.Optional(Type.String()),
  code: Type.String(),
  kind: Type.Union(markKinds.map((kind) => Type.Literal(kind))),
  excused: Type.Boolean(),
  label: Type.String(),
});
export const FeedLesson = Type.Object({
  ...base,
  classId: Type.String(),
  rotationDay: Type.String(),
  period: Type.String(),
  startsAt: Type.String(),
  endsAt: Type.String(),
  room: Type.Optional(Type.String()),
});
export const FeedAnnouncement = Type.Object({
  ...base,
  title: Type.String(),
  text: Type.String(),
  postedAt: Instant,
});
export const FeedLinkCode = Type.Object({
  ...base,
  code: Type.String(),
  studentId: Type.String(),
  expiresAt: Instant,
});
export type FeedClass = Static<typeof FeedClass>;
export type FeedAssignment = Static<typeof FeedAssignment>;
export type FeedComment = Static<typeof FeedComment>;
export type FeedMark = Static<typeof FeedMark>;
export type FeedLesson = Static<typeof FeedLesson>;
export type FeedAnnouncement = Static<typeof FeedAnnouncement>;
export type FeedLinkCode = Static<typeof FeedLinkCode>;

/** In reading order. */
export const feedCollections = {
  classDetails: FeedClass,
  assignments: FeedAssignment,
  comments: FeedComment,
  attendance: FeedMark,
  timetable: FeedLesson,
  announcements: FeedAnnouncement,
  linkCodes: FeedLinkCode,
} as const satisfies Record<string, TObject>;
export type FeedName = keyof typeof feedCollections;

export const feedScope = 'urn:cadro:feed.readonly';
export const feedPath = (name: FeedName): string => `/feed/v1/${name}`;
