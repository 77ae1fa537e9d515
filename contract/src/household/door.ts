import { Type, type Static } from '@sinclair/typebox';
import { route } from '../shared/route';
import { Instant, Language, Nullable, Uuid } from '../shared/scalars';
import { Me } from './household';
import { Code, PersonName, WayIn } from './ways';

const strict = { additionalProperties: false };
const room = 'household';

export const Email = Type.String({ format: 'email', maxLength: 320 });
export const Password = Type.String({ minLength: 1, maxLength: 200 });
/** The secret at the end of an address that was sent by mail. */
export const Token = Type.String({ minLength: 20, maxLength: 100 });

const Encoded = Type.String({ minLength: 1, maxLength: 20_000 });
/** What a browser brings of a passkey; what is signed in it is looked at by its verification. */
export const PasskeyAnswer = Type.Object({
  id: Encoded,
  rawId: Encoded,
  type: Type.Literal('public-key'),
  response: Type.Object({ clientDataJSON: Encoded }),
  clientExtensionResults: Type.Object({}),
});

export const doorRoutes = {
  look: route({
    method: 'post',
    path: '/api/door/code',
    room,
    access: 'public',
    summary: 'Whose record a code opens, for who has no account yet',
    body: Type.Object({ code: Code }, strict),
    status: 200,
    answer: WayIn,
  }),
  come: route({
    method: 'post',
    path: '/api/door/come',
    room,
    access: 'public',
    summary: 'Make an account by a code, link its children, and sign in',
    body: Type.Object(
      {
        code: Code,
        name: PersonName,
        email: Email,
        password: Password,
        language: Language,
        keep: Type.Boolean(),
      },
      strict,
    ),
    status: 201,
    answer: Me,
  }),
  later: route({
    method: 'post',
    path: '/api/door/later',
    room,
    access: 'public',
    summary:
      'Ask for an account without a code; the address is confirmed by mail first. The same answer for every address',
    body: Type.Object({ name: PersonName, email: Email, password: Password, language: Language }, strict),
    status: 202,
  }),
  confirm: route({
    method: 'post',
    path: '/api/door/confirm',
    room,
    access: 'public',
    summary: 'What was sent to an address has been tapped there',
    body: Type.Object({ token: Token }, strict),
    status: 200,
    answer: Type.Object({
      /** What it led to: a confirmed address, a new account, one half of a change, or all of it. */
      outcome: Type.Union(
        (['confirmed', 'arrived', 'half-changed', 'changed'] as const).map((each) => Type.Literal(each)),
      ),
      email: Type.String(),
    }),
  }),
  forgotten: route({
    method: 'post',
    path: '/api/door/forgotten',
    room,
    access: 'public',
    summary: 'Ask for a mail to set a new password by. The same answer for every address',
    body: Type.Object({ email: Email }, strict),
    status: 202,
  }),
  newPassword: route({
    method: 'post',
    path: '/api/door/password',
    room,
    access: 'public',
    summary: 'Set a new password by what was sent; every session ends',
    body: Type.Object({ token: Token, password: Password }, strict),
    status: 204,
  }),
  secondSteps: route({
    method: 'get',
    path: '/api/session/second',
    room,
    access: 'public',
    summary: 'By what the second step of this sign-in can be taken',
    status: 200,
    answer: Type.Object({ oneTime: Type.Boolean(), passkey: Type.Boolean() }),
  }),
  second: route({
    method: 'post',
    path: '/api/session/second',
    room,
    access: 'public',
    summary: 'The second step: a one-time code, or one of the recovery codes',
    body: Type.Object({ code: Type.String({ minLength: 6, maxLength: 40 }) }, strict),
    status: 200,
    answer: Me,
  }),
  passkeyAsked: route({
    method: 'post',
    path: '/api/session/passkey/options',
    room,
    access: 'public',
    summary: 'What a passkey has to sign: as the way in, or as the second step',
    body: Type.Object({ keep: Type.Boolean() }, strict),
    status: 200,
    answer: Type.Object({ options: Type.Unknown() }),
  }),
  passkey: route({
    method: 'post',
    path: '/api/session/passkey',
    room,
    access: 'public',
    summary: 'Sign in by passkey, or take the second step by it',
    body: Type.Object({ answer: PasskeyAnswer }, strict),
    status: 200,
    answer: Me,
  }),
};

const SessionShown = Type.Object({
  id: Type.String(),
  device: Type.String(),
  since: Instant,
  /** To the minute. */
  usedAt: Instant,
  current: Type.Boolean(),
  kept: Type.Boolean(),
});

