import type { Static, TObject, TSchema } from '@sinclair/typebox';

/** One operation of the HTTP interface: the single definition that validates it, types it and documents it. */
export interface RouteContract<
  Params extends TObject = TObject,
  Query extends TObject = TObject,
  Body extends TSchema = TSchema,
  Answer extends TSchema = TSchema,
> {
  readonly method: 'get' | 'post' | 'patch' | 'delete';
  /** Express path; `:name` marks a parameter. */
  readonly path: string;
  readonly summary: string;
  readonly room: string;
  /** Who may call it at all; the rows it sees are scoped by the links of the caller. */
  readonly access: 'public' | 'signed-in' | 'demo' | 'operator';
  readonly params?: Params;
  readonly query?: Query;
  readonly body?: Body;
  readonly status: 200 | 201 | 202 | 204;
  readonly answer?: Answer;
  /** Media type of an answer that is no JSON. */
  readonly produces?: string;
  /** Whether a whole file comes in, as text in JSON. */
  readonly takesFile?: boolean;
  /** Media type of a file that comes in as it is: the handler reads it bit by bit from the request. */
  readonly takesBytes?: string;
  /** Whether an answer costs as much work as many others: each person has one of them made at a time. */
  readonly heavy?: boolean;
  /**
   * Whether an answer is given out again while nothing that it is made of has been touched. It is the guardian's own, and
   * made of nothing but what the database holds and the clock.
   */
  readonly stands?: boolean;
}

export const route = <P extends TObject, Q extends TObject, B extends TSchema, A extends TSchema>(
  contract: RouteContract<P, Q, B, A>,
): RouteContract<P, Q, B, A> => contract;

/** Any route of the contract. */
export type AnyRoute = RouteContract<TObject, TObject, TSchema, TSchema>;

/**
 * Whether a write is done once for the key that comes with it: no files, nothing without a session, and not the demo's
 * next day, which is meant each time.
 */
export const takesKey = ({ method, access, produces, takesBytes }: RouteContract): boolean =>
  method !== 'get' &&
  (access === 'signed-in' || access === 'operator') &&
  produces === undefined &&
  takesBytes === undefined;

/** What a schema lets through; `Otherwise` where the route has none. */
type Let<Schema extends TSchema, Any extends TSchema, Otherwise> = Any extends Schema
  ? Otherwise
  : Static<Schema>;

export type ParamsOf<R> =
  R extends RouteContract<infer P, TObject, TSchema, TSchema> ? Let<P, TObject, undefined> : never;
export type QueryOf<R> =
  R extends RouteContract<TObject, infer Q, TSchema, TSchema> ? Let<Q, TObject, undefined> : never;
export type BodyOf<R> =
  R extends RouteContract<TObject, TObject, infer B, TSchema> ? Let<B, TSchema, undefined> : never;
/** Null where a route answers nothing. */
export type AnswerOf<R> =
  R extends RouteContract<TObject, TObject, TSchema, infer A> ? Let<A, TSchema, null> : never;

type Part<Name extends string, Value> = [Value] extends [undefined]
  ? { readonly [N in Name]?: undefined }
  : Record<never, never> extends Value
    ? { readonly [N in Name]?: Value }
    : { readonly [N in Name]: Value };

/** What has to be given to call a route: each part that it has, and no other. */
export type AskOf<R> = Part<'params', ParamsOf<R>> & Part<'query', QueryOf<R>> & Part<'body', BodyOf<R>>;
