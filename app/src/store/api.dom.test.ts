/**
 * How the app speaks to the server.
 * @jest-environment node
 */
import { configureStore } from '@reduxjs/toolkit';
import { allRoutes, followUpRoutes, gradebookRoutes, householdRoutes, workRoutes } from '@cadro/contract';
import { api } from './api';
import { dropCopies } from './copies';
import { mayWait, outboxSlice } from './outbox';
import { sessionBegun, sessionSlice } from './session';
import { replaceGlobals } from '../testing/globals';

const asked: { url: string; method: string; body: string | null }[] = [];
const keys: (string | null)[] = [];
const has: (string | null)[] = [];
let next: () => Promise<Response>;
const answer = (body: string, status: number) => () =>
  Promise.resolve(new Response(body, { status, headers: { 'content-type': 'application/json' } }));

/** A browser's request may have an address without a host. */
class PageRequest {
  constructor(
    readonly url: string,
    readonly init: { method: string; body?: string; headers: Headers },
  ) {}
  clone = () => this;
}
replaceGlobals({
  Request: PageRequest,
  fetch: ({ url, init }: PageRequest) => {
    asked.push({ url, method: init.method, body: init.body ?? null });
    keys.push(new Headers(init.headers).get('idempotency-key'));
    has.push(new Headers(init.headers).get('if-none-match'));
    return next();
  },
});
beforeEach(() => {
  asked.splice(0);
  keys.splice(0);
  has.splice(0);
});

const { endpoints } = api.injectEndpoints({
  endpoints: (build) => ({
    course: build.query<unknown, { studentId: string; courseId: string }>({
      query: (params) => ({ route: gradebookRoutes.course, params }),
    }),
    work: build.query<unknown, undefined>({ query: () => ({ route: workRoutes.work }) }),
    me: build.query<unknown, undefined>({ query: () => ({ route: householdRoutes.me }) }),
    take: build.mutation<unknown, object>({ query: (body) => ({ route: followUpRoutes.create, body }) }),
  }),
});
const fresh = () =>
  configureStore({
    reducer: {
      [api.reducerPath]: api.reducer,
      outbox: outboxSlice.reducer,
      session: sessionSlice.reducer,
    },
    middleware: (usual) => usual().concat(api.middleware),
  });

it('puts parameters where the route has them, safely', async () => {
  next = answer('{"title":"Boat-building"}', 200);
  const { data } = await fresh().dispatch(endpoints.course.initiate({ studentId: 'a/b', courseId: 'c?d' }));
  expect(data).toEqual({ title: 'Boat-building' });
  expect(asked).toEqual([{ url: '/api/students/a%2Fb/courses/c%3Fd', method: 'GET', body: null }]);
});

it('asks whether what came with a tag is still so, and has it then without its being sent', async () => {
  const store = fresh();
  const read = () => store.dispatch(endpoints.work.initiate(undefined, { forceRefetch: true }));
  const tagged = (etag: string, body: string | null, status: number) => () =>
    Promise.resolve(new Response(body, { status, headers: { etag } }));
  next = tagged('"one"', '{"works":1}', 200);
  expect((await read()).data).toEqual({ works: 1 });
  next = tagged('"one"', null, 304);
  expect((await read()).data).toEqual({ works: 1 });
  next = tagged('"two"', '{"works":2}', 200);
  expect((await read()).data).toEqual({ works: 2 });
  next = tagged('"two"', null, 304);
  expect((await read()).data).toEqual({ works: 2 });
  // Whoever signs in after somebody else has nothing of theirs.
  store.dispatch(sessionBegun());
  next = tagged('"three"', '{"works":3}', 200);
  expect((await read()).data).toEqual({ works: 3 });
  // Nor is anything left once copies are dropped, as they are when somebody signs out.
  await dropCopies();
  next = tagged('"three"', '{"works":3}', 200);
  expect((await read()).data).toEqual({ works: 3 });
  expect(has).toEqual([null, '"one"', '"one"', '"two"', null, null]);
});

it('sends a body, and hands a problem on with its code', async () => {
  next = answer('{"code":"edited-meanwhile","status":409,"current":{"id":"f"}}', 409);
  const { error } = await fresh().dispatch(endpoints.take.initiate({ title: 'A talk' }));
  expect(error).toMatchObject({ status: 409, problem: { code: 'edited-meanwhile', current: { id: 'f' } } });
  expect(asked).toEqual([{ url: '/api/followups', method: 'POST', body: '{"title":"A talk"}' }]);
});

