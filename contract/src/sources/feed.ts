import { Type, type Static, type TObject } from '@sinclair/typebox';
import { SchoolWish } from '../announcements/wish';
import { markKinds } from '../attendance/attendance';
import { CommentAbout, commentSubjects, HandInTry, Recording } from '../gradebook/basics';
import { Level, PolicyRecord } from '../gradebook/record';
import { DateOnly, Instant, Nullable } from '../shared/scalars';
import { FeedBalance, FeedBulletin, FeedContact, FeedFoundThing, FeedRide, FeedSlot } from './feedAround';
import { base, TimeOfDay } from './feedBase';

export * from './feedAround';

/*
 * The classroom feed: what OneRoster has no place for. Plain JSON pages, `GET /feed/v1/<collection>
 * ?since=<instant>&limit=&offset=`, answering `{"records": [...]}` with `X-Total-Count`; ids are OneRoster
 * sourcedIds. `GET /feed/v1/schema.json` gives these schemas.
 */

/** How a composed grade of a term is made; `part` is an academic session or the key of an exam. */
export const Composition = Type.Object({
  sessionId: Type.String(),
  parts: Type.Array(
    Type.Object({
      part: Type.String(),
      title: Type.Optional(Type.String()),
      weight: Type.Number({ minimum: 0 }),
    }),
  ),
});
export type Composition = Static<typeof Composition>;