/** How an account is kept safe. */
export const Safety = Type.Object({
  email: Type.String(),
  confirmed: Type.Boolean(),
  /** An address that waits to be confirmed on both sides. */
  change: Nullable(
    Type.Object({ email: Type.String(), oldConfirmed: Type.Boolean(), newConfirmed: Type.Boolean() }),
  ),
  sessions: Type.Array(SessionShown),
  passkeys: Type.Array(
    Type.Object({ id: Uuid, name: Type.String(), madeAt: Instant, usedAt: Nullable(Instant) }),
  ),
  oneTime: Type.Boolean(),
  recoveryLeft: Type.Integer(),
});
export type Safety = Static<typeof Safety>;

const Proven = { password: Password };
export const keepingRoutes = {
  safety: route({
    method: 'get',
    path: '/api/me/safety',
    room,
    access: 'signed-in',
    summary: 'How the own account is kept safe: its address, sessions, passkeys, one-time codes',
    status: 200,
    answer: Safety,
  }),
  confirmAgain: route({
    method: 'post',
    path: '/api/me/confirmation',
    room,
    access: 'signed-in',
    summary: 'Send the confirmation of the address once more',
    status: 202,
  }),
  password: route({
    method: 'post',
    path: '/api/me/password',
    room,
    access: 'signed-in',
    summary: 'Change the password; every other session ends',
    body: Type.Object({ ...Proven, next: Password }, strict),
    status: 204,
  }),
  address: route({
    method: 'post',
    path: '/api/me/address',
    room,
    access: 'signed-in',
    summary: 'Ask for another address: it counts when both have been confirmed',
    body: Type.Object({ ...Proven, email: Email }, strict),
    status: 202,
  }),
  keepAddress: route({
    method: 'delete',
    path: '/api/me/address',
    room,
    access: 'signed-in',
    summary: 'Stay with the address there is',
    status: 204,
  }),
  exported: route({
    method: 'get',
    path: '/api/me/export.zip',
    room,
    access: 'signed-in',
    heavy: true,
    summary:
      'Everything about oneself and the linked children: JSON with its schema, CSV, iCalendar, letters as mails',
    status: 200,
    produces: 'application/zip',
  }),
  leave: route({
    method: 'post',
    path: '/api/me/leaving',
    room,
    access: 'signed-in',
    summary: 'Have the own account deleted in thirty days',
    body: Type.Object(Proven, strict),
    status: 200,
    answer: Me,
  }),
  stay: route({
    method: 'delete',
    path: '/api/me/leaving',
    room,
    access: 'signed-in',
    summary: 'Keep the own account after all',
    status: 200,
    answer: Me,
  }),
  endSession: route({
    method: 'delete',
    path: '/api/me/sessions/:sessionId',
    room,
    access: 'signed-in',
    summary: 'End one session of the own account',
    params: Type.Object({ sessionId: Type.String({ pattern: '^[0-9a-f]{64}$' }) }),
    status: 204,
  }),
  endOthers: route({
    method: 'delete',
    path: '/api/me/sessions',
    room,
    access: 'signed-in',
    summary: 'End every session but this one',
    status: 204,
  }),
  passkeyOptions: route({
    method: 'post',
    path: '/api/me/passkeys/options',
    room,
    access: 'signed-in',
    summary: 'What a new passkey is made from',
    body: Type.Object(Proven, strict),
    status: 200,
    answer: Type.Object({ options: Type.Unknown() }),
  }),
  addPasskey: route({
    method: 'post',
    path: '/api/me/passkeys',
    room,
    access: 'signed-in',
    summary: 'Keep a new passkey',
    body: Type.Object({ answer: PasskeyAnswer, name: Type.String({ minLength: 1, maxLength: 80 }) }, strict),
    status: 201,
    answer: Safety,
  }),
  dropPasskey: route({
    method: 'post',
    path: '/api/me/passkeys/:passkeyId/drop',
    room,
    access: 'signed-in',
    summary: 'Let go of a passkey',
    params: Type.Object({ passkeyId: Uuid }),
    body: Type.Object(Proven, strict),
    status: 200,
    answer: Safety,
  }),
  oneTime: route({
    method: 'post',
    path: '/api/me/one-time',
    room,
    access: 'signed-in',
    summary: 'Begin with one-time codes: the secret for the program that makes them',
    body: Type.Object(Proven, strict),
    status: 200,
    answer: Type.Object({
      secret: Type.String(),
      /** As a picture that a phone reads, SVG. */
      picture: Type.String(),
    }),
  }),
  oneTimeWorks: route({
    method: 'post',
    path: '/api/me/one-time/works',
    room,
    access: 'signed-in',
    summary:
      'The first code was right: from now on one is asked for. Answers with the recovery codes, shown once',
    body: Type.Object({ code: Type.String({ minLength: 6, maxLength: 12 }) }, strict),
    status: 201,
    answer: Type.Object({ recoveryCodes: Type.Array(Type.String()) }),
  }),
  dropOneTime: route({
    method: 'post',
    path: '/api/me/one-time/drop',
    room,
    access: 'signed-in',
    summary: 'Do without one-time codes',
    body: Type.Object(Proven, strict),
    status: 204,
  }),
};
