import { NoTurn, TooMuch } from '../apart';
import { type Problem, type ProblemCode } from '@cadro/contract';
import { ParseError, type Misfit } from '@cadro/contract/parse';
import type { ErrorRequestHandler, Response } from 'express';
import type { Logger } from 'pino';
import { isAway, isNoValue, isNotPermitted, type DatabaseWatch } from '../db';

/** Status and a sentence for a developer; the words for people live in the app's catalogues. */
const kinds: Record<ProblemCode, { status: number; title: string }> = {
  'bad-request': { status: 400, title: 'The request does not have the documented shape' },
  'not-signed-in': { status: 401, title: 'Sign in first' },
  'wrong-credentials': { status: 401, title: 'No account has this address and password' },
  'second-step': { status: 401, title: 'The password was right; this account asks for a second step' },
  'too-many-tries': { status: 429, title: 'Too many tries; wait before the next one' },
  forbidden: { status: 403, title: 'This link to the child does not allow that' },
  'not-found': { status: 404, title: 'There is nothing here for you' },
  'code-unknown': { status: 404, title: 'No school has given out this code' },
  'code-used': { status: 409, title: 'This code has been used already' },
  'code-expired': { status: 410, title: 'This code has run out; the school can give a new one' },
  'already-linked': { status: 409, title: 'This child is linked to you already' },
  'code-not-for-you': { status: 409, title: 'This code is for another kind of account' },
  'link-on-hold': { status: 409, title: 'This link is on hold, or the school has ended it' },
  'link-over': { status: 410, title: 'This link has been used already, or has run out' },
  'address-known': { status: 409, title: 'There is an account with this address' },
  'weak-password': { status: 422, title: 'This password is too easy to guess' },
  'wrong-code': { status: 401, title: 'This code is not right, or has been used' },
  'passkey-refused': { status: 401, title: 'This passkey is not known here, or was not confirmed' },
  'edited-meanwhile': { status: 409, title: 'Someone else changed this since you opened it' },
  'too-late': { status: 409, title: 'The last day for this is over, or it was taken back' },
  'time-taken': { status: 409, title: 'Another family has this time, or the school offers it no more' },
  'teacher-without-contact': { status: 422, title: 'The school has given no address for this teacher' },
  'off-scale': { status: 422, title: 'That lies on no scale there is' },
  'no-way': { status: 422, title: 'There is no such way to reach this guardian' },
  'plan-full': { status: 422, title: 'This plan holds as many open tasks as can be weighed' },
  'nothing-open': { status: 422, title: 'Nothing of this is open any more' },
  'child-not-in-file': { status: 422, title: 'The file has no such child' },
  'several-in-file': { status: 422, title: 'The file has several children of that name' },
  'unreadable-file': { status: 422, title: 'The file cannot be read; the place is named' },
  'unfit-file': {
    status: 422,
    title: 'This file is not sent: its kind, its size, or it is not what its name says',
  },
  'unknown-thread': { status: 422, title: 'This mail belongs to no thread' },
  'foreign-origin': { status: 403, title: 'Writes are taken from Cadro’s own pages only' },
  'too-large': { status: 413, title: 'The request is too large' },
  'source-unreachable': { status: 503, title: 'A school cannot be reached at the moment' },
  'database-away': { status: 503, title: 'The database cannot be asked at the moment; try again' },
  crowded: { status: 503, title: 'Others have asked for much that is being done; try again' },
  'under-way': { status: 409, title: 'This very write is being done; ask again for its answer' },
  'key-used': { status: 422, title: 'This idempotency key belongs to another write' },
  internal: { status: 500, title: 'Something went wrong on our side' },
};

/** An answer that is an error, thrown from anywhere below a route. */
export class HttpProblem extends Error {
  override readonly name = 'HttpProblem';
  constructor(
    readonly code: ProblemCode,
    readonly extra: {
      errors?: readonly Misfit[];
      current?: unknown;
      yours?: unknown;
      cause?: unknown;
      retryAfterSeconds?: number;
    } = {},
  ) {
    super(kinds[code].title, { cause: extra.cause });
  }

