import QRCode from 'qrcode';
import {
  forgetTries,
  hashCode,
  HttpProblem,
  newCode,
  seal,
  takeTry,
  unseal,
  type Db,
  type ServerDeps,
} from '../../kit';
import type { GuardianRow } from '../store';
import { newOneTimeSecret, stepOfCode } from './oneTime';
import { putSecret, secretOf, startOneTime, useRecoveryCode, useStep } from './oneTimeStore';
import { passkeysOf } from './passkeyStore';

/** By what an account's second step is taken; neither: it has none. */
export async function secondStepsOf(
  db: Db,
  guardianId: string,
): Promise<{ oneTime: boolean; passkey: boolean }> {
  const secret = await secretOf(db, guardianId);
  const passkeys = await passkeysOf(db, guardianId);
  return { oneTime: (secret?.confirmed_at ?? null) !== null, passkey: passkeys.length > 0 };
}

/** Begins with one-time codes; nothing is asked for before the first one has come. */
export async function beginOneTime({ db, clock, config }: ServerDeps, guardian: GuardianRow) {
  const { secret, uri } = newOneTimeSecret(guardian.email);
  if ((await secretOf(db, guardian.id))?.confirmed_at) throw new HttpProblem('bad-request');
  await putSecret(db, guardian.id, seal(config.secret, secret), await clock.now());
  return { secret, picture: await QRCode.toString(uri, { type: 'svg', margin: 1 }) };
}

const codePatience = { free: 5, firstWaitSeconds: 10, longestWaitSeconds: 3600, forgetSeconds: 24 * 3600 };
const triesOf = (guardianId: string) => [{ kind: 'one-time', of: guardianId, patience: codePatience }];

/** The step of a right code that has not been used; null for any other. */
async function rightStep(
  { db, wall, config }: ServerDeps,
  guardianId: string,
  code: string,
): Promise<number | null> {
  const row = await secretOf(db, guardianId);
  if (!row) return null;
  return stepOfCode(code, {
    secret: unseal(config.secret, row.secret_sealed),
    lastStep: row.last_step,
    now: await wall.now(),
  });
}

const howManyRecoveryCodes = 10;

/** The first code was right: from now on one is asked for. @returns the recovery codes, to be shown once. */
export async function confirmOneTime(deps: ServerDeps, guardianId: string, code: string): Promise<string[]> {
  const { db, clock } = deps;
  const key = triesOf(guardianId);
  await takeTry(db, key);
  const step = await rightStep(deps, guardianId, code);
  if (step === null) throw new HttpProblem('wrong-code');
  await forgetTries(db, key);
  const codes = Array.from({ length: howManyRecoveryCodes }, newCode);
  await startOneTime(db, guardianId, { step, codeHashes: codes.map(hashCode), now: await clock.now() });
  return codes;
}

/**
 * A one-time code or a recovery code, each good once.
 * @throws HttpProblem `wrong-code`, or `too-many-tries` with how long to wait.
 */
export async function checkSecondStep(deps: ServerDeps, guardianId: string, code: string): Promise<void> {
  const { db, clock } = deps;
  const key = triesOf(guardianId);
  await takeTry(db, key);
  const step = await rightStep(deps, guardianId, code);
  const used =
    step === null
      ? await useRecoveryCode(db, guardianId, hashCode(code), await clock.now())
      : await useStep(db, guardianId, step);
  if (!used) throw new HttpProblem('wrong-code');
  await forgetTries(db, key);
}
