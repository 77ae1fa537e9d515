import type { Request, Response } from 'express';
import {
  beginSession,
  callerOf,
  forgetTries,
  forgive,
  HttpProblem,
  newSession,
  takeTry,
  type Counted,
  type ServerDeps,
} from '../../kit';
import { guardianByEmail, type GuardianRow } from '../store';
import { deviceName, isKnownDevice, rememberDevice } from './devices';
import { isPassword } from './passwords';
import { addToTrail } from '../trail/trailStore';
import { secondStepsOf } from './secondStep';

const minute = 60;
const hour = 60 * minute;

/**
 * Wrong passwords are answered with waits, never with a lock that would keep the owner out: of one account from one
 * address, of one account from everywhere (someone with many addresses), of one address (someone with many accounts),
 * and over all. A device that has signed in to this account before is only counted by itself.
 */
const patience = {
  pair: { free: 5, firstWaitSeconds: 5, longestWaitSeconds: 15 * minute, forgetSeconds: 24 * hour },
  account: { free: 20, firstWaitSeconds: 5, longestWaitSeconds: 5 * minute, forgetSeconds: 24 * hour },
  address: { free: 25, firstWaitSeconds: 10, longestWaitSeconds: hour, forgetSeconds: 24 * hour },
  all: { free: 2000, firstWaitSeconds: 1, longestWaitSeconds: 5, forgetSeconds: 10 * minute },
  device: { free: 10, firstWaitSeconds: 5, longestWaitSeconds: 15 * minute, forgetSeconds: 24 * hour },
} as const;

/** What a wrong password is counted by. */
function counted(request: Request, email: string, device: string | null): Counted[] {
  const account = email.toLowerCase();
  const caller = callerOf(request);
  if (device) return [{ kind: 'sign-in-device', of: `${device}:${account}`, patience: patience.device }];
  return [
    { kind: 'sign-in-pair', of: `${caller}:${account}`, patience: patience.pair },
    { kind: 'sign-in-address', of: caller, patience: patience.address },
    { kind: 'sign-in-account', of: account, patience: patience.account },
    { kind: 'sign-in-all', of: 'all', patience: patience.all },
  ];
}

/** Many wrong passwords over all are not people's own. */
const alarmEvery = 500;

interface Credentials {
  readonly email: string;
  readonly password: string;
}

/**
 * @throws HttpProblem `wrong-credentials`, the same in words and in time whether the address or the password was
 * wrong; `too-many-tries` with how long to wait.
 */
export async function checkCredentials(
  { db, log }: ServerDeps,
  request: Request,
  { email, password }: Credentials,
): Promise<GuardianRow> {
  const guardian = await guardianByEmail(db, email);
  const device = guardian ? await isKnownDevice(db, guardian.id, request) : null;
  const keys = counted(request, email, device);
  await takeTry(db, keys, {
    at: alarmEvery,
    raise: (kind, tries) => kind === 'sign-in-all' && log.warn({ tries }, 'many wrong passwords'),
  });
  const right = await isPassword(guardian?.password_hash, password);
  if (!guardian || !right) throw new HttpProblem('wrong-credentials');
  const [first = [], ...others] = keys.map((key) => [key]);
  await forgetTries(db, first);
  await forgive(db, others.flat());
  return guardian;
}

/** The password of who is signed in already, before what needs it anew. */
export async function requirePassword(
  { db }: ServerDeps,
  guardian: GuardianRow,
  password: string,
): Promise<void> {
  const key = [{ kind: 'password-again', of: guardian.id, patience: patience.pair }];
  await takeTry(db, key);
  if (!(await isPassword(guardian.password_hash, password))) throw new HttpProblem('wrong-credentials');
  await forgetTries(db, key);
}

/** How long the second step may take. */
const halfMs = 10 * 60_000;

/**
 * After the right password: signs in, or asks for the second step where the account has one.
 * @throws HttpProblem `second-step`, with a session that knows who is to take it.
 */
export async function passFirstStep(
  deps: ServerDeps,
  request: Request,
  guardian: GuardianRow,
  kept: boolean,
): Promise<void> {
  const { oneTime, passkey } = await secondStepsOf(deps.db, guardian.id);
  if (!oneTime && !passkey) return;
  await newSession(request);
  const until = (await deps.wall.now()).getTime() + halfMs;
  request.session.half = { guardianId: guardian.id, kept, until };
  throw new HttpProblem('second-step');
}

/** Who has given the right password and owes the second step. */
export async function halfSignedIn(
  { wall }: ServerDeps,
  request: Request,
): Promise<{ guardianId: string; kept: boolean }> {
  const { half } = request.session;
  if (!half || half.until < (await wall.now()).getTime()) throw new HttpProblem('not-signed-in');
  return half;
}

/** Signs a person in: a session under a new id; a device that is new to the account is remembered and told of. */
export async function signInAs(
  deps: ServerDeps,
  request: Request,
  response: Response,
  { guardianId, kept }: { guardianId: string; kept: boolean },
): Promise<void> {
  await beginSession(request, { guardianId, kept, device: deviceName(request) }, deps.config);
  await rememberDevice(deps, request, response, guardianId);
  await addToTrail(deps.db, { at: await deps.clock.now(), kind: 'signed-in', personId: guardianId });
}