  get status(): number {
    return kinds[this.code].status;
  }

  toJSON(): Problem {
    const { errors, current, yours, retryAfterSeconds } = this.extra;
    return {
      type: `urn:cadro:problem:${this.code}`,
      title: this.message,
      status: this.status,
      detail: errors?.[0] ? `${errors[0].path} ${errors[0].message}` : this.message,
      code: this.code,
      ...(errors ? { errors: [...errors] } : {}),
      ...(current === undefined ? {} : { current, yours }),
      ...(retryAfterSeconds === undefined ? {} : { retryAfterSeconds }),
    };
  }
}

/** body-parser tells its errors by a `type`. */
const bodyParserCodes: Readonly<Record<string, ProblemCode>> = {
  'entity.too.large': 'too-large',
  'entity.parse.failed': 'bad-request',
  'charset.unsupported': 'bad-request',
  'encoding.unsupported': 'bad-request',
  'request.aborted': 'bad-request',
  'request.size.invalid': 'bad-request',
  'stream.encoding.set': 'bad-request',
};

/** After so long the database may be there again. */
const awayAgainSeconds = 3;
export const awayProblem = (cause?: unknown): HttpProblem =>
  new HttpProblem('database-away', { cause, retryAfterSeconds: awayAgainSeconds });

/** After so long what waited may be done. */
const turnAgainSeconds = 5;

/** What a library below Express says of a request that it could not read: not ours, and no fault of ours. */
const saysBadRequest = (error: unknown): boolean =>
  error instanceof Error &&
  'statusCode' in error &&
  Number(error.statusCode) >= 400 &&
  Number(error.statusCode) < 500;

function problemOf(error: unknown): HttpProblem {
  if (error instanceof HttpProblem) return error;
  if (error instanceof ParseError) return new HttpProblem('bad-request', { errors: error.misfits });
  // Work in a thread that costs more than anybody's may.
  if (error instanceof TooMuch) return new HttpProblem('too-large', { cause: error });
  if (error instanceof NoTurn)
    return new HttpProblem(error.filledBy === 'one' ? 'too-many-tries' : 'crowded', {
      ...{ cause: error, retryAfterSeconds: turnAgainSeconds },
    });
  if (error instanceof URIError) return new HttpProblem('bad-request');
  // The database has refused rows that no route should have asked for.
  if (isNotPermitted(error)) return new HttpProblem('forbidden', { cause: error });
  if (isAway(error)) return awayProblem(error);
  if (isNoValue(error)) return new HttpProblem('bad-request', { cause: error });
  const type = error instanceof Error && 'type' in error ? String(error.type) : '';
  const known = bodyParserCodes[type] ?? (saysBadRequest(error) ? 'bad-request' : 'internal');
  return new HttpProblem(known, { cause: error });
}

/** Answers with a problem. */
export function sendProblem(response: Response, problem: HttpProblem): void {
  const { retryAfterSeconds } = problem.extra;
  if (retryAfterSeconds !== undefined) response.setHeader('retry-after', String(retryAfterSeconds));
  response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
}

/** Why work was given up that had not begun: who asked for it has left. */
export class NobodyWaits extends Error {
  override readonly name = 'NobodyWaits';
}

/** The one place where errors become answers. */
export const answerProblems =
  (log: Logger, watch: Pick<DatabaseWatch, 'answers'>): ErrorRequestHandler =>
  (error, _request, response, next) => {
    // It has been told already that it will get no answer, or asks for none any more.
    if (response.writableEnded || error instanceof NobodyWaits) return;
    if (response.headersSent) return next(error);
    const problem = problemOf(error);
    // Whoever comes next is told at once.
    if (problem.code === 'database-away') void watch.answers();
    if (problem.code === 'internal') log.error({ err: error }, 'request failed');
    if (isNotPermitted(error)) log.warn({ err: error }, 'rows of others were asked for, and refused');
    if (isNoValue(error)) log.warn({ err: error }, 'a value that the database does not hold');
    sendProblem(response, problem);
  };
