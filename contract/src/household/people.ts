import { Type, type Static } from '@sinclair/typebox';
import { route } from '../shared/route';
import { DateOnly, Instant, Nullable, Uuid } from '../shared/scalars';
import { Email } from './door';
import { roles, RoleSchema } from './roles';
import { issuers } from './ways';

const strict = { additionalProperties: false };
const room = 'household';

/** Somebody who sees a child's record. */
export const LinkedPerson = Type.Object({
  id: Uuid,
  /** Null for who belongs to another household that does not show itself. */
  name: Nullable(Type.String()),
  role: RoleSchema,
  since: Instant,
  issuer: Nullable(Type.Union(issuers.map((each) => Type.Literal(each)))),
  /** Who invited them; null for nobody, or for somebody who is not to be named. */
  invitedBy: Nullable(Type.String()),
  you: Type.Boolean(),
  /** Whether they belong to the own household. */
  ours: Type.Boolean(),
  /** The titles of the courses that a helper sees; null for who sees all. */
  courses: Nullable(Type.Array(Type.String())),
  /** The last day of a helper. */
  until: Nullable(DateOnly),
  /** Somebody has objected, and the school has not answered yet. */
  suspended: Type.Boolean(),
  mayEnd: Type.Boolean(),
  mayChange: Type.Boolean(),
  mayObject: Type.Boolean(),
});
export type LinkedPerson = Static<typeof LinkedPerson>;

export const OpenInvitation = Type.Object({
  id: Uuid,
  role: RoleSchema,
  email: Nullable(Type.String()),
  madeAt: Instant,
  expiresAt: Instant,
});

export const noticeKinds = [
  ...(['link-made', 'link-ended', 'role-changed', 'suspended', 'restored'] as const),
  ...(['new-device', 'address-changed'] as const),
] as const;
export type NoticeKind = (typeof noticeKinds)[number];

/** What has happened to who sees a child. */
export const PeopleNotice = Type.Object({
  id: Uuid,
  kind: Type.Union(noticeKinds.map((kind) => Type.Literal(kind))),
  /** Null where it concerns a person and no one child. */
  studentId: Nullable(Uuid),
  /** Whom it is about; null for who is not to be named. */
  name: Nullable(Type.String()),
  role: Nullable(RoleSchema),
  device: Nullable(Type.String()),
  at: Instant,
  read: Type.Boolean(),
});
export type PeopleNotice = Static<typeof PeopleNotice>;

export const People = Type.Object({
  children: Type.Array(
    Type.Object({
      studentId: Uuid,
      givenName: Type.String(),
      role: RoleSchema,
      people: Type.Array(LinkedPerson),
      invitations: Type.Array(OpenInvitation),
      /** The courses a helper can be let in to, by one of its guardians. */
      courses: Type.Array(Type.Object({ id: Uuid, title: Type.String() })),
    }),
  ),
  /** Whether other households of the same children may know this one by its names. */
  showsItself: Type.Boolean(),
  notices: Type.Array(PeopleNotice),
});
export type People = Static<typeof People>;

export const Invite = Type.Object(
  {
    studentIds: Type.Array(Uuid, { minItems: 1, maxItems: 20, uniqueItems: true }),
    role: Type.Union(roles.map((role) => Type.Literal(role))),
    /** Where the code is sent; null to hand it over by oneself. */
    email: Nullable(Email),
    /** Whether they join the own household and share what it writes, plans and follows up. */
    together: Type.Boolean(),
    /** Of a helper: what they see of one child, and until which day. */
    helps: Type.Optional(
      Type.Object(
        { courseIds: Type.Array(Uuid, { minItems: 1, maxItems: 30, uniqueItems: true }), until: DateOnly },
        strict,
      ),
    ),
  },
  strict,
);
export type Invite = Static<typeof Invite>;

const OnePerson = Type.Object({ studentId: Uuid, personId: Uuid });
export const peopleRoutes = {
  people: route({
    method: 'get',
    path: '/api/people',
    room,
    access: 'signed-in',
    summary: 'Who sees which child, since when, by whose invitation; and what has changed',
    status: 200,
    answer: People,
  }),
  showItself: route({
    method: 'patch',
    path: '/api/people',
    room,
    access: 'signed-in',
    summary: 'Let other households of the same children know this one by its names, or not',
    body: Type.Object({ showsItself: Type.Boolean() }, strict),
    status: 204,
  }),
  invite: route({
    method: 'post',
    path: '/api/people/invitations',
    room,
    access: 'signed-in',
    summary: 'Invite somebody to children’s records; by a child itself, a guardian to its own',
    body: Invite,
    status: 201,
    answer: Type.Object({ id: Uuid, code: Type.String(), address: Type.String(), expiresAt: Instant }),
  }),
  withdraw: route({
    method: 'delete',
    path: '/api/people/invitations/:invitationId',
    room,
    access: 'signed-in',
    summary: 'Take an invitation back that nobody has used',
    params: Type.Object({ invitationId: Uuid }),
    status: 204,
  }),
  end: route({
    method: 'delete',
    path: '/api/students/:studentId/people/:personId',
    room,
    access: 'signed-in',
    summary: 'End somebody’s link to a child; one’s own: leave',
    params: OnePerson,
    status: 204,
  }),
  changeRole: route({
    method: 'patch',
    path: '/api/students/:studentId/people/:personId',
    room,
    access: 'signed-in',
    summary: 'Let somebody whom the household invited write, or only look',
    params: OnePerson,
    body: Type.Object({ role: Type.Union([Type.Literal('guardian'), Type.Literal('look-only')]) }, strict),
    status: 204,
  }),
  object: route({
    method: 'post',
    path: '/api/students/:studentId/people/:personId/objection',
    room,
    access: 'signed-in',
    summary: 'Object to a new link: it opens nothing until the school has answered',
    params: OnePerson,
    status: 204,
  }),
  noticesRead: route({
    method: 'post',
    path: '/api/people/notices/read',
    room,
    access: 'signed-in',
    summary: 'Put what has changed down as read',
    status: 204,
  }),
};
