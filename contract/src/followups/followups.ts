import { Type, type Static } from '@sinclair/typebox';
import { looseEndKinds } from '../outlook/figures';
import { AbsenceClaim, RegisterMark } from './absence';
import { LookFact, Repeats, WorkedBefore } from './goingOn';
import { Asked, Check, HandTo, NewChecks, Owner } from './handing';
import { resultStatuses } from '../gradebook/record';
import { route } from '../shared/route';
import { DateOnly, FreeText, Instant, Nullable, Uuid, Version } from '../shared/scalars';

export const followUpSteps = ['noticed', 'talked-over', 'agreed', 'waiting-on-school', 'settled'] as const;
export type FollowUpStep = (typeof followUpSteps)[number];
const StepSchema = Type.Union(followUpSteps.map((step) => Type.Literal(step)));
const LooseEndKindSchema = Type.Union(looseEndKinds.map((kind) => Type.Literal(kind)));

/** What a follow-up is about: one work, a whole course, a child's attendance, or something of the family's own. */
export const followUpTopics = ['work', 'course', 'attendance', 'other'] as const;
export type FollowUpTopic = (typeof followUpTopics)[number];
const TopicSchema = Type.Union(followUpTopics.map((topic) => Type.Literal(topic)));

/** How a follow-up ended: by the record itself, or by a person's word. */
export const Outcome = Type.Union([
  Type.Object({
    by: Type.Literal('record'),
    was: LooseEndKindSchema,
    status: Type.Union(resultStatuses.map((status) => Type.Literal(status))),
    earned: Nullable(Type.Number()),
    possible: Type.Number(),
  }),
  /** The register says now what was asked for. */
  Type.Object({ by: Type.Literal('register'), marks: Type.Array(RegisterMark) }),
  /** The work that an absence touched is done. */
  Type.Object({ by: Type.Literal('caught-up'), works: Type.Integer() }),
  /** The course has reached what a follow-up of every week was for. */
  Type.Object({ by: Type.Literal('reached'), figure: Type.Number(), outOf: Type.Number() }),
  Type.Object({ by: Type.Literal('guardian') }),
]);
export type Outcome = Static<typeof Outcome>;

export const entryKinds = [
  ...(['noticed', 'step', 'note', 'look-again', 'written', 'answered', 'record', 'asked'] as const),
  ...(['handed', 'accepted', 'returned', 'checked'] as const),
  ...(['ticked', 'graded', 'looked', 'repeats', 'merged', 'parted'] as const),
] as const;

/** What a child can say about a work: asked for what is needed, never whether it is 'done'. */
export const askedAnswers = ['handed-in', 'at-home', 'begun', 'not-begun', 'unclear'] as const;
export type AskedAnswer = (typeof askedAnswers)[number];
export const AskedSchema = Type.Union(askedAnswers.map((answer) => Type.Literal(answer)));

export const FollowUpEntry = Type.Object({
  id: Type.String(),
  kind: Type.Union(entryKinds.map((kind) => Type.Literal(kind))),
  at: Instant,
  author: Nullable(Type.String()),
  step: Nullable(StepSchema),
  lookAgainOn: Nullable(DateOnly),
  text: Nullable(Type.String()),
  /** To whom it was handed, by name; `everyone` or `child` where it was nobody's alone. */
  to: Nullable(Type.String()),
  /** What the child said, of an entry `asked`. */
  answer: Nullable(AskedSchema),
});
export type FollowUpEntry = Static<typeof FollowUpEntry>;

export const FollowUpSummary = Type.Object({
  id: Uuid,
  studentId: Uuid,
  courseId: Nullable(Uuid),
  courseTitle: Nullable(Type.String()),
  itemId: Nullable(Uuid),
  /** Several works of its course, where it is about more than one. */
  itemIds: Type.Array(Uuid),
  topic: TopicSchema,
  /** What an absence was taken in hand for; null for everything else. */
  absence: Nullable(AbsenceClaim),
  title: Type.String(),
  /** The loose end it was taken up for. */
  looseEndKind: Nullable(LooseEndKindSchema),
  step: StepSchema,
  lookAgainOn: Nullable(DateOnly),
  /** The fact by which it comes back, beside its day. */
  lookAgainWhen: Nullable(LookFact),
  repeats: Nullable(Repeats),
  /** When the child said that its part is done. */
  childDoneAt: Nullable(Instant),
  /** It is one with another now. */
  mergedInto: Nullable(Uuid),
  /** It was begun by mistake. */
  forgotten: Type.Boolean(),
  outcome: Nullable(Outcome),
  owner: Owner,
  asked: Nullable(Asked),
  checklist: Type.Array(Check),
  version: Version,
  updatedAt: Instant,
});
export type FollowUpSummary = Static<typeof FollowUpSummary>;