export const FeedClass = Type.Object({
  ...base,
  /** Grading policy of the class while it runs; absent where only its reports are kept. */
  policy: Type.Optional(Nullable(PolicyRecord)),
  /** The class's categories, also those without work yet: the standard does not say whose a category is. */
  categories: Type.Array(
    Type.Object({
      id: Type.String(),
      /** Whether it counts, or is required and does not. */
      counts: Type.Boolean(),
      /** How many of its lowest scores are left out. */
      dropLowest: Type.Integer({ minimum: 0, maximum: 1000 }),
    }),
  ),
  standards: Type.Array(
    Type.Object({ id: Type.String(), title: Type.String(), levels: Type.Optional(Type.Array(Level)) }),
  ),
  credits: Type.Optional(Type.Number({ minimum: 0 })),
  /** What the credits count towards. */
  creditArea: Type.Optional(Type.String()),
  /** Grade points added for a harder course. */
  bump: Type.Optional(Type.Number()),
  compositions: Type.Optional(Type.Array(Composition)),
});
export const FeedAssignment = Type.Object({
  ...base,
  kind: Type.Optional(Type.String()),
  /** Done in class: nothing is handed in. Where it is not told, the kind decides. */
  inClass: Type.Optional(Type.Boolean()),
  instructions: Type.Optional(Type.String()),
  where: Type.Optional(Type.String()),
  supplies: Type.Optional(Type.Array(Type.String())),
  redo: Type.Optional(Type.Union([Type.Literal('yes'), Type.Literal('no'), Type.Literal('ask')])),
  acceptedUntil: Type.Optional(Nullable(Instant)),
  counts: Type.Optional(Type.Boolean()),
  extraCredit: Type.Optional(Type.Boolean()),
  multiplier: Type.Optional(Type.Number({ minimum: 0 })),
  /** The part of the course it belongs to. */
  unit: Type.Optional(Type.String()),
  files: Type.Optional(Type.Array(Type.Object({ title: Type.String(), href: Type.String() }))),
  rubric: Type.Optional(
    Type.Array(Type.Object({ id: Type.String(), title: Type.String(), levels: Type.Array(Level) })),
  ),
  /** The standard demands a due date of every line item; this says that there is none. */
  undated: Type.Optional(Type.Boolean()),
});
export const FeedComment = Type.Object({
  ...base,
  studentId: Type.String(),
  classId: Type.String(),
  assignmentId: Type.Optional(Type.String()),
  /** The academic session a report-card comment is about. */
  sessionId: Type.Optional(Type.String()),
  subject: Type.Union(commentSubjects.map((subject) => Type.Literal(subject))),
  text: Type.String({ minLength: 1 }),
  teacherId: Type.String(),
  writtenAt: Instant,
  /** One answer of a quiz, or a place in the handed-in file. */
  about: Type.Optional(Nullable(CommentAbout)),
  /** Spoken words: an address below the school's own, their length, and what is said. */
  recording: Type.Optional(Nullable(Type.Composite([Recording, Type.Object({ href: Type.String() })]))),
  /** Where the words are, if they are in another system. */
  elsewhere: Type.Optional(Nullable(Type.String())),
});
/** What a code of the school's own means, from a day on where it has not always meant that. */
export const FeedAttendanceCode = Type.Object({
  ...base,
  code: Type.String({ minLength: 1 }),
  kind: Type.Union(markKinds.map((kind) => Type.Literal(kind))),
  excused: Type.Boolean(),
  label: Type.String(),
  from: Type.Optional(Nullable(DateOnly)),
});
export const FeedMark = Type.Object({
  ...base,
  studentId: Type.String(),
  date: DateOnly,
  /** The period of the lesson; `day` where a school marks whole days. */
  period: Type.String({ minLength: 1 }),
  classId: Type.Optional(Type.String()),
  code: Type.String({ minLength: 1 }),
  note: Type.Optional(Type.String()),
  markedBy: Type.Optional(Type.String()),
});
export const FeedLesson = Type.Object({
  ...base,
  classId: Type.String(),
  /** Days are told their rotation day in `schoolDays`; empty for a lesson of every day. */
  rotationDay: Type.String(),
  period: Type.String(),
  startsAt: TimeOfDay,
  endsAt: TimeOfDay,
  room: Type.Optional(Type.String()),
});
/** A day of the school's calendar: with school, and which day of the rotation, or without and why. */
export const FeedSchoolDay = Type.Object({
  ...base,
  schoolId: Type.String(),
  date: DateOnly,
  open: Type.Boolean(),
  rotationDay: Type.Optional(Nullable(Type.String())),
  title: Type.Optional(Nullable(Type.String())),
});
export const schoolEventKinds = ['event', 'meeting', 'reporting', 'live-lesson'] as const;
/** Something at a time, or on whole days, for the whole school or for one class. */
export const FeedSchoolEvent = Type.Object({
  ...base,
  schoolId: Type.String(),
  classId: Type.Optional(Nullable(Type.String())),
  kind: Type.Union(schoolEventKinds.map((kind) => Type.Literal(kind))),
  title: Type.String({ minLength: 1 }),
  /** First and last day, both included. */
  date: DateOnly,
  lastDate: Type.Optional(Nullable(DateOnly)),
  startsAt: Type.Optional(Nullable(TimeOfDay)),
  endsAt: Type.Optional(Nullable(TimeOfDay)),
  place: Type.Optional(Nullable(Type.String())),
  href: Type.Optional(Nullable(Type.String())),
});
/** What was done in a lesson, and what was given as homework. */
export const FeedLessonNote = Type.Object({
  ...base,
  classId: Type.String(),
  date: DateOnly,
  done: Type.String(),
  homework: Type.Optional(Nullable(Type.String())),
  files: Type.Optional(Type.Array(Type.Object({ title: Type.String(), href: Type.String() }))),
});
export const FeedAnnouncement = Type.Object({
  ...base,
  title: Type.String(),
  text: Type.String(),
  postedAt: Instant,
  /** For whom it is: a school, a class, a student; everybody of the source where nothing is named. */
  schoolId: Type.Optional(Nullable(Type.String())),
  classId: Type.Optional(Nullable(Type.String())),
  studentId: Type.Optional(Nullable(Type.String())),
  /** What the school wants; where it does not say, its words are read. */
  wish: Type.Optional(Nullable(SchoolWish)),
  /** The last instant for it. */
  by: Type.Optional(Nullable(Instant)),
  /** Whether it asks for people who lend a hand. */
  helpers: Type.Optional(Nullable(Type.Boolean())),
  /** A page of the school's on which to answer, or where a form is. */
  href: Type.Optional(Nullable(Type.String())),
});
export const FeedLinkCode = Type.Object({
  ...base,
  /** Sixteen letters and digits or more, so that nobody finds one by trying; blanks and dashes are for its readers. */
  code: Type.String({ pattern: '^(?:[^A-Za-z0-9]*[A-Za-z0-9]){16,40}[^A-Za-z0-9]*$', maxLength: 80 }),
  studentId: Type.String(),
  expiresAt: Instant,
});
/** What the school itself says of a course: a running figure, or the final one that it has stored. */
export const FeedGrade = Type.Object({
  ...base,
  studentId: Type.String(),
  classId: Type.String(),
  /** An academic session, or the key of an exam in a composition. */
  part: Type.String(),
  state: Type.Union([Type.Literal('running'), Type.Literal('final')]),
  /** 0 to 1; may exceed 1. */
  fraction: Type.Optional(Nullable(Type.Number())),
  /** As the school writes it, on the course's scale. */
  figure: Type.Optional(Nullable(Type.Number())),
  letter: Type.Optional(Nullable(Type.String())),
  creditsEarned: Type.Optional(Nullable(Type.Number({ minimum: 0 }))),
  reportedAt: Instant,
});
/** The levels a child reached in the criteria of an assignment's rubric. */
export const FeedRubricMark = Type.Object({
  ...base,
  studentId: Type.String(),
  assignmentId: Type.String(),
  marks: Type.Array(Type.Object({ criterionId: Type.String(), level: Type.Number() })),
  writtenAt: Instant,
});
/**
 * What the classroom itself knows of a work: handed in there, marked there. Official records come from the
 * gradebook a day or two later, and sometimes disagree.
 */
