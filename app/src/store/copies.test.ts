/**
 * What stays on a device of answers, and what stands in for one where nobody answers.
 * @jest-environment node
 */
import { configureStore } from '@reduxjs/toolkit';
import { gradebookRoutes, householdRoutes, noteRoutes } from '@cadro/contract';
import { api, endpointsBy, nothing } from './api';
import { copyOf, dropCopies } from './copies';
import { outboxSlice } from './outbox';
import { deviceSaid, prefsSlice, type Device } from './prefs';
import { oldestShown, reachSlice } from './reach';
import { sessionSlice } from './session';
import { replaceGlobals } from '../testing/globals';

const places = new Map<string, Map<string, Response>>();
/** A browser's store of answers, as far as it is asked here. */
const fakeCaches = {
  open: (name: string) => {
    const place = places.get(name) ?? new Map<string, Response>();
    places.set(name, place);
    return Promise.resolve({
      put: (address: string, answer: Response) => Promise.resolve(void place.set(address, answer)),
      match: (address: string) => Promise.resolve(place.get(address)?.clone()),
      delete: (address: string) => Promise.resolve(place.delete(address)),
    });
  },
  delete: (name: string) => Promise.resolve(places.delete(name)),
};

let next: () => Promise<Response>;
const answers =
  (body: unknown, status = 200) =>
  () =>
    Promise.resolve(
      new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } }),
    );
const nobody = () => Promise.reject(new TypeError('fetch failed'));

class PageRequest {
  clone = () => this;
}
replaceGlobals({ caches: fakeCaches, Request: PageRequest, fetch: () => next() });
beforeEach(() => dropCopies());

const { endpoints } = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    me: by.kept(householdRoutes.me, nothing),
    courses: by.kept(gradebookRoutes.courses, nothing),
    course: by.kept(gradebookRoutes.course, (params: { studentId: string; courseId: string }) => ({
      params,
    })),
    notes: by.query(noteRoutes.list, () => ({ query: {} })),
  })),
});

const maren: Device = { personId: 'maren', own: true };
async function page(device: Device | null = maren, person = 'maren') {
  const store = configureStore({
    reducer: {
      [api.reducerPath]: api.reducer,
      outbox: outboxSlice.reducer,
      session: sessionSlice.reducer,
      prefs: prefsSlice.reducer,
      reach: reachSlice.reducer,
    },
    middleware: (usual) => usual().concat(api.middleware),
  });
  store.dispatch(deviceSaid(device));
  next = answers({ id: person });
  await store.dispatch(endpoints.me.initiate(undefined));
  return store;
}
const { path } = gradebookRoutes.courses;

it('a copy of what is answered stays, with when it came', async () => {
  const store = await page();
  next = answers({ courses: [] });
  const before = Date.now();
  await store.dispatch(endpoints.courses.initiate(undefined));
  const copy = await copyOf(path);
  expect(copy?.data).toEqual({ courses: [] });
  expect(copy?.cameAt).toBeGreaterThanOrEqual(before);
});

it.each([
  ['nobody has said whose device it is', null, 'maren'],
  ['others use the device, too', { personId: 'maren', own: false }, 'maren'],
  ['it is somebody else’s device', maren, 'tobiah'],
])('nothing stays where %s', async (_name, device, person) => {
  await dropCopies();
  const store = await page(device, person);
  await dropCopies();
  next = answers({ courses: [] });
  await store.dispatch(endpoints.courses.initiate(undefined));
  expect(await copyOf(path)).toBeNull();
});

it('of a question that is not marked so nothing stays', async () => {
  const store = await page();
  next = answers({ notes: [] });
  await store.dispatch(endpoints.notes.initiate(undefined));
  expect(await copyOf(noteRoutes.list.path)).toBeNull();
});

it('where nobody answers the copy stands in, and its age is known until there is an answer', async () => {
  const first = await page();
  next = answers({ courses: ['one'] });
  await first.dispatch(endpoints.courses.initiate(undefined));
  const cameAt = (await copyOf(path))?.cameAt;

  const store = await page();
  next = nobody;
  const asked = store.dispatch(endpoints.courses.initiate(undefined));
  expect(await asked).toMatchObject({ data: { courses: ['one'] } });
  const { reach } = store.getState();
  expect(reach.away).toBe(true);
  expect(oldestShown(reach, ['courses(undefined)'])).toBe(cameAt);

  next = answers({ courses: ['two'] });
  await asked.refetch();
  expect(store.getState().reach).toMatchObject({ away: false, copies: {} });
  expect(oldestShown(store.getState().reach, ['courses(undefined)'])).toBeNull();
});

it('a page that has its answer keeps it, and says that nobody answers', async () => {
  const store = await page();
  next = answers({ courses: ['on the page'] });
  const asked = store.dispatch(endpoints.courses.initiate(undefined));
  await asked;
  next = nobody;
  const { data, isError } = await asked.refetch();
  expect({ data, isError }).toEqual({ data: { courses: ['on the page'] }, isError: true });
  expect(store.getState().reach.copies).toEqual({});
  expect(store.getState().reach.away).toBe(true);
});

it('without a copy there is only the failure', async () => {
  const store = await page();
  next = nobody;
  expect(await store.dispatch(endpoints.courses.initiate(undefined))).toMatchObject({ error: { status: 0 } });
});

it('what may not be seen any more is kept no longer; nothing is, once the session is over', async () => {
  const store = await page();
  const ask = { studentId: 'isolde', courseId: 'kelp' };
  const address = '/api/students/isolde/courses/kelp';
  next = answers({ title: 'Kelp chemistry' });
  const asked = store.dispatch(endpoints.course.initiate(ask));
  await asked;
  next = answers({ courses: [] });
  const courses = store.dispatch(endpoints.courses.initiate(undefined));
  await courses;
  expect(await copyOf(address)).not.toBeNull();
  next = answers({ code: 'not-found', status: 404 }, 404);
  await asked.refetch();
  expect(await copyOf(address)).toBeNull();
  expect(await copyOf(path)).not.toBeNull();
  next = answers({ code: 'not-signed-in', status: 401 }, 401);
  await courses.refetch();
  expect(await copyOf(path)).toBeNull();
});

it('an answer that was asked for before all were dropped is not kept', async () => {
  const store = await page();
  let answer: (given: Response) => void = () => undefined;
  next = () => new Promise((done) => (answer = done));
  const asked = store.dispatch(endpoints.courses.initiate(undefined));
  await dropCopies();
  answer(await answers({ courses: [] })());
  await asked;
  expect(await copyOf(path)).toBeNull();
});

it('what came before the connection broke is as old as the last that was heard', () => {
  const reach = { away: true, heardAt: 500, copies: { old: 100 }, newVersion: false };
  expect(oldestShown(reach, ['fresh'])).toBe(500);
  expect(oldestShown(reach, ['fresh', 'old'])).toBe(100);
  expect(oldestShown(reach, [])).toBe(500);
  expect(oldestShown({ ...reach, away: false }, ['old'])).toBeNull();
  expect(oldestShown({ ...reach, heardAt: null, copies: {} }, [])).toBeNull();
});
