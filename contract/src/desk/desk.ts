import { Type, type Static } from '@sinclair/typebox';
import { Check } from '../followups/handing';
import { route } from '../shared/route';
import { DateOnly, Instant, Nullable, Uuid } from '../shared/scalars';

/** What a child may wish for: to talk about something, or that its family sees it. */
export const wishes = ['talk', 'show'] as const;
export type Wish = (typeof wishes)[number];
const WishSchema = Type.Union(wishes.map((wish) => Type.Literal(wish)));
const Note = Type.String({ minLength: 1, maxLength: 1000 });

/** Something of a child's record, as the desk names it: an assignment, or a whole course. */
const About = {
  courseId: Uuid,
  courseTitle: Type.String(),
  itemId: Nullable(Uuid),
  itemTitle: Nullable(Type.String()),
};

/** What a teacher wrote about the child's work. */
export const TeachersWord = Type.Object({
  ...About,
  commentId: Uuid,
  text: Type.String(),
  author: Type.String(),
  writtenAt: Instant,
});
export type TeachersWord = Static<typeof TeachersWord>;

/** What the child says to its family about an assignment, a course, or what a teacher wrote. */
export const ChildsWord = Type.Object({
  ...About,
  id: Uuid,
  wish: WishSchema,
  text: Nullable(Type.String()),
  at: Instant,
  author: Type.String(),
  /** The teacher's comment it is about. */
  comment: Nullable(Type.Object({ id: Uuid, text: Type.String(), author: Type.String() })),
  seen: Nullable(Type.Object({ at: Instant, by: Type.String() })),
});
export type ChildsWord = Static<typeof ChildsWord>;

/** What the child is proud of, with a word why. */
export const Piece = Type.Object({
  id: Uuid,
  /** The assignment it is, with its course; null for something of the child's own. */
  itemId: Nullable(Uuid),
  courseId: Nullable(Uuid),
  courseTitle: Nullable(Type.String()),
  title: Type.String(),
  why: Type.String(),
  at: Instant,
  /** Whether the family sees it. */
  shown: Type.Boolean(),
});
export type Piece = Static<typeof Piece>;

/** What the child has set out to reach in a course, on the course's scale. */
const Aim = Type.Object({
  courseId: Uuid,
  courseTitle: Type.String(),
  target: Type.Number(),
});

/**
 * The desk of a child: to the child all of it, to its family what the child shows them. Each side reads in `shares`
 * what the other sees.
 */
export const Desk = Type.Object({
  studentId: Uuid,
  today: DateOnly,
  /** What teachers wrote in the last weeks, the newest first. */
  teachers: Type.Array(TeachersWord),
  /** The newest first. */
  words: Type.Array(ChildsWord),
  pieces: Type.Array(Piece),
  aims: Type.Array(Aim),
  /** What the child has agreed to do, and ticks off itself. */
  agreed: Type.Array(
    Type.Object({
      id: Uuid,
      title: Type.String(),
      courseTitle: Nullable(Type.String()),
      by: Nullable(DateOnly),
      checklist: Type.Array(Check),
      doneAt: Nullable(Instant),
    }),
  ),
  shares: Type.Object({
    /** Whether the child sees the evenings that the family plans, and ticks them off. */
    evenings: Type.Boolean(),
    /** Whether the family sees the child's own aims and tries. */
    aims: Type.Boolean(),
  }),
  /** Who of the family reads what the child shows. */
  family: Type.Array(Type.String()),
  /** Whether the child has an account to see it by. */
  joined: Type.Boolean(),
});
export type Desk = Static<typeof Desk>;

const strict = { additionalProperties: false };
/** One of the three is named. */
export const NewWord = Type.Object(
  {
    wish: WishSchema,
    text: Type.Optional(Note),
    courseId: Type.Optional(Uuid),
    itemId: Type.Optional(Uuid),
    commentId: Type.Optional(Uuid),
  },
  { ...strict, minProperties: 2 },
);
export type NewWord = Static<typeof NewWord>;

/** An assignment, or something that the child names itself. */
export const NewPiece = Type.Object(
  {
    itemId: Type.Optional(Uuid),
    title: Type.Optional(Type.String({ minLength: 1, maxLength: 200 })),
    why: Note,
    shown: Type.Boolean(),
  },
  strict,
);
export type NewPiece = Static<typeof NewPiece>;

const PieceChange = Type.Object(
  { why: Type.Optional(Note), shown: Type.Optional(Type.Boolean()) },
  { ...strict, minProperties: 1 },
);
const Shares = Type.Object(
  { what: Type.Union([Type.Literal('evenings'), Type.Literal('aims')]), shown: Type.Boolean() },
  strict,
);

const AgreedTick = Type.Object(
  {
    /** Of the list; all of it where none is named. */
    checkId: Type.Optional(Type.String({ minLength: 1, maxLength: 40 })),
    done: Type.Boolean(),
  },
  strict,
);

const of = { room: 'desk', access: 'signed-in' } as const;
const path = '/api/students/:studentId/desk';
const params = Type.Object({ studentId: Uuid });
const wordParams = Type.Object({ studentId: Uuid, wordId: Uuid });
const pieceParams = Type.Object({ studentId: Uuid, pieceId: Uuid });
export const deskRoutes = {
  read: route({
    ...{ ...of, method: 'get', path, params, status: 200, answer: Desk },
    summary: 'The child’s desk: to the child all of it, to its family what the child shows them',
  }),
  say: route({
    ...{ ...of, method: 'post', path: `${path}/words`, params, body: NewWord, status: 201, answer: Desk },
    summary: 'The child would like to talk about something, or shows it to its family; once for each thing',
  }),
  unsay: route({
    ...{
      ...of,
      method: 'delete',
      path: `${path}/words/:wordId`,
      params: wordParams,
      status: 200,
      answer: Desk,
    },
    summary: 'The child takes back what it said',
  }),
  seen: route({
    ...{ ...of, method: 'post', path: `${path}/words/:wordId/seen`, params: wordParams },
    ...{ status: 200, answer: Desk },
    summary: 'A guardian tells the child that it has been seen',
  }),
  keep: route({
    ...{ ...of, method: 'post', path: `${path}/pieces`, params, body: NewPiece, status: 201, answer: Desk },
    summary: 'The child keeps a piece it is proud of; an assignment once',
  }),
  change: route({
    ...{ ...of, method: 'patch', path: `${path}/pieces/:pieceId`, params: pieceParams, body: PieceChange },
    ...{ status: 200, answer: Desk },
    summary: 'Change the word why, show a piece or show it no more',
  }),
  drop: route({
    ...{ ...of, method: 'delete', path: `${path}/pieces/:pieceId`, params: pieceParams },
    ...{ status: 200, answer: Desk },
    summary: 'Keep a piece no longer',
  }),
  tick: route({
    ...{ ...of, method: 'patch', path: `${path}/agreed/:followUpId`, body: AgreedTick },
    ...{ params: Type.Object({ studentId: Uuid, followUpId: Uuid }), status: 200, answer: Desk },
    summary: 'The child ticks off what it has agreed to do: a thing of the list, or all of it',
  }),
  share: route({
    ...{ ...of, method: 'post', path: `${path}/shares`, params, body: Shares, status: 200, answer: Desk },
    summary: 'What one side shows the other: a guardian the evenings, the child its aims',
  }),
};
