import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
  type AuthenticationResponseJSON,
  type AuthenticatorTransport,
  type RegistrationResponseJSON,
} from '@simplewebauthn/server';
import type { Request } from 'express';
import { isIP } from 'node:net';
import { HttpProblem, ownOrigins, type Config, type ServerDeps } from '../../kit';
import type { GuardianRow } from '../store';
import { addPasskey, passkeyByCredential, passkeysOf, usePasskey } from './passkeyStore';

/** A passkey belongs to a name, never to a number; on this machine itself that is its own name. */
function relyingParty(config: Config): string {
  const { hostname } = new URL(config.publicUrl);
  return isIP(hostname.replace(/^\[|\]$/g, '')) > 0 ? 'localhost' : hostname;
}

const challengeMs = 5 * 60_000;

async function keepChallenge(
  { wall }: ServerDeps,
  request: Request,
  text: string,
  guardianId: string | null,
): Promise<void> {
  const until = (await wall.now()).getTime() + challengeMs;
  request.session.challenge = { text, guardianId, until };
}

/** What was asked of this browser last; good once. */
async function takeChallenge({ wall }: ServerDeps, request: Request) {
  const { challenge } = request.session;
  delete request.session.challenge;
  if (!challenge || challenge.until < (await wall.now()).getTime()) throw new HttpProblem('passkey-refused');
  return challenge;
}

/** A new passkey of who is signed in. */
export async function askForNewPasskey(deps: ServerDeps, request: Request, guardian: GuardianRow) {
  const { db, config } = deps;
  const options = await generateRegistrationOptions({
    rpName: 'Cadro',
    rpID: relyingParty(config),
    userName: guardian.email,
    userDisplayName: guardian.name,
    userID: new TextEncoder().encode(guardian.id),
    attestationType: 'none',
    excludeCredentials: (await passkeysOf(db, guardian.id)).map(({ credential_id }) => ({
      id: credential_id,
    })),
    // It is a way in by itself: who holds it is asked by the device, and it knows whose it is.
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
  });
  await keepChallenge(deps, request, options.challenge, guardian.id);
  return options;
}

const refused = (cause: unknown): never => {
  throw new HttpProblem('passkey-refused', { cause });
};

/** @throws HttpProblem `passkey-refused` when it is not what was asked for. */
export async function keepNewPasskey(
  deps: ServerDeps,
  request: Request,
  guardianId: string,
  { answer, name }: { answer: unknown; name: string },
): Promise<void> {
  const { db, clock, config } = deps;
  const challenge = await takeChallenge(deps, request);
  if (challenge.guardianId !== guardianId) throw new HttpProblem('passkey-refused');
  const { verified, registrationInfo } = await verifyRegistrationResponse({
    response: answer as RegistrationResponseJSON, // whatever it is, its verification is what parses it
    expectedChallenge: challenge.text,
    expectedOrigin: ownOrigins(config),
    expectedRPID: relyingParty(config),
  }).catch(refused);
  if (!verified || !registrationInfo) throw new HttpProblem('passkey-refused');
  const { id, publicKey, counter, transports } = registrationInfo.credential;
  await addPasskey(db, {
    ...{ guardian_id: guardianId, credential_id: id, public_key: Buffer.from(publicKey), counter },
    ...{ transports: transports ?? [], name, made_at: await clock.now() },
  });
}

/** What a passkey has to sign: of whoever has one, or of who owes the second step. */
export async function askForPasskey(deps: ServerDeps, request: Request, guardianId: string | null) {
  const { db, config } = deps;
  const own = guardianId === null ? [] : await passkeysOf(db, guardianId);
  const options = await generateAuthenticationOptions({
    rpID: relyingParty(config),
    userVerification: 'required',
    allowCredentials: own.map(({ credential_id, transports }) => ({
      id: credential_id,
      transports: transports as AuthenticatorTransport[], // as the browser itself named them
    })),
  });
  await keepChallenge(deps, request, options.challenge, guardianId);
  return options;
}

/**
 * Whose passkey has signed.
 * @throws HttpProblem `passkey-refused` when nobody's did, or another's than was asked for.
 */
export async function ownerOfPasskey(deps: ServerDeps, request: Request, answer: unknown): Promise<string> {
  const { db, clock, config } = deps;
  const challenge = await takeChallenge(deps, request);
  const response = answer as AuthenticationResponseJSON; // whatever it is, its verification is what parses it
  const passkey = await passkeyByCredential(db, response.id);
  if (!passkey || (challenge.guardianId !== null && challenge.guardianId !== passkey.guardian_id))
    throw new HttpProblem('passkey-refused');
  const { verified, authenticationInfo } = await verifyAuthenticationResponse({
    response,
    expectedChallenge: challenge.text,
    expectedOrigin: ownOrigins(config),
    expectedRPID: relyingParty(config),
    credential: {
      id: passkey.credential_id,
      publicKey: new Uint8Array(passkey.public_key),
      counter: passkey.counter,
    },
  }).catch(refused);
  if (!verified) throw new HttpProblem('passkey-refused');
  await usePasskey(db, passkey.id, authenticationInfo.newCounter, await clock.now());
  return passkey.guardian_id;
}
