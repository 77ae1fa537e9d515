import type { Page } from '@playwright/test';
import { deploy } from './newerVersion';
import { expect, once, test } from './stack';

test.use({ serviceWorkers: 'allow', story: 'offline' });

const keepACopy = (page: Page) => page.getByRole('button', { name: 'Keep a copy, it’s my own device' });
const isSetUp = (page: Page) =>
  page.evaluate(() => navigator.serviceWorker.ready.then(({ active }) => active?.state !== 'redundant'));
const copiesOn = (page: Page): Promise<string[]> =>
  page.evaluate(async () => {
    const kept = (await caches.has('cadro.copies')) ? await (await caches.open('cadro.copies')).keys() : [];
    return kept.map(({ url }) => new URL(url).pathname);
  });
const waits = (page: Page) =>
  page.evaluate(async () => (await navigator.serviceWorker.ready).waiting !== null).catch(() => null);
const heading = (page: Page) => page.getByRole('heading', { level: 1 }).first();
const notLoaded = (page: Page) => page.getByText(/^This (couldn’t be loaded|isn’t on this device)/);

test('Cadro can be put on a home screen: its name, its address and its icons are as browsers ask', async ({
  guardian,
  page,
}) => {
  await guardian.signsIn();
  await isSetUp(page);
  const devtools = await page.context().newCDPSession(page);
  const { errors, data } = await devtools.send('Page.getAppManifest');
  expect(errors).toEqual([]);
  const manifest = JSON.parse(data ?? '') as { start_url: string; icons: { src: string; sizes: string }[] };
  expect(manifest).toMatchObject({ name: 'Cadro', start_url: '/brief', display: 'standalone' });
  for (const { src, sizes } of manifest.icons) {
    const icon = await page.request.get(src);
    expect(icon.status(), src).toBe(200);
    const side = await page.evaluate(async (of) => {
      const drawn = new Image();
      drawn.src = of;
      await drawn.decode();
      return drawn.naturalWidth;
    }, src);
    if (sizes !== 'any') expect(`${side}x${side}`, src).toBe(sizes);
  }
  expect((await devtools.send('Page.getInstallabilityErrors')).installabilityErrors).toEqual([]);
});

test('on one’s own device every place of each child opens without a connection, and says how old it is', async ({
  guardian,
  page,
}) => {
  await guardian.signsIn();
  await expect(heading(page)).toBeVisible();
  await isSetUp(page);
  expect(await copiesOn(page)).toEqual([]);
  await keepACopy(page).click();
  await expect(page.getByText('Read Cadro without a connection?')).toBeHidden();
  await expect.poll(() => copiesOn(page)).toContain('/filled');
  const courses = ((await (await page.request.get('/api/courses')).json()) as CoursesAnswer).courses;
  await page.context().setOffline(true);
  // What stands beside a list on a wide screen is there as well; all else is the same however wide it is.
  const listed = ['/brief', '/talk', '/alerts', '/work'];
  const places = ['/courses', '/days', '/settings', '/days/attendance', '/work/plan', '/talk/write'];
  const within = ['/talk/notes', '/talk/meetings', '/talk/contacts', '/talk/school'];
  const children = [...new Set(courses.map(({ studentId }) => studentId))];
  expect(children).toHaveLength(3);
  const ofEach = children.map((childId) => {
    const last = courses.findLast(({ studentId }) => studentId === childId);
    return `/courses/${childId}/${last?.id ?? ''}`;
  });
  const addresses = guardian.wide ? listed : [...listed, ...places, ...within, ...ofEach];
  for (const address of addresses) {
    await page.goto(address);
    await expect(heading(page), address).toBeVisible();
    await expect(page.getByText(/^No connection\. What you see is from /), address).toBeVisible();
    await expect(notLoaded(page), address).toHaveCount(0);
  }
  await page.goto('/brief');
  await expect(guardian.matter('Keel model')).toBeVisible();
  if (guardian.wide) await expect(page.getByRole('heading', { name: 'Keel model' })).toBeVisible();
  await guardian.findsScreenInOrder('the Brief without a connection');
  guardian.complaints.splice(0);
  await page.context().setOffline(false);
  await expect(page.getByText(/^No connection/)).toBeHidden();
  await expect(guardian.matter('Keel model')).toBeVisible();
});

