import { Type, type Static } from '@sinclair/typebox';
import { looseEndKinds, OpenKindSchema } from './figures';
import { ReadOffer } from './offers';
import { AskedSchema } from '../followups/followups';
import { resultStatuses } from '../gradebook/record';
import { Minutes } from '../plan/cases';
import { route } from '../shared/route';
import { DateOnly, Fraction, Instant, Nullable, Uuid } from '../shared/scalars';

/** The parts of Work, in the order they are shown. */
export const workGroups = [
  'loose',
  'doubtful',
  'coming',
  'undated',
  'waiting',
  'settled',
  'excused',
] as const;
export type WorkGroup = (typeof workGroups)[number];

const LooseEndKindSchema = Type.Union(looseEndKinds.map((kind) => Type.Literal(kind)));
const StatusSchema = Type.Union(resultStatuses.map((status) => Type.Literal(status)));

/** What one source says of a work, and how old that is. */
const SaidBy = Type.Object({
  sourceName: Type.String(),
  status: StatusSchema,
  earned: Nullable(Type.Number()),
  at: Nullable(Instant),
});

/** One work in the list of all work: the same shape whatever its state. */
export const WorkRow = Type.Object({
  group: Type.Union(workGroups.map((group) => Type.Literal(group))),
  studentId: Uuid,
  courseId: Uuid,
  courseTitle: Type.String(),
  itemId: Uuid,
  title: Type.String(),
  /** The school's own word, such as `quiz`. */
  itemKind: Nullable(Type.String()),
  possible: Type.Number(),
  /** Whether it is part of the figure. */
  counts: Type.Boolean(),
  outOf: Type.Number(),
  decimals: Type.Integer(),
  /** What it is as a loose end, or `again` for scored work that may be done again; null when it is neither. */
  kind: Nullable(OpenKindSchema),
  recoverable: Type.Boolean(),
  /** Points of the course's scale: what a loose end gains when made up; how far work to come can move the grade. */
  impact: Nullable(Type.Number()),
  /** What doing it is expected to bring, in the same points: what a plan of evenings weighs. */
  gain: Nullable(Type.Number()),
  credit: Nullable(Fraction),
  deadline: Nullable(Instant),
  assignedAt: Nullable(Instant),
  dueAt: Nullable(Instant),
  /** What the gradebook says, and since when. */
  said: SaidBy,
  /** What the classroom says, where it says it differently. */
  other: Nullable(SaidBy),
  /** How two sources stand to each other: still within the time marks travel, or apart for longer. */
  doubt: Nullable(Type.Union([Type.Literal('doubtful'), Type.Literal('apart')])),
  /** Whether a teacher has said anything to it, and whether this course ever flags work as missing. */
  remarked: Type.Boolean(),
  flagsMissing: Type.Boolean(),
  supplies: Type.Array(Type.String()),
  /** A test, or a project of more than a week: shown early enough to plan. */
  early: Type.Boolean(),
  effort: Type.Object({ minutes: Minutes, told: Type.Boolean() }),
  /** What the child last answered. */
  asked: Nullable(Type.Object({ answer: AskedSchema, on: DateOnly })),
  followUpId: Nullable(Uuid),
  /** The loose end it was, where it is settled. */
  was: Nullable(LooseEndKindSchema),
  readAt: Nullable(Instant),
});
export type WorkRow = Static<typeof WorkRow>;

export const WorkOffer = Type.Composite([
  ReadOffer,
  Type.Object({
    studentId: Uuid,
    courseId: Uuid,
    courseTitle: Type.String(),
    itemId: Nullable(Uuid),
    itemTitle: Nullable(Type.String()),
    commentId: Uuid,
    text: Type.String(),
    author: Type.String(),
    writtenAt: Instant,
  }),
]);
export type WorkOffer = Static<typeof WorkOffer>;

export const Work = Type.Object({
  asOf: Instant,
  today: DateOnly,
  rows: Type.Array(WorkRow),
  /** Offers nobody has answered, and confirmed ones that are still open; newest comment first. */
  offers: Type.Array(WorkOffer),
});
export type Work = Static<typeof Work>;

export const Pick = Type.Object({ studentId: Uuid, itemId: Uuid });
/** More than anybody ticks; a list without end is none. */
export const Picks = Type.Object({ picks: Type.Array(Pick, { minItems: 1, maxItems: 500 }) });
export type Picks = Static<typeof Picks>;

export const JointAnswer = Type.Object({
  courses: Type.Array(
    Type.Object({
      studentId: Uuid,
      courseId: Uuid,
      courseTitle: Type.String(),
      outOf: Type.Number(),
      decimals: Type.Integer(),
      count: Type.Integer(),
      ifLeft: Nullable(Type.Number()),
      ifDone: Nullable(Type.Number()),
    }),
  ),
});
export type JointAnswer = Static<typeof JointAnswer>;

export const OfferAnswer = Type.Object({
  place: Type.Integer({ minimum: 0, maximum: 100 }),
  /** Null takes an answer back. */
  answer: Nullable(Type.Union([Type.Literal('confirmed'), Type.Literal('dismissed')])),
});
export type OfferAnswer = Static<typeof OfferAnswer>;

export const AskedBody = Type.Object({ answer: AskedSchema });
export const EffortBody = Type.Object({ minutes: Nullable(Minutes) });

const room = 'outlook';
const access = 'signed-in' as const;
const itemParams = Type.Object({ studentId: Uuid, itemId: Uuid });
export const workRoutes = {
  work: route({
    method: 'get',
    path: '/api/work',
    room,
    access,
    summary:
      'Every loose end in make-up order, what is coming, what waits, and the offers read out of comments',
    stands: true,
    status: 200,
    answer: Work,
  }),
  joint: route({
    method: 'post',
    path: '/api/work/joint',
    room,
    access,
    summary: 'What several works come to together, course by course',
    body: Picks,
    status: 200,
    answer: JointAnswer,
  }),
  offer: route({
    method: 'post',
    path: '/api/students/:studentId/comments/:commentId/offers',
    room,
    access,
    summary: 'Confirm or dismiss an offer read out of a comment',
    params: Type.Object({ studentId: Uuid, commentId: Uuid }),
    body: OfferAnswer,
    status: 200,
    answer: Type.Object({ offers: Type.Array(ReadOffer) }),
  }),
  asked: route({
    method: 'post',
    path: '/api/students/:studentId/items/:itemId/asked',
    room,
    access,
    summary: 'Record what the child says about a work, with its date',
    params: itemParams,
    body: AskedBody,
    status: 204,
  }),
  effort: route({
    method: 'post',
    path: '/api/students/:studentId/items/:itemId/effort',
    room,
    access,
    summary: 'Say how many minutes a work takes; null leaves it to what was learnt',
    params: itemParams,
    body: EffortBody,
    status: 204,
  }),
};