it.each([
  ['a server that is not there', () => Promise.reject(new TypeError('fetch failed'))],
  ['an answer that is no problem of ours', answer('<p>bad gateway</p>', 502)],
])('has no code for %s', async (_name, what) => {
  next = what;
  const { error } = await fresh().dispatch(endpoints.take.initiate({}));
  expect(error).toMatchObject({ problem: null });
});

describe('a write', () => {
  it('has a key, by which another try is the same; what is read has none', async () => {
    const store = fresh();
    next = () => Promise.reject(new TypeError('fetch failed'));
    await store.dispatch(endpoints.take.initiate({ title: 'Once' }));
    next = answer('{}', 201);
    await store.dispatch(endpoints.take.initiate({ title: 'Once' }));
    await store.dispatch(endpoints.course.initiate({ studentId: 'a', courseId: 'b' }));
    expect(keys[0]).toMatch(/^"[\w-]{21}"$/);
    expect(keys).toEqual([keys[0], keys[0], null]);
  });

  it('is tried again by itself where the server says when', async () => {
    jest.useFakeTimers();
    const away = '{"code":"database-away","status":503,"retryAfterSeconds":3}';
    const answers = [answer(away, 503), answer(away, 503), answer('{"id":"f"}', 201)];
    next = () => (answers.shift() ?? answer('{}', 500))();
    const asking = fresh().dispatch(endpoints.take.initiate({ title: 'Patience' }));
    await jest.advanceTimersByTimeAsync(6_000);
    jest.useRealTimers();
    expect(await asking).toMatchObject({ data: { id: 'f' } });
    expect(new Set(keys).size).toBe(1);
    expect(keys).toHaveLength(3);
  });

  it('waits in the outbox where the server cannot be reached, under its key, for who wrote it', async () => {
    const store = fresh();
    next = answer('{"id":"maren"}', 200);
    await store.dispatch(endpoints.me.initiate(undefined));
    next = () => Promise.reject(new TypeError('fetch failed'));
    const { error } = await store.dispatch(endpoints.take.initiate({ title: 'In a tunnel' }));
    expect(error).toMatchObject({ waits: true });
    await store.dispatch(endpoints.take.initiate({ title: 'In a tunnel' }));
    expect(store.getState().outbox.waiting).toEqual([
      {
        ...{ key: keys[1]?.slice(1, -1), kind: 'inHand', says: 'In a tunnel', method: 'POST' },
        ...{ url: '/api/followups', body: { title: 'In a tunnel' }, personId: 'maren', refused: null },
      },
    ]);
  });

  it('does not wait where nobody is signed in', async () => {
    const store = fresh();
    next = () => Promise.reject(new TypeError('fetch failed'));
    const { error } = await store.dispatch(endpoints.take.initiate({ title: 'Nobody' }));
    expect(error).not.toHaveProperty('waits');
    expect(store.getState().outbox.waiting).toEqual([]);
  });

  it('that may wait is one of the contract', () => {
    const known = allRoutes.map(({ method, path }) => `${method.toUpperCase()} ${path}`);
    expect(Object.keys(mayWait).filter((each) => !known.includes(each))).toEqual([]);
  });
});

it('tells the page that its session has ended, and not who looks for one', async () => {
  const store = fresh();
  next = answer('{"code":"not-signed-in","status":401}', 401);
  await store.dispatch(endpoints.take.initiate({ title: 'Late' }));
  expect(store.getState().session.ended).toBe(true);
});

it('asks again, and tells nobody that the session has ended, where one has begun while it was asked', async () => {
  const store = fresh();
  const answers = [answer('{"code":"not-signed-in","status":401}', 401), answer('{"id":"f"}', 201)];
  let goesOn: () => void = () => undefined;
  const held = new Promise<void>((done) => {
    goesOn = done;
  });
  next = () => held.then(() => (answers.shift() ?? answer('{}', 500))());
  const asking = store.dispatch(endpoints.take.initiate({ title: 'Asked before' }));
  store.dispatch(sessionBegun());
  goesOn();
  expect(await asking).toMatchObject({ data: { id: 'f' } });
  expect(store.getState().session.ended).toBe(false);
  expect(new Set(keys).size).toBe(1);
});
