import { Type, type Static } from '@sinclair/typebox';
import { Child } from '../household/household';
import { Bundle } from './bundles';
import { resultStatuses } from '../gradebook/record';
import { route } from '../shared/route';
import { DateOnly, Nullable, Uuid } from '../shared/scalars';

/*
 * What a family writes down itself, of a child whose school hands nothing over: the courses, how they are graded, the
 * work and its scores.
 */
const strict = { additionalProperties: false };
const one = <T extends string>(of: readonly T[]) => Type.Union(of.map((each) => Type.Literal(each)));
const Text = (longest: number) => Type.String({ minLength: 1, maxLength: longest, pattern: '\\S' });

/** How scores add up: all points together, or each category with its share. */
export const ownSums = ['together', 'weighted'] as const;
/** What an assignment that was not turned in counts as. */
export const ownMissing = ['zero', 'half', 'not'] as const;
/** How a grade is written: out of 100 with letters, out of 100, of 10, of 4. */
export const ownScales = ['letters', 'hundred', 'ten', 'four'] as const;
export type OwnScale = (typeof ownScales)[number];

const rules = { adds: one(ownSums), missing: one(ownMissing), scale: one(ownScales) };
export const OwnRules = Type.Object(rules);
export type OwnRules = Static<typeof OwnRules>;

const Term = { title: Text(60), startsOn: DateOnly, endsOn: DateOnly };
const names = {
  givenName: Text(60),
  familyName: Type.String({ maxLength: 60 }),
  year: Type.String({ maxLength: 20 }),
};
const School = { schoolName: Text(120), timeZone: Text(60) };

export const OwnChild = Type.Object({ ...names, ...School, term: Type.Object(Term, strict) }, strict);
export type OwnChild = Static<typeof OwnChild>;

const Category = {
  title: Text(60),
  /** Its share of the grade, in whatever unit all of a course's shares are in. */
  weight: Type.Number({ minimum: 0, maximum: 1000 }),
};

export const OwnCourse = Type.Object(
  {
    title: Text(120),
    teacher: Nullable(Text(120)),
    teacherEmail: Nullable(Type.String({ format: 'email', maxLength: 320 })),
    termId: Uuid,
    ...rules,
    categories: Type.Array(Type.Object({ id: Nullable(Uuid), ...Category }, strict), { maxItems: 30 }),
  },
  strict,
);
export type OwnCourse = Static<typeof OwnCourse>;

const Points = Type.Number({ minimum: 0, maximum: 1_000_000 });
/** An assignment as far as it is said; null is not said. */
const said = {
  title: Text(300),
  dueOn: Nullable(DateOnly),
  category: Nullable(Text(60)),
  ...{ earned: Nullable(Points), possible: Nullable(Points), percent: Nullable(Points) },
  letter: Nullable(Type.String({ maxLength: 5 })),
  status: one(resultStatuses),
  comment: Nullable(Type.String({ maxLength: 5_000 })),
};
/** So many rows are taken at once. */
export const mostOwnRows = 1_000;
export const OwnRow = Type.Object(
  {
    /** The assignment it changes; null: the one of its name and day if there is one, else a new one. */
    itemId: Nullable(Uuid),
    ...said,
  },
  strict,
);
export type OwnRow = Static<typeof OwnRow>;

/** What became of rows. */
export const OwnTaken = Type.Object({
  ...{ added: Type.Integer(), changed: Type.Integer(), same: Type.Integer() },
  /** Rows whose points were not stated, and are taken to be worth what is usual in the course. */
  guessed: Type.Integer(),
  /** Rows that say a letter alone: kept as turned in, with the letter as a remark. */
  lettered: Type.Integer(),
  /** Categories that have come with the rows and have no share of the grade yet. */
  shareless: Type.Array(Type.String()),
  /** The assignments, row by row. */
  itemIds: Type.Array(Uuid),
});
export type OwnTaken = Static<typeof OwnTaken>;

/** A child as a school's export names it; the number only where two have the same name. */
export const WantedChild = Type.Object(
  {
    ...{ givenName: Text(60), familyName: Text(60) },
    number: Nullable(Type.String({ minLength: 1, maxLength: 60 })),
  },
  strict,
);
export type WantedChild = Static<typeof WantedChild>;

/** A school whose exports a family hands over. */
export const OwnSchool = Type.Object({
  ...{ id: Uuid, name: Type.String(), children: Type.Array(WantedChild) },
  /** The last files, newest first. */
  bundles: Type.Array(Bundle),
});
export type OwnSchool = Static<typeof OwnSchool>;

