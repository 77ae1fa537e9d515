import { Type, type Static } from '@sinclair/typebox';
import { MarkKindSchema } from '../attendance/attendance';
import { commentSubjects } from '../gradebook/basics';
import { resultStatuses } from '../gradebook/record';
import { route } from '../shared/route';
import { AskedDay, DateOnly, Instant, Nullable, Uuid } from '../shared/scalars';

const said = <K extends string>(kind: K) => ({
  kind: Type.Literal(kind),
  /** When it came to be known. */
  at: Instant,
});
const ofChild = { studentId: Uuid };
const ofCourse = { ...ofChild, courseId: Uuid, courseTitle: Type.String() };
const ofWork = { ...ofCourse, itemId: Uuid, title: Type.String() };
const Status = Type.Union(resultStatuses.map((status) => Type.Literal(status)));

/** A score: new, or in the place of another (`was`); null where standards are judged by levels. */
export const ScoreNews = Type.Object({
  ...said('score'),
  ...ofWork,
  earned: Nullable(Type.Number()),
  was: Nullable(Type.Number()),
  possible: Type.Number(),
  /** How it stood before, where that was no score and more than open. */
  stood: Nullable(Status),
});
/** What a work came to be marked as without a score. */
export const StandingNews = Type.Object({ ...said('standing'), ...ofWork, status: Status });
export const AssignedNews = Type.Object({ ...said('assigned'), ...ofWork, dueAt: Nullable(Instant) });
/** Due on another day than was said before. */
export const MovedNews = Type.Object({
  ...said('moved'),
  ...ofWork,
  was: Nullable(Instant),
  dueAt: Nullable(Instant),
});
export const WithdrawnNews = Type.Object({ ...said('withdrawn'), ...ofWork });
export const RemarkNews = Type.Object({
  ...said('remark'),
  ...ofCourse,
  itemId: Nullable(Uuid),
  title: Nullable(Type.String()),
  subject: Type.Union(commentSubjects.map((subject) => Type.Literal(subject))),
  author: Type.String(),
  text: Type.String(),
});
/** What was marked of the lessons of a day; present is not told. */
export const AttendanceNews = Type.Object({
  ...said('attendance'),
  ...ofChild,
  on: DateOnly,
  lessons: Type.Array(
    Type.Object({
      courseTitle: Nullable(Type.String()),
      period: Type.String(),
      mark: MarkKindSchema,
      excused: Type.Boolean(),
    }),
  ),
});
/** The school has stored a grade of a term for good. */
export const StoredNews = Type.Object({
  ...said('stored'),
  ...ofCourse,
  term: Type.String(),
  figure: Nullable(Type.Number()),
  letter: Nullable(Type.String()),
});
/** What a school tells all of its families. */
export const AnnouncedNews = Type.Object({
  ...said('announced'),
  studentIds: Type.Array(Uuid),
  title: Type.String(),
  text: Type.String(),
});

export const NewsLine = Type.Union([
  ...([ScoreNews, StandingNews, AssignedNews, MovedNews, WithdrawnNews] as const),
  ...([RemarkNews, AttendanceNews, StoredNews, AnnouncedNews] as const),
]);
export type NewsLine = Static<typeof NewsLine>;

export const NewsDay = Type.Object({ on: DateOnly, lines: Type.Array(NewsLine) });
export type NewsDay = Static<typeof NewsDay>;

/** What is new over all children, the latest day first. */
export const News = Type.Object({
  asOf: Instant,
  today: DateOnly,
  /** Since when it is new: the guardian's last look, or the beginning of the week that was asked for. */
  since: Instant,
  /** Whether the guardian has looked before. */
  looked: Type.Boolean(),
  /** The Monday of the week that was asked for; null for what is new by now. */
  week: Nullable(DateOnly),
  fresh: Type.Array(NewsDay),
  /** The seven days before. */
  earlier: Type.Array(NewsDay),
});
export type News = Static<typeof News>;

const room = 'outlook';
export const newsRoutes = {
  news: route({
    method: 'get',
    path: '/api/news',
    room,
    access: 'signed-in',
    query: Type.Object({ week: Type.Optional(AskedDay) }, { additionalProperties: false }),
    summary: 'What came since the guardian last looked, over all children, or in a week',
    status: 200,
    answer: News,
  }),
  looked: route({
    method: 'post',
    path: '/api/news/looked',
    room,
    access: 'signed-in',
    /** Up to which instant the guardian has seen it. */
    body: Type.Object({ upTo: Instant }, { additionalProperties: false }),
    summary: 'Puts down that the guardian has seen what came up to an instant',
    status: 204,
  }),
};