export const FeedHandIn = Type.Object({
  ...base,
  studentId: Type.String(),
  assignmentId: Type.String(),
  state: Type.Union([Type.Literal('open'), Type.Literal('handed-in'), Type.Literal('marked')]),
  earned: Type.Optional(Nullable(Type.Number({ minimum: 0 }))),
  at: Instant,
  /** Each time it was handed in. */
  tries: Type.Optional(Type.Array(HandInTry)),
});
export type FeedHandIn = Static<typeof FeedHandIn>;
/** Credits a child needs to finish, by area. */
export const FeedCreditPlan = Type.Object({
  ...base,
  studentId: Type.String(),
  areas: Type.Array(Type.Object({ area: Type.String(), required: Type.Number({ minimum: 0 }) })),
});
/** `id` is the school's: its grade points by letter, and who answers for attendance. */
export const FeedSchool = Type.Object({
  ...base,
  gradePoints: Type.Optional(Type.Record(Type.String(), Type.Number())),
  attendanceDesk: Type.Optional(Nullable(Type.Object({ name: Type.String(), mail: Type.String() }))),
});
export type FeedGrade = Static<typeof FeedGrade>;
export type FeedRubricMark = Static<typeof FeedRubricMark>;
export type FeedCreditPlan = Static<typeof FeedCreditPlan>;
export type FeedSchool = Static<typeof FeedSchool>;
export type FeedClass = Static<typeof FeedClass>;
export type FeedAssignment = Static<typeof FeedAssignment>;
export type FeedComment = Static<typeof FeedComment>;
export type FeedAttendanceCode = Static<typeof FeedAttendanceCode>;
export type FeedMark = Static<typeof FeedMark>;
export type FeedLesson = Static<typeof FeedLesson>;
export type FeedSchoolDay = Static<typeof FeedSchoolDay>;
export type FeedSchoolEvent = Static<typeof FeedSchoolEvent>;
export type FeedLessonNote = Static<typeof FeedLessonNote>;
export type SchoolEventKind = (typeof schoolEventKinds)[number];
export type FeedAnnouncement = Static<typeof FeedAnnouncement>;
export type FeedLinkCode = Static<typeof FeedLinkCode>;

/** What a school can hold back of a child's record. */
export const withheld = ['course', 'comments', 'contacts', 'attendance'] as const;
export type Withheld = (typeof withheld)[number];
/** Held back from one of those whom the school names for the child, or from everybody but the child itself. */
export const FeedRestriction = Type.Object({
  ...base,
  studentId: Type.String(),
  what: Type.Union(withheld.map((each) => Type.Literal(each))),
  /** Of a course, which. */
  classId: Type.Optional(Nullable(Type.String())),
  agentId: Type.Optional(Nullable(Type.String())),
});
export type FeedRestriction = Static<typeof FeedRestriction>;

/** In reading order. */
export const feedCollections = {
  schoolDetails: FeedSchool,
  classDetails: FeedClass,
  assignments: FeedAssignment,
  grades: FeedGrade,
  rubricMarks: FeedRubricMark,
  handIns: FeedHandIn,
  creditPlans: FeedCreditPlan,
  comments: FeedComment,
  attendanceCodes: FeedAttendanceCode,
  attendance: FeedMark,
  timetable: FeedLesson,
  schoolDays: FeedSchoolDay,
  schoolEvents: FeedSchoolEvent,
  lessonNotes: FeedLessonNote,
  announcements: FeedAnnouncement,
  linkCodes: FeedLinkCode,
  restrictions: FeedRestriction,
  contacts: FeedContact,
  balances: FeedBalance,
  rides: FeedRide,
  bulletins: FeedBulletin,
  foundThings: FeedFoundThing,
  slots: FeedSlot,
} as const satisfies Record<string, TObject>;
export type FeedName = keyof typeof feedCollections;

export const feedScope = 'urn:cadro:feed.readonly';
/** To take a time that is offered, or give it back. */
export const bookingScope = 'urn:cadro:feed.book';
export const feedPath = (name: FeedName): string => `/feed/v1/${name}`;
/** Where a time is taken (POST) and given back (DELETE), each with the student's id. */
export const bookingPath = (slotId: string): string => `/feed/v1/slots/${encodeURIComponent(slotId)}/booking`;
