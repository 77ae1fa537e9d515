import type { Page } from '@playwright/test';
import { expect } from '@playwright/test';
import { addressIn } from '../newcomers';
import type { RunningStack } from '../stack';

/* A family whose school hands nothing over, as the journey that begins it leaves it, without walking there. */

export const familyPassword = 'lantern wicks for thirty herons';

/** Somebody has an account with a confirmed address, and is signed in. */
export async function hasAccount(
  page: Page,
  running: RunningStack,
  { name, email }: { name: string; email: string },
): Promise<void> {
  const { request } = page;
  const account = { name, email, password: familyPassword, language: 'en' };
  expect((await request.post('/api/door/later', { data: account })).status()).toBe(202);
  const address = await addressIn(running, page, email, /^Finish setting up/);
  const token = new URL(address).hash.slice(1);
  expect((await request.post('/api/door/confirm', { data: { token } })).status()).toBe(200);
  const signIn = { email, password: familyPassword };
  expect((await request.post('/api/session', { data: signIn })).status()).toBe(200);
}

/**
 * A child has been added by hand, with a course where one is named.
 * @param term of the school year, as dates.
 */
export async function hasOwnChild(
  { request }: Page,
  child: { name: string; school: string; course?: string },
  term: { startsOn: string; endsOn: string },
): Promise<void> {
  const names = { givenName: child.name, familyName: '', year: '', schoolName: child.school };
  const data = { ...names, timeZone: 'UTC', term: { title: 'Fall', ...term } };
  const added = await request.post('/api/own/children', { data });
  expect(added.status()).toBe(201);
  if (!child.course) return;
  const own = `/api/own/children/${((await added.json()) as { id: string }).id}`;
  const { terms } = (await (await request.get(own)).json()) as { terms: { id: string }[] };
  const rules = { adds: 'together', missing: 'zero', scale: 'letters' };
  const named = { id: null, title: child.course, teacher: null, teacherEmail: null };
  const course = { ...named, termId: terms[0]?.id, ...rules, categories: [] };
  expect((await request.post(`${own}/courses`, { data: course })).status()).toBe(200);
}
