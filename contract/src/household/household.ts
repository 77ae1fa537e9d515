import { Type, type Static } from '@sinclair/typebox';
import { Instant, Language, Nullable, Uuid } from '../shared/scalars';
import { route } from '../shared/route';
import { RoleSchema } from './roles';
import { Code, PersonName, WayIn } from './ways';

export const Child = Type.Object({
  id: Uuid,
  givenName: Type.String(),
  familyName: Type.String(),
  year: Type.String(),
  schoolName: Type.String(),
  timeZone: Type.String(),
  /** Whether its family writes its record, because no school hands one over. */
  byHand: Type.Boolean(),
  role: RoleSchema,
});
export type Child = Static<typeof Child>;

/** What the operator of this Cadro asks everybody to agree to, by the name of its edition. */
export const Consent = Type.Object({ version: Type.String(), url: Type.String() });

export const Me = Type.Object({
  id: Uuid,
  name: Type.String(),
  givenName: Type.String(),
  /** How teachers see one, where that is not the name. */
  shownAs: Nullable(Type.String()),
  /** When the account is deleted, its owner having asked for it. */
  leavesAt: Nullable(Instant),
  email: Type.String(),
  /** Whether the address has been shown to be theirs: before, nothing but the confirmation goes there. */
  confirmed: Type.Boolean(),
  language: Language,
  /** What is asked for and has not been agreed to yet. */
  consent: Nullable(Consent),
  /** What was agreed to last, and when. */
  agreed: Nullable(Type.Object({ version: Type.String(), at: Instant })),
  children: Type.Array(Child),
  /** So many days it is kept what was sent, and the record of a child who has left. */
  keeps: Type.Object({ mailDays: Type.Integer(), leftDays: Type.Integer() }),
  /** The server's instant: the demo's clock may differ from the device's. */
  now: Instant,
  demo: Type.Boolean(),
});
export type Me = Static<typeof Me>;

export const SignIn = Type.Object({
  email: Type.String({ format: 'email', maxLength: 320 }),
  password: Type.String({ minLength: 1, maxLength: 200 }),
  /** Whether to stay signed in on this device. */
  keep: Type.Optional(Type.Boolean()),
});
const strict = { additionalProperties: false };
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
    body: Type.Object(
      {
        language: Type.Optional(Language),
        name: Type.Optional(PersonName),
        givenName: Type.Optional(PersonName),
        shownAs: Type.Optional(Nullable(PersonName)),
      },
      { minProperties: 1, additionalProperties: false },
    ),
    status: 200,
    answer: Me,
  }),
  agree: route({
    method: 'post',
    path: '/api/me/consent',
    room,
    access: 'signed-in',
    summary: 'Agree to what the operator asks for, by its edition',
    body: Type.Object({ version: Type.String({ minLength: 1, maxLength: 60 }) }, strict),
    status: 200,
    answer: Me,
  }),
  previewLink: route({
    method: 'post',
    path: '/api/links/preview',
    room,
    access: 'signed-in',
    summary: 'Whose record a code opens, before it is linked',
    body: Type.Object({ code: Code }),
    status: 200,
    answer: WayIn,
  }),
  link: route({
    method: 'post',
    path: '/api/links',
    room,
    access: 'signed-in',
    summary: 'Link a child by its code',
    body: Type.Object({ code: Code }),
    status: 201,
    answer: Child,
  }),
};
