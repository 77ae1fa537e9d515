import {
  createApi,
  fetchBaseQuery,
  type BaseQueryFn,
  type EndpointBuilder,
  type MutationExtraOptions,
  type QueryExtraOptions,
} from '@reduxjs/toolkit/query/react';
import type { AnswerOf, AnyRoute, AskOf, Problem } from '@cadro/contract';

export interface ServerProblem {
  readonly status: number;
  /** Null when the server could not be reached or did not answer with a problem. */
  readonly problem: Problem | null;
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

const isProblem = (data: unknown): data is Problem =>
  typeof data === 'object' && data !== null && 'code' in data;

/** A file that is answered waits in the browser under an address of its own; all else is JSON. */
const answerOf =
  ({ produces }: AnyRoute) =>
  async (response: Response): Promise<unknown> =>
    response.ok && produces ? URL.createObjectURL(await response.blob()) : readJson(await response.text());
const readJson = (text: string): unknown => (text === '' ? null : JSON.parse(text));

/** Speaks by the contract: the route gives the method and the path. */
const byContract: BaseQueryFn<Ask, unknown, ServerProblem> = async ({ body, ...ask }, api, extra) => {
  const { takesBytes } = ask.route;
  const answer = await plain(
    {
      ...{ url: pathOf(ask), method: ask.route.method.toUpperCase(), responseHandler: answerOf(ask.route) },
      ...(body === undefined ? {} : { body }),
      ...(takesBytes ? { headers: { 'content-type': takesBytes } } : {}),
    },
    api,
    extra,
  );
  if (!answer.error) return { data: answer.data ?? null };
  const status = typeof answer.error.status === 'number' ? answer.error.status : 0;
  return { error: { status, problem: isProblem(answer.error.data) ? answer.error.data : null } };
};

/** Kinds of what the server tells: what changes one of them asks for it again. */
export const tags = [
  'Me',
  'Record',
  'Talk',
  'Begun',
  'Calendar',
  'Elsewhere',
  'Alerts',
  'Safety',
  'People',
  'Desk',
  'Operator',
] as const;
type Tag = (typeof tags)[number];

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

/** A room's endpoints, for `api.injectEndpoints`. */
export const endpointsBy =
  <Endpoints>(made: (by: ReturnType<typeof byRoutes>) => Endpoints) =>
  (build: Build): Endpoints =>
    made(byRoutes(build));
