import { Type, type Static } from '@sinclair/typebox';
import { AlertReason } from '../alerts/alerts';
import { AlertKindSchema } from '../alerts/rules';
import { wishKinds } from '../announcements/wish';
import { resultStatuses } from '../gradebook/record';
import { commentSubjects } from '../gradebook/basics';
import { meetingWays } from '../meetings/ways';
import { DateOnly, Fraction, Instant, Nullable, Uuid } from '../shared/scalars';
import { CourseGrade, looseEndKinds, OpenKindSchema } from './figures';

export const meetingMatters = ['ahead', 'called-off', 'after'] as const;
const MeetingWaySchema = Type.Union(meetingWays.map((way) => Type.Literal(way)));
const WishKindSchema = Type.Union(wishKinds.map((kind) => Type.Literal(kind)));
const LooseEndKindSchema = Type.Union(looseEndKinds.map((kind) => Type.Literal(kind)));

/** A loose end as a matter names it. */
export const NamedLooseEnd = Type.Object({
  itemId: Uuid,
  title: Type.String(),
  kind: OpenKindSchema,
  recoverable: Type.Boolean(),
  dueAt: Nullable(Instant),
  deadline: Nullable(Instant),
  credit: Nullable(Fraction),
  impact: Nullable(Type.Number()),
  /** Whether a teacher's words or rubric levels speak of what was handed in. */
  remarked: Type.Boolean(),
  /** How the classroom and the gradebook stand to each other about it; null where they agree. */
  doubt: Nullable(Type.Union([Type.Literal('doubtful'), Type.Literal('apart')])),
});
export type NamedLooseEnd = Static<typeof NamedLooseEnd>;

const QuotedComment = Type.Object({
  itemId: Nullable(Uuid),
  itemTitle: Nullable(Type.String()),
  subject: Type.Union(commentSubjects.map((subject) => Type.Literal(subject))),
  text: Type.String(),
  author: Type.String(),
  writtenAt: Instant,
});

const common = {
  /** The same for the same matter from one day to the next. */
  key: Type.String(),
  studentId: Uuid,
  courseId: Nullable(Uuid),
  courseTitle: Nullable(Type.String()),
  /** Share of a course's scale that is at stake, or what stands for it. */
  stake: Type.Number(),
  /** When acting stops helping. */
  expiresAt: Nullable(Instant),
  /** The alerts that have told of it. */
  alertIds: Type.Array(Uuid),
};
/** The grade as every page tells it; figures are by our count, on the course's scale. */
const figures = { grade: CourseGrade, outOf: Type.Number(), decimals: Type.Integer() };

/** One thing on the Brief. Words for each kind live in the app's catalogues. */
export const Matter = Type.Union([
  Type.Object({
    ...common,
    ...figures,
    kind: Type.Literal('underneath'),
    /** Without what is in doubt. */
    ifLeft: Type.Number(),
    /** What it falls to if the works named never reach the gradebook; null where none is in doubt. */
    doubtful: Nullable(Type.Object({ ifLeft: Type.Number(), titles: Type.Array(Type.String()) })),
    looseEnds: Type.Array(NamedLooseEnd),
    slipping: Type.Boolean(),
  }),
  Type.Object({
    ...common,
    ...figures,
    kind: Type.Literal('mendable'),
    looseEnds: Type.Array(NamedLooseEnd),
    slipping: Type.Boolean(),
  }),
  Type.Object({ ...common, ...figures, kind: Type.Literal('slipping'), perWeek: Type.Number() }),
  /** Work that waits for its score while the term runs out. */
  Type.Object({
    ...common,
    ...figures,
    kind: Type.Literal('waiting'),
    looseEnds: Type.Array(NamedLooseEnd),
    termEnd: Instant,
  }),
  Type.Object({ ...common, kind: Type.Literal('comment'), comments: Type.Array(QuotedComment) }),
  Type.Object({
    ...common,
    kind: Type.Literal('absence'),
    unexplainedOn: Type.Array(DateOnly),
    leftEarlyOn: Type.Array(DateOnly),
    lessons: Type.Array(Type.String()),
  }),
  Type.Object({
    ...common,
    kind: Type.Literal('look-again'),
    followUpId: Uuid,
    itemId: Nullable(Uuid),
    title: Type.String(),
    lookAgainOn: DateOnly,
    stillKind: Nullable(OpenKindSchema),
    written: Type.Boolean(),
  }),
  Type.Object({
    ...common,
    kind: Type.Literal('reply'),
    threadId: Uuid,
    author: Type.String(),
    text: Type.String(),
    receivedAt: Instant,
  }),
  /** Another guardian asks this one to take something on. */
  Type.Object({
    ...common,
    kind: Type.Literal('handed'),
    followUpId: Uuid,
    title: Type.String(),
    by: Type.String(),
    word: Nullable(Type.String()),
  }),
  /** What a school wants to hear, in its last days. */
  Type.Object({
    ...common,
    kind: Type.Literal('asked'),
    announcementId: Uuid,
    title: Type.String(),
    schoolName: Type.String(),
    wish: WishKindSchema,
    helpers: Type.Boolean(),
  }),
  /** A meeting at school: it is about to be, the school has called it off, or nothing is written down of it yet. */
  Type.Object({
    ...common,
    kind: Type.Literal('meeting'),
    meetingId: Uuid,
    teacherName: Type.String(),
    startsAt: Instant,
    way: MeetingWaySchema,
    place: Nullable(Type.String()),
    what: Type.Union(meetingMatters.map((what) => Type.Literal(what))),
  }),
  /** What an alert has told and no other matter says. */
  Type.Object({
    ...common,
    kind: Type.Literal('alert'),
    about: AlertKindSchema,
    reasons: Type.Array(AlertReason),
    leading: Type.Array(Type.String()),
  }),
]);
export type Matter = Static<typeof Matter>;
export type MatterOf<K extends Matter['kind']> = Extract<Matter, { kind: K }>;

/** Works of a course that can no longer be turned in: news, and nothing to do. */
export const ClosedDoor = Type.Object({
  studentId: Uuid,
  courseId: Uuid,
  courseTitle: Type.String(),
  works: Type.Array(Type.Object({ itemId: Uuid, title: Type.String() })),
  /** What each counts as by the end of the term, a share of its score. */
  countsAs: Fraction,
  /** The last of their last days, an instant. */
  closedAt: Instant,
});
export type ClosedDoor = Static<typeof ClosedDoor>;

/** Good news: work that was a loose end and is scored now. */
export const GoodNews = Type.Object({
  studentId: Uuid,
  courseId: Uuid,
  courseTitle: Type.String(),
  itemId: Uuid,
  title: Type.String(),
  was: LooseEndKindSchema,
  now: Type.Object({
    status: Type.Union(resultStatuses.map((status) => Type.Literal(status))),
    earned: Nullable(Type.Number()),
    possible: Type.Number(),
  }),
  at: Instant,
});
export type GoodNews = Static<typeof GoodNews>;

export const ComingDay = Type.Object({
  on: DateOnly,
  items: Type.Array(
    Type.Object({
      itemId: Uuid,
      studentId: Uuid,
      courseTitle: Type.String(),
      title: Type.String(),
      dueAt: Instant,
      possible: Type.Number(),
      counts: Type.Boolean(),
      /** Not the work is due: the last day of a confirmed offer for it. */
      offerEnds: Type.Boolean(),
    }),
  ),
});
export type ComingDay = Static<typeof ComingDay>;