export const FollowUp = Type.Composite([
  FollowUpSummary,
  Type.Object({
    teacher: Nullable(Type.Object({ id: Uuid, name: Type.String(), contactable: Type.Boolean() })),
    threadId: Nullable(Uuid),
    /** Whether a question to the teacher is already under way. */
    written: Type.Boolean(),
    /** What the record shows its work as today; null when it is no loose end. */
    stillKind: Nullable(LooseEndKindSchema),
    dueAt: Nullable(Instant),
    possible: Nullable(Type.Number()),
    /** What the register says now of the lessons it is about. */
    register: Type.Array(RegisterMark),
    /** Whether nothing has come of it yet, so that it can be undone. */
    undoable: Type.Boolean(),
    /** To whom this guardian may hand it: the others who write about the child. */
    others: Type.Array(Type.Object({ id: Uuid, name: Type.String() })),
    /** Whether it waits for this guardian to say yes or no. */
    askedOfMe: Type.Boolean(),
    before: Nullable(WorkedBefore),
    /** Other open ones about the child, with which it can be made one; and those that were. */
    beside: Type.Array(Type.Object({ id: Uuid, title: Type.String() })),
    merged: Type.Array(Type.Object({ id: Uuid, title: Type.String(), version: Version })),
    entries: Type.Array(FollowUpEntry),
  }),
]);
export type FollowUp = Static<typeof FollowUp>;

const LookAgain = Type.Optional(Nullable(DateOnly));
export const NewFollowUp = Type.Object({
  studentId: Uuid,
  courseId: Type.Optional(Nullable(Uuid)),
  itemId: Type.Optional(Nullable(Uuid)),
  /** Several works of the named course instead of one. */
  itemIds: Type.Optional(Type.Array(Uuid, { minItems: 1, maxItems: 50, uniqueItems: true })),
  /** Follows from the work or the course where one is named. */
  topic: Type.Optional(Type.Union([Type.Literal('attendance'), Type.Literal('other')])),
  title: Type.String({ minLength: 1, maxLength: 200 }),
  step: Type.Optional(StepSchema),
  note: Type.Optional(FreeText),
  lookAgainOn: LookAgain,
});
export type NewFollowUp = Static<typeof NewFollowUp>;

export const FollowUpChange = Type.Object({
  /** The version the change was made on; another one since then answers 409 with both. */
  version: Version,
  step: Type.Optional(StepSchema),
  note: Type.Optional(FreeText),
  lookAgainOn: LookAgain,
  /** Hands it over; `note` is the word that goes with it. */
  handTo: Type.Optional(HandTo),
  /** What one says who was asked; with `return` it goes back to who asked. */
  reply: Type.Optional(Type.Union([Type.Literal('accept'), Type.Literal('return')])),
  /** The whole list as it is from now on. */
  checklist: Type.Optional(NewChecks),
  lookAgainWhen: Type.Optional(Nullable(LookFact)),
  repeats: Type.Optional(Nullable(Repeats)),
  /** One has looked: of every week, it comes back in the next one. */
  looked: Type.Optional(Type.Literal(true)),
  /** Makes it one with another open one about the child; null parts them again. */
  mergeInto: Type.Optional(Nullable(Uuid)),
  /** It was begun by mistake; or it was not, after all. */
  forgotten: Type.Optional(Type.Boolean()),
});
export type FollowUpChange = Static<typeof FollowUpChange>;

const room = 'followups';
export const followUpRoutes = {
  list: route({
    method: 'get',
    path: '/api/followups',
    room,
    access: 'signed-in',
    summary: 'Follow-ups of the household about linked children, open ones first',
    status: 200,
    answer: Type.Object({ followUps: Type.Array(FollowUpSummary) }),
  }),
  create: route({
    method: 'post',
    path: '/api/followups',
    room,
    access: 'signed-in',
    summary: 'Take a matter in hand',
    body: NewFollowUp,
    status: 201,
    answer: FollowUp,
  }),
  read: route({
    method: 'get',
    path: '/api/followups/:followUpId',
    room,
    access: 'signed-in',
    summary: 'One follow-up with everything that happened',
    params: Type.Object({ followUpId: Uuid }),
    status: 200,
    answer: FollowUp,
  }),
  change: route({
    method: 'patch',
    path: '/api/followups/:followUpId',
    room,
    access: 'signed-in',
    summary: 'Move a follow-up on: a step, a note, a date to look again',
    params: Type.Object({ followUpId: Uuid }),
    body: FollowUpChange,
    status: 200,
    answer: FollowUp,
  }),
  undo: route({
    method: 'delete',
    path: '/api/followups/:followUpId',
    room,
    access: 'signed-in',
    summary: 'Undo what was taken in hand by mistake, while nothing has come of it',
    params: Type.Object({ followUpId: Uuid }),
    status: 204,
  }),
};
