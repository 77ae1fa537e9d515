import { Type, type Static } from '@sinclair/typebox';
import { Password } from '../household/door';
import { RoleSchema } from '../household/roles';
import { route } from '../shared/route';
import { DateOnly, Instant, Nullable, Uuid } from '../shared/scalars';
import { withheld } from '../sources/feed';
import { OperatorSource, operatorSourceRoutes } from './sources';

const strict = { additionalProperties: false };
const WithheldSchema = Type.Union(withheld.map((each) => Type.Literal(each)));

/** How this Cadro is doing. Nothing here is a grade, a comment or a letter of anybody. */
export const OperatorState = Type.Object({
  name: Type.String(),
  sources: Type.Array(OperatorSource),
  objections: Type.Array(
    Type.Object({
      ...{ studentId: Uuid, child: Type.String(), personId: Uuid, person: Type.String(), at: Instant },
    }),
  ),
  restrictions: Type.Array(
    Type.Object({
      ...{ id: Uuid, child: Type.String(), what: WithheldSchema, course: Nullable(Type.String()) },
      /** From whom; null: from everybody but the child. */
      person: Nullable(Type.String()),
      at: Instant,
    }),
  ),
  /** What a school holds back from somebody whom it names and nobody here is known to be. */
  unmet: Type.Array(
    Type.Object({
      ...{ studentId: Uuid, child: Type.String(), what: WithheldSchema, course: Nullable(Type.String()) },
      /** As the school names them; null where it does not. */
      person: Nullable(Type.String()),
    }),
  ),
  /** Addresses that mail came back from, or that were refused. */
  bounced: Type.Array(Type.Object({ address: Type.String(), at: Instant })),
  queue: Type.Array(
    Type.Object({
      ...{ task: Type.String(), waiting: Type.Integer(), oldest: Nullable(Instant), failed: Type.Integer() },
    }),
  ),
  /** The largest tables first. */
  sizes: Type.Array(Type.Object({ table: Type.String(), rows: Type.Integer(), bytes: Type.Integer() })),
});
export type OperatorState = Static<typeof OperatorState>;

const ClassChild = Type.Object({
  ...{ studentId: Uuid, givenName: Type.String(), familyName: Type.String() },
  ...{ year: Type.String(), schoolName: Type.String() },
});

/** Who sees a child, and what may be held back of its record. */
export const OperatorChild = Type.Object({
  child: ClassChild,
  people: Type.Array(
    Type.Object({
      ...{ personId: Uuid, name: Type.String(), role: RoleSchema, since: Instant },
      ...{ until: Nullable(DateOnly), suspended: Type.Boolean() },
      /** By the school's id of the person it names; null: nobody whom it names, as far as is known. */
      namedAs: Nullable(Type.String()),
      /** What is held back from them: by a restriction, or because of who let them in. */
      withheld: Type.Array(WithheldSchema),
    }),
  ),
  /** Whom the school names for the child. */
  named: Type.Array(Type.Object({ agent: Type.String(), name: Type.String(), relation: Type.String() })),
  courses: Type.Array(Type.Object({ id: Uuid, title: Type.String() })),
});
export type OperatorChild = Static<typeof OperatorChild>;

/** Children of one year at one school. */
export const OperatorClass = Type.Object({
  ...{ schoolName: Type.String(), year: Type.String(), children: Type.Integer() },
});
export type OperatorClass = Static<typeof OperatorClass>;
/** So many letters are made at once. */
export const mostLetters = 1_000;

