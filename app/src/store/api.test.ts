/**
 * How the app speaks to the server.
 * @jest-environment node
 */
import { configureStore } from '@reduxjs/toolkit';
import { followUpRoutes, gradebookRoutes } from '@cadro/contract';
import { api } from './api';

const asked: { url: string; method: string; body: string | null }[] = [];
let next: () => Promise<Response>;
const answer = (body: string, status: number) => () =>
  Promise.resolve(new Response(body, { status, headers: { 'content-type': 'application/json' } }));

/** A browser's request may have an address without a host. */
class PageRequest {
  constructor(
    readonly url: string,
    readonly init: { method: string; body?: string },
  ) {}
  clone = () => this;
}
beforeAll(() => {
  Object.assign(globalThis, {
    Request: PageRequest,
    fetch: ({ url, init }: PageRequest) => {
      asked.push({ url, method: init.method, body: init.body ?? null });
      return next();
    },
  });
});
beforeEach(() => asked.splice(0));

const { endpoints } = api.injectEndpoints({
  endpoints: (build) => ({
    course: build.query<unknown, { studentId: string; courseId: string }>({
      query: (params) => ({ route: gradebookRoutes.course, params }),
    }),
    take: build.mutation<unknown, object>({ query: (body) => ({ route: followUpRoutes.create, body }) }),
  }),
});
const fresh = () =>
  configureStore({
    reducer: { [api.reducerPath]: api.reducer },
    middleware: (usual) => usual().concat(api.middleware),
  });

it('puts parameters where the route has them, safely', async () => {
  next = answer('{"title":"Boat-building"}', 200);
  const { data } = await fresh().dispatch(endpoints.course.initiate({ studentId: 'a/b', courseId: 'c?d' }));
  expect(data).toEqual({ title: 'Boat-building' });
  expect(asked).toEqual([{ url: '/api/students/a%2Fb/courses/c%3Fd', method: 'GET', body: null }]);
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
