import type { Request } from 'express';
import { hashPassword, isPassword, refuseWeak } from '../household';
import {
  beginOperatorSession,
  callerOf,
  forgive,
  HttpProblem,
  takeTry,
  type Deps,
  type ServerDeps,
} from '../kit';
import { operatorById, operatorByName, putOperator, type OperatorRow } from './store';

/** Few people sign in here, and what they may do reaches every family. */
const patience = { free: 5, firstWaitSeconds: 10, longestWaitSeconds: 3600, forgetSeconds: 12 * 3600 };

/**
 * Signs an operator in: whoever was signed in there before is so no more.
 * @throws HttpProblem 404 where the place is switched off, 401 for a wrong name or password alike, 429 with a wait.
 */
export async function signIn(
  { db, config }: ServerDeps,
  request: Request,
  { name, password }: { readonly name: string; readonly password: string },
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
  await forgive(db, tries);
  await beginOperatorSession(request, operator.id);
}

/** @throws HttpProblem 401 for one who is operator no longer. */
export async function requireOperator({ db }: ServerDeps, request: Request): Promise<OperatorRow> {
  const operator = await operatorById(db, request.session.operatorId ?? '');
  if (!operator) throw new HttpProblem('not-signed-in');
  return operator;
}

/** Adds an operator, or gives one another password. @throws HttpProblem `weak-password`. */
export async function addOperator({ db, clock }: Deps, name: string, password: string): Promise<void> {
  refuseWeak(password, [name]);
  await putOperator(db, name, await hashPassword(password), await clock.now());
}
