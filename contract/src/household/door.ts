import { Type } from '@sinclair/typebox';
import { route } from '../shared/route';
import { Language } from '../shared/scalars';
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
