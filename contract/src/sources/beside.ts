import { Type, type Static } from '@sinclair/typebox';
import { resultStatuses } from '../gradebook/record';
import { route } from '../shared/route';
import { DateOnly, Instant, Nullable, Uuid } from '../shared/scalars';

/*
 * One record out of several sources: what a household has written beside a school's record of a child, or brings in from
 * another source of it, laid over the school's on course and work.
 */
const strict = { additionalProperties: false };
const one = <T extends string>(of: readonly T[]) => Type.Union(of.map((each) => Type.Literal(each)));

/** Why two sources probably say differently of one work. */
export const differenceReasons = [
  ...['not-entered', 'travelling', 'not-seen', 'still-missing', 'newer-there', 'newer-here', 'other-points'],
  ...['rounded', 'late', 'moved', 'unclear'],
] as const;
export type DifferenceReason = (typeof differenceReasons)[number];

export const leads = ['school', 'own'] as const;

/** A work as one source tells it. */
const WorkTold = Type.Object({
  ...{ title: Type.String(), dueOn: Nullable(DateOnly), possible: Type.Number() },
  ...{ status: one(resultStatuses), earned: Nullable(Type.Number()), at: Nullable(Instant) },
});
export type WorkTold = Static<typeof WorkTold>;

const Paired = Type.Object({
  ownId: Uuid,
  itemId: Uuid,
  courseId: Uuid,
  own: WorkTold,
  theirs: WorkTold,
});
export type PairedWorks = Static<typeof Paired>;

const Laid = Type.Object({
  ...Paired.properties,
  /** Whether what the household has of it holds. */
  stands: Type.Boolean(),
  differences: Type.Array(
    Type.Object({ what: one(['score', 'day'] as const), reason: one(differenceReasons) }),
  ),
});
export type LaidWorks = Static<typeof Laid>;

const JoinedCourse = Type.Object({
  otherCourseId: Uuid,
  title: Type.String(),
  /** The child's course it is one with; null where it stands by itself. */
  courseId: Nullable(Uuid),
});
export type JoinedCourse = Static<typeof JoinedCourse>;

const Joined = Type.Object({
  otherId: Uuid,
  ...{ name: Type.String(), schoolName: Type.String() },
  readAt: Nullable(Instant),
  endedAt: Nullable(Instant),
  courses: Type.Array(JoinedCourse),
});
export type JoinedRecord = Static<typeof Joined>;

export const Beside = Type.Object({
  /** The child's courses in which a household has something of its own. */
  courses: Type.Array(
    Type.Object({
      id: Uuid,
      title: Type.String(),
      /** Whether the course itself is the household's own. */
      own: Type.Boolean(),
      lead: one(leads),
      /** How many works the household has of its own in it, and how many of them are the school's, too. */
      ...{ works: Type.Integer(), shared: Type.Integer() },
    }),
  ),
  /** What may be one work and may be two. */
  asks: Type.Array(Paired),
  laid: Type.Array(Laid),
  joined: Type.Array(Joined),
  /** Children of the household whose record may be another one of this child. */
  candidates: Type.Array(Type.Object({ id: Uuid, name: Type.String(), schoolName: Type.String() })),
});
export type BesideRecord = Static<typeof Beside>;

const of = { room: 'sources', access: 'signed-in' } as const;
const base = '/api/own/children/:studentId/beside';
const Whose = Type.Object({ studentId: Uuid });
const Other = Type.Object({ studentId: Uuid, otherId: Uuid });

export const besideRoutes = {
  beside: route({
    ...{ ...of, method: 'get', path: base, params: Whose, status: 200 },
    answer: Beside,
    summary: 'What a household has beside the school’s record of a child, and where the two differ',
  }),
  pair: route({
    ...{ ...of, method: 'post', path: `${base}/pairs`, params: Whose, status: 204 },
    body: Type.Object({ ownId: Uuid, itemId: Uuid, same: Type.Boolean() }, strict),
    summary: 'Say that two works are one, or that they are two',
  }),
  lead: route({
    ...{ ...of, method: 'post', path: `${base}/leads`, params: Whose, status: 204 },
    body: Type.Object(
      {
        courseId: Uuid,
        /** One assignment of the household's own, of which alone it is said. */
        ownId: Type.Optional(Uuid),
        lead: one(leads),
      },
      strict,
    ),
    summary: 'Say whose word goes first in a course, or of one assignment',
  }),
  other: route({
    ...{ ...of, method: 'get', path: `${base}/others/:otherId`, params: Other, status: 200 },
    answer: Type.Object({ courses: Type.Array(JoinedCourse) }),
    summary: 'Another record of a child, with which of its courses is probably which',
  }),
  join: route({
    ...{ ...of, method: 'post', path: `${base}/others/:otherId`, params: Other, status: 204 },
    body: Type.Object(
      {
        courses: Type.Array(Type.Object({ otherCourseId: Uuid, courseId: Nullable(Uuid) }, strict), {
          maxItems: 200,
        }),
      },
      strict,
    ),
    summary: 'Read two records of one child as one, or say anew which course is which',
  }),
  part: route({
    ...{ ...of, method: 'post', path: `${base}/others/:otherId/parting`, params: Other, status: 204 },
    body: Type.Object({ keep: Type.Boolean() }, strict),
    summary:
      'Stop reading another record into a child’s; what it has told is kept, or goes back to where it was',
  }),
};