const OwnItem = Type.Object({ id: Uuid, ...said });
export const OwnRecord = Type.Object({
  /** Whether a school keeps the record, and the family writes beside it. */
  beside: Type.Boolean(),
  ...names,
  ...School,
  terms: Type.Array(Type.Object({ id: Uuid, ...Term })),
  courses: Type.Array(
    Type.Object({
      id: Uuid,
      /** Whether the course itself is the family's. */
      own: Type.Boolean(),
      ...{ title: Type.String(), teacher: Nullable(Type.String()), teacherEmail: Nullable(Type.String()) },
      termId: Uuid,
      ...rules,
      categories: Type.Array(Type.Object({ id: Uuid, ...Category })),
      items: Type.Array(OwnItem),
    }),
  ),
});
export type OwnRecord = Static<typeof OwnRecord>;

const of = { room: 'sources', access: 'signed-in' } as const;
const base = '/api/own/children/:studentId';
const Whose = Type.Object({ studentId: Uuid });
const Course = Type.Object({ studentId: Uuid, courseId: Uuid });

export const ownRoutes = {
  addChild: route({
    ...{ ...of, method: 'post', path: '/api/own/children', status: 201 },
    body: OwnChild,
    answer: Child,
    summary: 'Add a child whose school hands nothing over; its record is written by the family',
  }),
  record: route({
    ...{ ...of, method: 'get', path: base, params: Whose, status: 200 },
    answer: OwnRecord,
    summary: 'What a family has written down of a child, with the courses it can write in',
  }),
  changeChild: route({
    ...{ ...of, method: 'patch', path: base, params: Whose, status: 204 },
    body: Type.Object({ ...names, ...School }, strict),
    summary: 'Change the name, grade or school of a child that was added by hand',
  }),
  forgetChild: route({
    ...{ ...of, method: 'delete', path: base, params: Whose, status: 204 },
    summary: 'Delete a child that was added by hand, with its whole record',
  }),
  putTerm: route({
    ...{ ...of, method: 'post', path: `${base}/terms`, params: Whose, status: 200 },
    body: Type.Object({ id: Nullable(Uuid), ...Term }, strict),
    answer: Type.Object({ termId: Uuid }),
    summary: 'Write down a term, or change one',
  }),
  putCourse: route({
    ...{ ...of, method: 'post', path: `${base}/courses`, params: Whose, status: 200 },
    body: Type.Object({ id: Nullable(Uuid), ...OwnCourse.properties }, strict),
    answer: Type.Object({ courseId: Uuid }),
    summary: 'Write down a course and how it is graded, or change one',
  }),
  dropCourse: route({
    ...{ ...of, method: 'delete', path: `${base}/courses/:courseId`, params: Course, status: 204 },
    summary: 'Take a course away again',
  }),
  putWork: route({
    ...{ ...of, method: 'post', path: `${base}/courses/:courseId/work`, params: Course, status: 200 },
    body: Type.Object({ rows: Type.Array(OwnRow, { minItems: 1, maxItems: mostOwnRows }) }, strict),
    answer: OwnTaken,
    summary: 'Write down assignments with their scores; the same again changes nothing',
  }),
  schools: route({
    ...{ ...of, method: 'get', path: '/api/own/schools', status: 200 },
    answer: Type.Object({ schools: Type.Array(OwnSchool) }),
    summary: 'The schools whose exports the household hands over, with what became of the last files',
  }),
  addSchool: route({
    ...{ ...of, method: 'post', path: '/api/own/schools', status: 201 },
    body: Type.Object(
      { ...School, children: Type.Array(WantedChild, { minItems: 1, maxItems: 10 }) },
      strict,
    ),
    answer: Type.Object({ id: Uuid }),
    summary: 'Add a school that gives its families exports, with the children one has there',
  }),
  putExport: route({
    ...{ ...of, method: 'post', path: '/api/own/schools/:sourceId/exports', status: 202 },
    params: Type.Object({ sourceId: Uuid }),
    query: Type.Object({ name: Text(200) }, strict),
    takesBytes: 'application/zip',
    answer: Type.Object({
      /** Null where the very same file is there already. */
      id: Nullable(Uuid),
    }),
    summary: 'Hand over an export of OneRoster tables; only the named children’s rows are kept',
  }),
  answerExport: route({
    ...{ ...of, method: 'post', path: '/api/own/exports/:bundleId', status: 204 },
    params: Type.Object({ bundleId: Uuid }),
    body: Type.Object({ answer: one(['take', 'stop'] as const) }, strict),
    summary: 'Say whether an export that removes much is right, or stop one that is being read',
  }),
  dropSchool: route({
    ...{ ...of, method: 'delete', path: '/api/own/schools/:sourceId', status: 204 },
    params: Type.Object({ sourceId: Uuid }),
    summary: 'Delete what a household’s exports of a school have brought, with its children’s records',
  }),
  dropWork: route({
    ...{ ...of, method: 'delete', path: `${base}/courses/:courseId/work/:itemId`, status: 204 },
    params: Type.Object({ studentId: Uuid, courseId: Uuid, itemId: Uuid }),
    summary: 'Take an assignment away again',
  }),
};
