import {
  createApi,
  fetchBaseQuery,
  type BaseQueryFn,
  type EndpointBuilder,
  type MutationExtraOptions,
  type QueryExtraOptions,
} from '@reduxjs/toolkit/query/react';
import { takesKey, type AnswerOf, type AnyRoute, type AskOf, type Problem } from '@cadro/contract';
import { intents } from './intents';
import { firstWords, mayWait, putInOutbox, type Waiting } from './outbox';
import { sessionEnded, sessionOf } from './session';

export interface ServerProblem {
  readonly status: number;
  /** Null when the server could not be reached or did not answer with a problem. */
  readonly problem: Problem | null;
  /** Whether it waits in the outbox, and goes out by itself. */
  readonly waits?: boolean;
}

interface Ask {
  readonly route: AnyRoute;
  readonly params?: Readonly<Record<string, unknown>> | undefined;
  readonly query?: Readonly<Record<string, unknown>> | undefined;
  readonly body?: unknown;
}

function pathOf({ route, params = {}, query = {} }: Omit<Ask, 'body'>): string {
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
const answerOf =
  ({ produces }: AnyRoute) =>
  async (response: Response): Promise<unknown> =>
    response.ok && produces ? URL.createObjectURL(await response.blob()) : readJson(await response.text());
const readJson = (text: string): unknown => (text === '' ? null : JSON.parse(text));

/** So often a server that says when to ask again is asked again by itself. */
const mostTries = 3;
const secondMs = 1_000;
const tellsWhen = new Set<string | undefined>(['database-away', 'crowded', 'under-way']);

interface Tried {
  readonly data?: unknown;
  readonly error?: ServerProblem;
  /** The session of this page in which it was asked. */
  readonly session: number;
}
type Way = readonly [api: Parameters<typeof plain>[1], extra: Parameters<typeof plain>[2]];

async function tryOnce(args: Parameters<typeof plain>[0], ...way: Way): Promise<Tried> {
  const session = sessionOf(way[0].getState());
  const answer = await plain(args, ...way);
  if (!answer.error) return { data: answer.data ?? null, session };
  const status = typeof answer.error.status === 'number' ? answer.error.status : 0;
  return { error: { status, problem: isProblem(answer.error.data) ? answer.error.data : null }, session };
}

/** Asks again: when the server says, where it says so; at once, where one has signed in since it was asked. */
async function tryPatiently(args: Parameters<typeof plain>[0], ...way: Way): Promise<Tried> {
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

/** The id of who is signed in here, as far as the page knows. */
interface Known {
  readonly api?: { readonly queries: Readonly<Record<string, { readonly data?: unknown } | undefined>> };
}
const personOf = (state: unknown): string | null => {
  const me = (state as Known).api?.queries['me(undefined)']?.data;
  return typeof me === 'object' && me !== null && 'id' in me ? String(me.id) : null;
};

/** A write that did not reach the server goes to the outbox, where it is one that may wait. */
function keptForLater(ask: Ask, key: string, state: unknown): Waiting | null {
  const method = ask.route.method.toUpperCase();
  const pattern = `${method} ${ask.route.path}`;
  const personId = personOf(state);
  if (!(pattern in mayWait) || personId === null) return null;
  return {
    ...{ key, kind: mayWait[pattern as keyof typeof mayWait], says: firstWords(ask.body) },
    ...{ method, url: pathOf(ask), body: ask.body ?? null, personId, refused: null },
  };
}

/** Speaks by the contract: the route gives the method and the path. Every write has a key, by which it is done once. */
const byContract: BaseQueryFn<Ask, unknown, ServerProblem> = async (ask, api, extra) => {
  const { body, route } = ask;
  const url = pathOf(ask);
  const method = route.method.toUpperCase();
  const intent = takesKey(route) ? intents.of(`${method} ${url}`, JSON.stringify(body ?? null)) : null;
  const headers = {
    ...(intent ? { 'idempotency-key': `"${intent.key}"` } : {}),
    ...(route.takesBytes ? { 'content-type': route.takesBytes } : {}),
  };
  const args = {
    ...{ url, method, headers, responseHandler: answerOf(route) },
    ...(body === undefined ? {} : { body }),
  };
  const answer = await tryPatiently(args, api, extra);
  const { error } = answer;
  const reached = !error || (error.status > 0 && !tellsWhen.has(error.problem?.code) && error.status !== 502);
  if (intent && reached) intents.answered(intent);
  if (!error) return { data: answer.data };
  if (error.problem?.code === 'not-signed-in' && route.access === 'signed-in')
    api.dispatch(sessionEnded(answer.session));
  const waiting = intent && !reached ? keptForLater(ask, intent.key, api.getState()) : null;
  if (waiting === null) return { error };
  api.dispatch(putInOutbox(waiting));
  return { error: { ...error, waits: true } };
};

/** Kinds of what the server tells: what changes one of them asks for it again. */
export const tags = [
  'Me',
  'Record',
  'Talk',
  'Announced',
  'Begun',
  'Calendar',
  'Elsewhere',
  'Alerts',
  'Safety',
  'People',
  'Desk',
  'Notes',
  'Sitdown',
  'Meetings',
  'Operator',
] as const;
export type Tag = (typeof tags)[number];

/** One cache for all that comes from the server; the rooms add their endpoints. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: byContract,
  tagTypes: [...tags],
  refetchOnFocus: true,
  refetchOnReconnect: true,
  endpoints: () => ({}),
});

type Build = EndpointBuilder<typeof byContract, Tag, 'api'>;
type QueryMore<R extends AnyRoute, Arg> = Omit<
  QueryExtraOptions<Tag, AnswerOf<R>, Arg, typeof byContract, 'api', unknown>,
  'type'
>;
type MutationMore<R extends AnyRoute, Arg> = Omit<
  MutationExtraOptions<Tag, AnswerOf<R>, Arg, typeof byContract, 'api', unknown>,
  'type'
>;

/** What a route needs, made from an endpoint's own argument. */
const asked = <R extends AnyRoute>(route: R, ask: AskOf<R>): Ask => ({
  route,
  ...(ask as Omit<Ask, 'route'>), // the same three members, in the types of one route
});

/** Of a route that needs nothing. */
export const nothing: (none: void) => Record<string, never> = () => ({});

/** Endpoints that take their answers' types and what they must be given from a route of the contract. */
const byRoutes = (build: Build) => ({
  query: <R extends AnyRoute, Arg>(route: R, ask: (arg: Arg) => AskOf<R>, more: QueryMore<R, Arg> = {}) =>
    build.query<AnswerOf<R>, Arg>({ ...more, query: (arg) => asked(route, ask(arg)) }),
  mutation: <R extends AnyRoute, Arg>(
    route: R,
    ask: (arg: Arg) => AskOf<R>,
    more: MutationMore<R, Arg> = {},
  ) => build.mutation<AnswerOf<R>, Arg>({ ...more, query: (arg) => asked(route, ask(arg)) }),
  /** Of a route that takes a file as it is. */
  upload: <R extends AnyRoute, Arg extends { readonly file: Blob }>(
    route: R,
    ask: (arg: Arg) => AskOf<R>,
    more: MutationMore<R, Arg> = {},
  ) =>
    build.mutation<AnswerOf<R>, Arg>({
      ...more,
      query: (arg) => ({ ...asked(route, ask(arg)), body: arg.file }),
    }),
  /** Of a route that makes a file: answers the address by which the browser has it. */
  file: <R extends AnyRoute, Arg>(route: R, ask: (arg: Arg) => AskOf<R>) =>
    build.mutation<string, Arg>({ query: (arg) => asked(route, ask(arg)) }),
});

type Dispatch = Parameters<NonNullable<MutationMore<AnyRoute, unknown>['onQueryStarted']>>[1]['dispatch'];

/**
 * Puts what a change answers where it is shown, before whoever made the change is told of it; for a mutation's own options.
 * @param put does that, with the thing as the change has left it
 */
export const knownAtOnce = <T>(put: (left: T, dispatch: Dispatch) => void) => ({
  async onQueryStarted(
    _asked: unknown,
    { dispatch, queryFulfilled }: { dispatch: Dispatch; queryFulfilled: PromiseLike<{ data: T }> },
  ): Promise<void> {
    await queryFulfilled.then(
      ({ data }) => put(data, dispatch),
      () => undefined,
    );
  },
});

/** A room's endpoints, for `api.injectEndpoints`. */
export const endpointsBy =
  <Endpoints>(made: (by: ReturnType<typeof byRoutes>) => Endpoints) =>
  (build: Build): Endpoints =>
    made(byRoutes(build));
