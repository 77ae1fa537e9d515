import { Type, type Static } from '@sinclair/typebox';
import { route } from '../shared/route';
import { Instant, Nullable, Uuid } from '../shared/scalars';
import { Email, PasskeyAnswer, Password } from './door';
import { Me } from './household';

const strict = { additionalProperties: false };
const room = 'household';

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
