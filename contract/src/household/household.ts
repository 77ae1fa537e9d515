import { Type, type Static } from '@sinclair/typebox';
import { Instant, Language, Uuid } from '../shared/scalars';
import { route } from '../shared/route';

export const roles = ['guardian', 'look-only', 'student'] as const;
export type Role = (typeof roles)[number];
const RoleSchema = Type.Union(roles.map((role) => Type.Literal(role)));

/** What a role may do with a linked child's record. Reading is every role's; ended links may do nothing. */
export const permissions = {
  guardian: ['read-record', 'read-talk', 'write-talk'],
  'look-only': ['read-record', 'read-talk'],
  student: ['read-record'],
} as const satisfies Record<Role, readonly string[]>;
export type Permission = (typeof permissions)[Role][number];

export const rolesAllowed = (permission: Permission): Role[] =>
  roles.filter((role) => (permissions[role] as readonly Permission[]).includes(permission));

export const Child = Type.Object({
  id: Uuid,
  givenName: Type.String(),
  familyName: Type.String(),
  year: Type.String(),
  schoolName: Type.String(),
  timeZone: Type.String(),
  role: RoleSchema,
});
export type Child = Static<typeof Child>;

export const Me = Type.Object({
  id: Uuid,
  name: Type.String(),
  givenName: Type.String(),
  email: Type.String(),
  language: Language,
  children: Type.Array(Child),
  /** The server's instant: the demo's clock may differ from the device's. */
  now: Instant,
  demo: Type.Boolean(),
});
export type Me = Static<typeof Me>;

export const SignIn = Type.Object({
  email: Type.String({ format: 'email', maxLength: 320 }),
  password: Type.String({ minLength: 1, maxLength: 200 }),
});
export const LinkCode = Type.Object({ code: Type.String({ minLength: 4, maxLength: 40 }) });
export const LinkPreview = Type.Object({
  givenName: Type.String(),
  familyName: Type.String(),
  year: Type.String(),
  schoolName: Type.String(),
});
export type LinkPreview = Static<typeof LinkPreview>;

const room = 'household';
export const householdRoutes = {
  signIn: route({
    method: 'post',
    path: '/api/session',
    room,
    access: 'public',
    summary: 'Sign in',
    body: SignIn,
    status: 200,
    answer: Me,
  }),
  signOut: route({
    method: 'delete',
    path: '/api/session',
    room,
    access: 'signed-in',
    summary: 'Sign out',
    status: 204,
  }),
  me: route({
    method: 'get',
    path: '/api/me',
    room,
    access: 'signed-in',
    summary: 'The guardian who is signed in, with the linked children',
    status: 200,
    answer: Me,
  }),
  changeMe: route({
    method: 'patch',
    path: '/api/me',
    room,
    access: 'signed-in',
    summary: 'Change own settings',
    body: Type.Object({ language: Language }),
    status: 200,
    answer: Me,
  }),
  previewLink: route({
    method: 'post',
    path: '/api/links/preview',
    room,
    access: 'signed-in',
    summary: 'Whose record a code opens, before it is linked',
    body: LinkCode,
    status: 200,
    answer: LinkPreview,
  }),
  link: route({
    method: 'post',
    path: '/api/links',
    room,
    access: 'signed-in',
    summary: 'Link a child by its code',
    body: LinkCode,
    status: 201,
    answer: Child,
  }),
};
