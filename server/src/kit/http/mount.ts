import { takesKey, type RouteContract } from '@cadro/contract';
import { parse, parseText } from '@cadro/contract/parse';
import type { Static, TObject, TSchema } from '@sinclair/typebox';
import express, { type Request, type RequestHandler, type Response } from 'express';
import { Turns } from '../apart';
import { personalDb, type Clock } from '../db';
import type { ServerDeps } from '../deps';
import { keptAnswer, type KeptAnswer } from '../kept';
import type { Served } from './newRouter';
import { askedBy, idempotencyKey, once } from './once';
import { HttpProblem, NobodyWaits } from './problems';
import { refuseUnsound } from './sound';

export interface Call<P, Q, B> {
  readonly params: P;
  readonly query: Q;
  readonly body: B;
  /** What the router was given; its database is the one that who is signed in may see. */
  readonly deps: ServerDeps;
  /** Who is signed in; an empty text on public routes. */
  readonly guardianId: string;
  readonly request: Request;
  readonly response: Response;
  /** Ends when nobody waits for the answer any more; by then it may also be written. */
  readonly left: AbortSignal;
}

/** An answer that is a file, of the media type its contract names. */
export class Produced {
  constructor(
    readonly bytes: Uint8Array,
    /** Plain letters, digits, dots and dashes. */
    readonly fileName: string,
  ) {}
}

/** An answer that is written bit by bit, of the media type its contract names. */
export class Streamed {
  constructor(readonly write: (request: Request, response: Response) => Promise<void>) {}
}

type Handler<P extends TObject, Q extends TObject, B extends TSchema, A extends TSchema> = (
  call: Call<Static<P>, Static<Q>, Static<B>>,
) => Promise<Static<A> | Produced | Streamed | void>;

/** In tests every answer is checked against its schema, so that the document cannot lie. */
const checkAnswers = process.env['NODE_ENV'] === 'test';

function checkedAnswer<T>({ method, path, answer: schema }: RouteContract, answer: T): T {
  if (checkAnswers && schema) parse(`answer of ${method} ${path}`, schema, answer);
  return answer;
}

const readers = { body: express.json({ limit: '256kb' }), file: express.json({ limit: '7mb' }) };

/** Reads a body, once it is known who sends it and that one is wanted. */
const readBody = (reader: RequestHandler, request: Request, response: Response): Promise<void> =>
  new Promise(
    (done, fail) =>
      // body-parser's errors are Errors; whatever they are, they are handed on.
      void reader(request, response, (error?: unknown) => (error ? fail(error as Error) : done())),
  );

/** The operators' place is there where it is switched on, for who has signed in at it. */
function requireOperatorsPlace({ operatorPage }: ServerDeps['config'], { session }: Request): void {
  if (!operatorPage) throw new HttpProblem('not-found');
  if (!session.operatorId) throw new HttpProblem('not-signed-in');
}

const turns = new Turns();

function leaving(response: Response): AbortSignal {
  const left = new AbortController();
  response.on('close', () => left.abort(new NobodyWaits()));
  return left.signal;
}

/** An answer that was made before, or is kept for the next time. */
class Standing {
  constructor(readonly kept: KeptAnswer) {}
}

/** Has an answer made in the way of its contract: given out again, once for its key, in its turn, or just so. */
async function answered<P extends TObject, Q extends TObject, B extends TSchema, A extends TSchema>(
  contract: RouteContract<P, Q, B, A>,
  call: Call<Static<P>, Static<Q>, Static<B>>,
  { handle, who }: { readonly handle: Handler<P, Q, B, A>; readonly who: string },
): Promise<unknown> {
  const { deps, guardianId, request, response } = call;
  if (contract.stands) {
    const asked = { guardianId, name: contract.path, has: request.get('if-none-match') };
    const make = async (clock: Clock) =>
      JSON.stringify(checkedAnswer(contract, await handle({ ...call, deps: { ...deps, clock } })));
    return new Standing(await keptAnswer(deps, asked, make));
  }
  const made = async () => {
    const answer = await handle(call);
    // What is written bit by bit is made while it is written.
    if (answer instanceof Streamed) await answer.write(request, response);
    return answer;
  };
  const key = who && takesKey(contract) ? idempotencyKey(request) : null;
  if (key === null) return contract.heavy ? turns.take(guardianId, made, call.left) : made();
  return once(
    deps,
    deps.db,
    { personId: who, key, asked: askedBy(request, deps.config.secret), status: contract.status },
    (db) => handle({ ...call, deps: { ...deps, db } }),
  );
}

function send(contract: RouteContract, response: Response, answer: unknown): void {
  // Streamed already, or told meanwhile that it will get no answer.
  if (answer instanceof Streamed || response.writableEnded) return;
  if (answer instanceof Standing) {
    const { etag, body } = answer.kept;
    response.set('etag', etag).status(body === null ? 304 : contract.status);
    return void (body === null ? response.end() : response.type('json').send(body));
  }
  response.status(contract.status);
  if (answer instanceof Produced) {
    response.set('Content-Disposition', `inline; filename="${answer.fileName}"`);
    return void response.type(contract.produces ?? 'bin').send(Buffer.from(answer.bytes));
  }
  if (!contract.answer) return void response.end();
  response.json(checkedAnswer(contract, answer));
}

/**
 * Puts a contract's route on a router: asks for the session, then reads and parses what comes in, answers what it
 * promised. The log names it by its pattern, so that no id and no secret of an address stands there.
 */
export function mount<P extends TObject, Q extends TObject, B extends TSchema, A extends TSchema>(
  router: Served,
  contract: RouteContract<P, Q, B, A>,
  handle: Handler<P, Q, B, A>,
): void {
  router[contract.method](contract.path, async (request, response) => {
    response.locals['route'] = contract.path;
    const { access } = contract;
    const guardianId = access === 'public' ? '' : (request.session.guardianId ?? '');
    if (access === 'operator') requireOperatorsPlace(router.given.config, request);
    else if (access !== 'public' && !guardianId) throw new HttpProblem('not-signed-in');
    if (contract.body) await readBody(contract.takesFile ? readers.file : readers.body, request, response);
    refuseUnsound('request body', request.body);
    refuseUnsound('address', [request.params, request.query]);
    const who = access === 'operator' ? (request.session.operatorId ?? '') : guardianId;
    const deps =
      // Who is signed in sees the rows of their own children, whatever a handler asks for.
      guardianId && access !== 'operator'
        ? { ...router.given, db: personalDb(router.given.db, guardianId) }
        : router.given;
    const call = {
      params: (contract.params ? parseText('path', contract.params, request.params) : {}) as Static<P>,
      query: (contract.query ? parseText('query', contract.query, request.query) : {}) as Static<Q>,
      body: (contract.body ? parse('request body', contract.body, request.body) : undefined) as Static<B>,
      ...{ deps, guardianId, request, response, left: leaving(response) },
    };
    send(contract, response, await answered(contract, call, { handle, who }));
  });
}
