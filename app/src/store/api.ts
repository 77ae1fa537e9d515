import {
  createApi,
  type BaseQueryFn,
  type EndpointBuilder,
  type MutationExtraOptions,
  type QueryExtraOptions,
} from '@reduxjs/toolkit/query/react';
import { takesKey, type AnswerOf, type AnyRoute, type AskOf } from '@cadro/contract';
import { answerOf, pathOf, tellsWhen, tryPatiently, type Ask, type ServerProblem } from './asking';
import { dropCopies } from './copies';
import { intents } from './intents';
import { firstWords, mayWait, putInOutbox, type Waiting } from './outbox';
import { sessionEnded } from './session';
import { personOf, withCopies } from './standIn';

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
  const answer = await withCopies(ask, () => tryPatiently(args, api, extra), api);
  const { error } = answer;
  const reached = !error || (error.status > 0 && !tellsWhen.has(error.problem?.code) && error.status !== 502);
  if (intent && reached) intents.answered(intent);
  if (!error) return { data: answer.data };
  if (error.problem?.code === 'not-signed-in' && route.access === 'signed-in') {
    api.dispatch(sessionEnded(answer.session));
    void dropCopies();
  }
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
  /** As a query, of what may be read without a connection: a copy of the answer stays, where the device is one's own. */
  kept: <R extends AnyRoute, Arg>(route: R, ask: (arg: Arg) => AskOf<R>, more: QueryMore<R, Arg> = {}) =>
    build.query<AnswerOf<R>, Arg>({ ...more, query: (arg) => ({ ...asked(route, ask(arg)), kept: true }) }),
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
