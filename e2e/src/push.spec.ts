import type { Page } from '@playwright/test';
import { expect, test } from './stack';

test.use({ serviceWorkers: 'allow', story: 'push', permissions: ['notifications'] });

interface Reach {
  readonly endpoint: string;
  readonly keys: { readonly p256dh: string; readonly auth: string };
}
interface Arrival {
  readonly channel: string;
  readonly to: string;
  readonly subject: string;
  readonly text: string;
  readonly headers: { readonly payload: string };
}

/** A place at which a device is reached. */
const newReach = async (schoolUrl: string): Promise<Reach> =>
  (await (await fetch(`${schoolUrl}/demo/devices`, { method: 'POST' })).json()) as Reach;

/** What has arrived at one place. */
const arrivalsAt =
  (schoolUrl: string, { endpoint }: Reach) =>
  async (): Promise<Arrival[]> => {
    const { arrivals } = (await (await fetch(`${schoolUrl}/demo/arrivals`)).json()) as {
      arrivals: Arrival[];
    };
    return arrivals.filter(({ channel, to }) => channel === 'push' && to === endpoint.split('/').at(-1));
  };

/** The browser of the tests has no push service behind it: what it would ask of one, the demo's answers. */
async function hasPushService(page: Page, schoolUrl: string) {
  const reach = await newReach(schoolUrl);
  await page.addInitScript((given) => {
    const key = 'asked-for';
    const own = {
      toJSON: () => given,
      unsubscribe: () => Promise.resolve(localStorage.removeItem(key) === undefined),
    } as unknown as PushSubscription;
    PushManager.prototype.subscribe = () => {
      localStorage.setItem(key, 'yes');
      return Promise.resolve(own);
    };
    PushManager.prototype.getSubscription = () =>
      Promise.resolve(localStorage.getItem(key) === null ? null : own);
  }, reach);
  return arrivalsAt(schoolUrl, reach);
}

/** Hands what arrived to what runs beside the page, as the browser's own push service would. */
async function handsOver(page: Page, data: string): Promise<void> {
  const devtools = await page.context().newCDPSession(page);
  const registered = new Promise<string>((done) => {
    devtools.on('ServiceWorker.workerRegistrationUpdated', ({ registrations }) => {
      const [first] = registrations;
      if (first) done(first.registrationId);
    });
  });
  await devtools.send('ServiceWorker.enable');
  const { origin } = new URL(page.url());
  await devtools.send('ServiceWorker.deliverPushMessage', { origin, registrationId: await registered, data });
}
/**
 * What runs beside the page, in a browser that draws no notifications: what it would have drawn is kept, by what a system
 * tells them apart by; and somebody may touch the first of it.
 */
async function watchesDrawn(page: Page) {
  const [worker] = page.context().serviceWorkers();
  if (!worker) throw new Error('nothing runs beside the page');
  await worker.evaluate(`{
    self.drawn = new Map();
    self.registration.showNotification = (title, { body, tag, data }) =>
      Promise.resolve(void self.drawn.set(tag, { title, body, data }));
  }`);
  return {
    drawn: () => worker.evaluate<{ title: string; body: string }[]>('[...self.drawn.values()]'),
    touchFirst: () =>
      worker.evaluate(`{
        const [[tag, { data }]] = self.drawn;
        const notification = { data, close: () => self.drawn.delete(tag) };
        self.dispatchEvent(Object.assign(new ExtendableEvent('notificationclick'), { notification }));
      }`),
    movesTo: (reach: Reach) =>
      worker.evaluate(`{
        const newSubscription = { toJSON: () => (${JSON.stringify(reach)}) };
        self.dispatchEvent(Object.assign(new ExtendableEvent('pushsubscriptionchange'), { newSubscription }));
      }`),
  };
}

test('alerts come to a device that was asked for, say no more than they may, and lead to where they are', async ({
  guardian,
  page,
  running,
}) => {
  const arrivals = await hasPushService(page, running.schoolUrl);
  await guardian.signsIn('maren', '/alerts/delivery');
  await page.getByRole('button', { name: 'Notify me on this device' }).click();
  await expect(page.getByText('Notifications come to this device.')).toBeVisible();
  await page.getByRole('radio', { name: 'Which child it’s about' }).click();
  await page.getByRole('button', { name: 'Save these rules' }).click();
  await expect(page.getByText(/^Saved\./)).toBeVisible();
  await guardian.findsScreenInOrder('how alerts reach a device');
  await page.getByRole('button', { name: 'Send me a notification' }).click();
  await expect.poll(async () => (await arrivals()).length).toBe(1);

  await guardian.movesOnOneDay();
  await expect.poll(async () => (await arrivals()).length).toBeGreaterThan(1);
  const told = (await arrivals())[1];
  expect(told?.subject).toBe('Cadro');
  expect(told?.text).toMatch(/^There’s news about (Isolde|Caspian|Pet)\.$/);

  const payload = told?.headers.payload ?? '';
  const beside = await watchesDrawn(page);
  await handsOver(page, payload);
  await handsOver(page, payload);
  await expect.poll(beside.drawn).toMatchObject([{ title: 'Cadro', body: told?.text }]);
  await page.evaluate(() => Object.assign(window, { samePage: true }));
  await beside.touchFirst();
  const { path } = JSON.parse(payload) as { path: string };
  await expect(page).toHaveURL(new RegExp(`${path}$`));
  expect(await page.evaluate(() => 'samePage' in window)).toBe(true);
  expect(await beside.drawn()).toEqual([]);

  // Its browser moves to another place, with no page that would say so.
  const reach = await newReach(running.schoolUrl);
  const [before, arrivedThere] = [(await arrivals()).length, arrivalsAt(running.schoolUrl, reach)];
  const heard = page
    .context()
    .waitForEvent('response', (answer) => answer.url().endsWith('/api/alerts/devices'));
  await beside.movesTo(reach);
  expect((await heard).status()).toBe(201);
  await page.goto('/alerts/delivery');
  await expect(page.getByText('Notifications come to this device.')).toBeVisible();
  await page.getByRole('button', { name: 'Send me a notification' }).click();
  await expect.poll(async () => (await arrivedThere()).length).toBe(1);
  expect(await arrivals()).toHaveLength(before);
});

test('a device is told nothing more once it is stopped, nor after signing out', async ({
  guardian,
  page,
  running,
}) => {
  const arrivals = await hasPushService(page, running.schoolUrl);
  const devices = async (): Promise<number> => {
    const { devices: all } = (await (await page.request.get('/api/alerts/settings')).json()) as {
      devices: unknown[];
    };
    return all.length;
  };
  const begins = async () => {
    await page.goto('/alerts/delivery');
    await page.getByRole('button', { name: 'Notify me on this device' }).click();
    await expect(page.getByText('Notifications come to this device.')).toBeVisible();
  };
  await guardian.signsIn('tobiah');
  await page.request.patch('/api/me', { data: { language: 'en' } });
  await page.evaluate(() => {
    const prefs = JSON.parse(localStorage.getItem('cadro.prefs') ?? '{}') as object;
    localStorage.setItem('cadro.prefs', JSON.stringify({ ...prefs, language: 'en' }));
  });
  await begins();
  expect(await devices()).toBe(1);
  await page.getByRole('button', { name: 'Stop them on this device' }).click();
  await expect(page.getByRole('button', { name: 'Notify me on this device' })).toBeVisible();
  await expect.poll(devices).toBe(0);
  await begins();
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page).toHaveURL(/\/sign-in$/);
  await guardian.signsIn('tobiah');
  expect(await devices()).toBe(0);
  expect(await arrivals()).toEqual([]);
});
