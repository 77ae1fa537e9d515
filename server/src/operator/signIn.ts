import type { Request } from 'express';
import { hashPassword, isPassword, newOneTimeSecret, refuseWeak, stepOfCode } from '../household';
import {
  beginOperatorSession,
  callerOf,
  forgive,
  HttpProblem,
  seal,
  takeTry,
  unseal,
  type ServerDeps,
} from '../kit';
import { operatorById, operatorByName, putOperator, useOperatorStep, type OperatorRow } from './store';

/** Few people sign in here, and what they may do reaches every family. */
const patience = { free: 5, firstWaitSeconds: 10, longestWaitSeconds: 3600, forgetSeconds: 12 * 3600 };

/**
 * Signs an operator in: whoever was signed in there before is so no more.
 * @throws HttpProblem 404 where the place is switched off, 401 for a wrong name, password or one-time code alike, 429
 * with a wait.
 */
export async function signIn(
  { db, config, wall }: ServerDeps,
  request: Request,
  { name, password, code }: { readonly name: string; readonly password: string; readonly code: string },
): Promise<void> {
  if (!config.operatorPage) throw new HttpProblem('not-found');
  const tries = [
    { kind: 'operator-from', of: callerOf(request), patience },
    { kind: 'operator', of: name.toLowerCase(), patience },
  ];
  await takeTry(db, tries);
  const operator = await operatorByName(db, name);
  const right = await isPassword(operator?.password_hash, password);
  if (!operator || !right) throw new HttpProblem('wrong-credentials');
  const step = stepOfCode(code, {
    secret: unseal(config.secret, operator.secret_sealed),
    ...{ lastStep: operator.last_step, now: await wall.now() },
  });
  if (step === null || !(await useOperatorStep(db, operator.id, step)))
    throw new HttpProblem('wrong-credentials');
  await forgive(db, tries);
  await beginOperatorSession(request, operator.id);
}

/** @throws HttpProblem 401 for one who is operator no longer. */
export async function requireOperator({ db }: ServerDeps, request: Request): Promise<OperatorRow> {
  const operator = await operatorById(db, request.session.operatorId ?? '');
  if (!operator) throw new HttpProblem('not-signed-in');
  return operator;
}

/**
 * Adds an operator, or gives one another password and another secret for the one-time codes.
 * @throws HttpProblem `weak-password`.
 * @returns the secret, to be shown once, and the address by which an authenticator app takes it.
 */
export async function addOperator(
  { db, clock, config }: Pick<ServerDeps, 'db' | 'clock' | 'config'>,
  name: string,
  password: string,
): Promise<{ readonly secret: string; readonly uri: string }> {
  refuseWeak(password, [name]);
  const shown = newOneTimeSecret(name);
  const secret_sealed = seal(config.secret, shown.secret);
  await putOperator(
    db,
    { name, password_hash: await hashPassword(password), secret_sealed },
    await clock.now(),
  );
  return shown;
}
