import { fetchBaseQuery, type FetchArgs } from '@reduxjs/toolkit/query/react';
import type { AnyRoute, AskOf, Problem } from '@cadro/contract';
import { sessionOf } from './session';
import { keepTagged, taggedOf } from './tagged';

export interface ServerProblem {
  readonly status: number;
  /** Null when the server could not be reached or did not answer with a problem. */
  readonly problem: Problem | null;
  /** Whether it waits in the outbox, and goes out by itself. */
  readonly waits?: boolean;
}

export interface Ask {
  readonly route: AnyRoute;
  readonly params?: Readonly<Record<string, unknown>> | undefined;
  readonly query?: Readonly<Record<string, unknown>> | undefined;
  readonly body?: unknown;
  /** Whether a copy of the answer may stay on this device. */
  readonly kept?: boolean;
}

export function pathOf({ route, params = {}, query = {} }: Omit<Ask, 'body' | 'kept'>): string {
  const path = route.path.replace(/:(\w+)/g, (_whole, name: string) =>
    encodeURIComponent(String(params[name] ?? '')),
  );
  const named = Object.entries(query).filter(([, value]) => value !== undefined && value !== '');
  const search = new URLSearchParams(named.map(([name, value]) => [name, String(value)])).toString();
  return search ? `${path}?${search}` : path;
}

/** Where a route's answer stands, for links the browser follows by itself. */
export const addressOf = <R extends AnyRoute>(route: R, ask: Omit<AskOf<R>, 'body'>): string =>
  pathOf({ route, ...(ask as Pick<Ask, 'params' | 'query'>) });

const plain = fetchBaseQuery({ baseUrl: '/', credentials: 'same-origin' });

export const isProblem = (data: unknown): data is Problem =>
  typeof data === 'object' && data !== null && 'code' in data;

const wait = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

/** A file that is answered waits in the browser under an address of its own; all else is JSON. */
export const answerOf =
  ({ produces }: AnyRoute) =>
  async (response: Response): Promise<unknown> =>
    response.ok && produces ? URL.createObjectURL(await response.blob()) : readJson(await response.text());
const readJson = (text: string): unknown => (text === '' ? null : JSON.parse(text));

/** So often a server that says when to ask again is asked again by itself. */
const mostTries = 3;
const secondMs = 1_000;
export const tellsWhen = new Set<string | undefined>(['database-away', 'crowded', 'under-way']);

export interface Tried {
  readonly data?: unknown;
  readonly error?: ServerProblem;
  /** The session of this page in which it was asked. */
  readonly session: number;
}
export type Way = readonly [api: Parameters<typeof plain>[1], extra: Parameters<typeof plain>[2]];

const notModified = 304;
const isAnswered = ({ ok, status }: Response): boolean => ok || status === notModified;

/** Asks whether what is known is still so, where it came with a tag. */
async function tryOnce(args: FetchArgs, ...way: Way): Promise<Tried> {
  const session = sessionOf(way[0].getState());
  const known = args.method === 'GET' ? taggedOf(args.url, session) : null;
  const headers = known ? { ...args.headers, 'if-none-match': known.etag } : args.headers;
  const answer = await plain({ ...args, headers, validateStatus: isAnswered }, ...way);
  if (!answer.error) {
    const response = answer.meta?.response;
    if (known && response?.status === notModified) return { data: known.data, session };
    const etag = response?.headers.get('etag');
    if (etag) keepTagged(args.url, { session, etag, data: answer.data });
    return { data: answer.data ?? null, session };
  }
  const status = typeof answer.error.status === 'number' ? answer.error.status : 0;
  return { error: { status, problem: isProblem(answer.error.data) ? answer.error.data : null }, session };
}

/** Asks again: when the server says, where it says so; at once, where one has signed in since it was asked. */
export async function tryPatiently(args: FetchArgs, ...way: Way): Promise<Tried> {
  let answer = await tryOnce(args, ...way);
  for (let tries = 1; tries < mostTries; tries += 1) {
    const problem = answer.error?.problem;
    const signedIn = problem?.code === 'not-signed-in' && sessionOf(way[0].getState()) !== answer.session;
    if (!signedIn && !tellsWhen.has(problem?.code)) break;
    if (!signedIn) await wait((problem?.retryAfterSeconds ?? 1) * secondMs);
    answer = await tryOnce(args, ...way);
  }
  return answer;
}
