import { createApi, fetchBaseQuery, type BaseQueryFn } from '@reduxjs/toolkit/query/react';
import type { Problem, RouteContract } from '@cadro/contract';

export interface ServerProblem {
  readonly status: number;
  /** Null when the server could not be reached or did not answer with a problem. */
  readonly problem: Problem | null;
}

export interface Ask {
  readonly route: RouteContract;
  readonly params?: Readonly<Record<string, string>>;
  readonly query?: Readonly<Record<string, string>>;
  readonly body?: unknown;
}

/** Where a route's answer stands, for links the browser follows by itself. */
export const addressOf = ({ route, params = {}, query = {} }: Omit<Ask, 'body'>): string => {
  const path = route.path.replace(/:(\w+)/g, (_whole, name: string) =>
    encodeURIComponent(params[name] ?? ''),
  );
  const search = new URLSearchParams(query).toString();
  return search ? `${path}?${search}` : path;
};

const plain = fetchBaseQuery({ baseUrl: '/', credentials: 'same-origin' });

const isProblem = (data: unknown): data is Problem =>
  typeof data === 'object' && data !== null && 'code' in data;

/** Speaks by the contract: the route gives the method and the path. */
const byContract: BaseQueryFn<Ask, unknown, ServerProblem> = async ({ body, ...ask }, api, extra) => {
  const answer = await plain(
    { url: addressOf(ask), method: ask.route.method.toUpperCase(), ...(body === undefined ? {} : { body }) },
    api,
    extra,
  );
  if (!answer.error) return { data: answer.data ?? null };
  const status = typeof answer.error.status === 'number' ? answer.error.status : 0;
  return { error: { status, problem: isProblem(answer.error.data) ? answer.error.data : null } };
};

/** One cache for all that comes from the server; the rooms add their endpoints. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: byContract,
  tagTypes: ['Me', 'Record', 'Talk', 'Calendar', 'Elsewhere', 'Alerts'],
  refetchOnFocus: true,
  refetchOnReconnect: true,
  endpoints: () => ({}),
});