const of = { room: 'operator', access: 'operator' } as const;
const base = '/api/operator';
const Student = Type.Object({ studentId: Uuid });
const Link = Type.Object({ studentId: Uuid, personId: Uuid });
const Name = Type.String({ minLength: 1, maxLength: 120 });
export const operatorRoutes = {
  signIn: route({
    ...{ ...of, access: 'public', method: 'post', path: `${base}/session`, status: 204 },
    body: Type.Object(
      { name: Name, password: Password, code: Type.String({ minLength: 1, maxLength: 40 }) },
      strict,
    ),
    summary: 'Sign in as one who runs this Cadro; not found where its place is switched off',
  }),
  signOut: route({
    ...{ ...of, method: 'delete', path: `${base}/session`, status: 204, summary: 'Sign out' },
  }),
  state: route({
    ...{ ...of, method: 'get', path: base, status: 200, answer: OperatorState },
    summary: 'How this Cadro is doing: sources, objections, restrictions, bounced addresses, queue, sizes',
  }),
  ...operatorSourceRoutes,
  children: route({
    ...{ ...of, method: 'get', path: `${base}/students`, status: 200 },
    query: Type.Object({ name: Type.String({ minLength: 1, maxLength: 120 }) }, strict),
    answer: Type.Object({ children: Type.Array(ClassChild) }),
    summary: 'Children by a part of their name, a hundred at most',
  }),
  child: route({
    ...{ ...of, method: 'get', path: `${base}/students/:studentId`, params: Student },
    ...{ status: 200, answer: OperatorChild, summary: 'Who sees a child' },
  }),
  codes: route({
    ...{ ...of, method: 'post', path: `${base}/codes`, status: 201 },
    body: Type.Object(
      {
        studentIds: Type.Array(Uuid, { minItems: 1, maxItems: 100, uniqueItems: true }),
        days: Type.Integer({ minimum: 1, maximum: 366 }),
      },
      strict,
    ),
    answer: Type.Object({
      codes: Type.Array(
        Type.Object({ studentId: Uuid, code: Type.String(), address: Type.String(), until: DateOnly }),
      ),
    }),
    summary: 'A code for each child, shown once',
  }),
  classes: route({
    ...{ ...of, method: 'get', path: `${base}/classes`, status: 200 },
    answer: Type.Object({ classes: Type.Array(OperatorClass) }),
    summary: 'The years of each school, with how many children they have',
  }),
  classCodes: route({
    ...{ ...of, method: 'post', path: `${base}/class-codes`, status: 201 },
    ...{ heavy: true, produces: 'application/zip' },
    body: Type.Object(
      {
        school: Name,
        year: Type.Optional(Name),
        /** Title of a course, as the school writes it. */
        course: Type.Optional(Name),
        days: Type.Integer({ minimum: 1, maximum: 366 }),
      },
      strict,
    ),
    summary: 'A code for each child of a list: a table, and letters to print in English and Spanish',
  }),
  restrict: route({
    ...{
      ...of,
      method: 'post',
      path: `${base}/students/:studentId/restrictions`,
      params: Student,
      status: 204,
    },
    body: Type.Object(
      { what: WithheldSchema, courseId: Type.Optional(Uuid), personId: Type.Optional(Uuid) },
      strict,
    ),
    summary: 'Hold something back of a child’s record, from one person or from all but the child',
  }),
  lift: route({
    ...{ ...of, method: 'delete', path: `${base}/restrictions/:restrictionId`, status: 204 },
    params: Type.Object({ restrictionId: Uuid }),
    summary: 'Hold it back no longer',
  }),
  nameAs: route({
    ...{ ...of, method: 'post', path: `${base}/students/:studentId/people/:personId/named`, params: Link },
    body: Type.Object({ agent: Nullable(Type.String({ minLength: 1, maxLength: 200 })) }, strict),
    ...{ status: 204, summary: 'Say as whom the school names somebody, where their addresses differ' },
  }),
  end: route({
    ...{ ...of, method: 'delete', path: `${base}/students/:studentId/people/:personId`, params: Link },
    ...{ status: 204, summary: 'End a link, from the next request on' },
  }),
  restore: route({
    ...{ ...of, method: 'post', path: `${base}/students/:studentId/people/:personId/restore`, params: Link },
    ...{ status: 204, summary: 'Answer an objection: the link opens the record again' },
  }),
};