interface CoursesAnswer {
  readonly courses: readonly { readonly id: string; readonly studentId: string }[];
}

test(
  'nothing of it stays after signing out, nor where another person signs in',
  once,
  async ({ guardian, page }) => {
    await guardian.signsIn();
    await isSetUp(page);
    await page.goto('/settings');
    await page.getByRole('button', { name: 'On this device, keeps nothing' }).click();
    await keepACopy(page).click();
    await expect(page.getByText(/^This device keeps a copy of the records/)).toBeVisible();
    await expect.poll(() => copiesOn(page)).toContain('/filled');
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page).toHaveURL(/\/sign-in$/);
    expect(await copiesOn(page)).toEqual([]);
    await page.context().setOffline(true);
    await page.goto('/brief');
    await expect(notLoaded(page)).toBeVisible();
    await page.context().setOffline(false);
    // Whoever keeps a copy here and comes back is not asked again; somebody else is, and finds none.
    await guardian.signsIn();
    await expect.poll(() => copiesOn(page)).toContain('/filled');
    await guardian.signsIn('tobiah');
    await expect(keepACopy(page).or(page.getByRole('button', { name: /^Guardar una copia/ }))).toBeVisible();
    expect(await copiesOn(page)).toEqual([]);
    await page.getByRole('button', { name: /^Keep nothing|^No guardar nada/ }).click();
    await expect(page.getByRole('heading', { name: /^Read Cadro without|^¿Leer Cadro sin/ })).toBeHidden();
    await page.reload();
    await expect(heading(page)).toBeVisible();
    await expect(page.getByRole('heading', { name: /^Read Cadro without|^¿Leer Cadro sin/ })).toBeHidden();
    expect(await copiesOn(page)).toEqual([]);
  },
);

test(
  'who signs out without a connection is told that the session goes on',
  once,
  async ({ guardian, page }) => {
    await guardian.signsIn('maren', '/settings');
    await page.getByRole('button', { name: 'On this device, keeps nothing' }).click();
    await keepACopy(page).click();
    await expect.poll(() => copiesOn(page)).toContain('/filled');
    await page.context().setOffline(true);
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page.getByText(/you’re still signed in/)).toBeVisible();
    expect(await copiesOn(page)).toEqual([]);
    await page.context().setOffline(false);
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page).toHaveURL(/\/sign-in$/);
  },
);

test('a newer version says that it is there, and takes over without losing what is being written', async ({
  guardian,
  page,
  running,
}) => {
  const deployed = await deploy(running.url);
  await guardian.signsIn('maren', `${deployed.url}/talk/notes`);
  await expect(heading(page)).toBeVisible();
  await isSetUp(page);
  const note = page.getByRole('textbox', { name: 'New note' });
  await note.fill('The rope is on the hook behind the door');
  deployed.renew();
  await page.evaluate(async () => void (await (await navigator.serviceWorker.ready).update()));
  await page.evaluate(() => Object.assign(window, { samePage: true }));
  await page.getByRole('button', { name: 'Use the new version' }).click();
  await page.waitForFunction(() => !('samePage' in window));
  await expect(note).toHaveValue('The rope is on the hook behind the door');
  await expect(page.getByText('There’s a new version of Cadro.')).toBeHidden();
  // One that waits when a page is opened is there from then on, without a question.
  deployed.renew();
  await page.evaluate(async () => void (await (await navigator.serviceWorker.ready).update()));
  await expect(page.getByText('There’s a new version of Cadro.')).toBeVisible();
  await page.goto(`${deployed.url}/talk/notes`);
  await expect.poll(() => waits(page)).toBe(false);
  await expect(note).toHaveValue('The rope is on the hook behind the door');
  await deployed.end();
});
