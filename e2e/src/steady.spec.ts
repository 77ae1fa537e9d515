import type { Page } from '@playwright/test';
import { expect, once, test } from './stack';

/** A letter that is begun to Pet's teacher, whether or not there has been one before. */
async function beginsLetter(page: Page, text: string): Promise<void> {
  await page.goto('/talk');
  await page.getByRole('link', { name: 'Write to the school' }).click();
  await expect(page.getByRole('heading', { level: 2, name: 'Pet' })).toBeVisible();
  await page
    .getByRole('link', { name: /^Dilys Cockleford\./ })
    .last()
    .click();
  const letter = page.getByLabel('Your letter');
  const again = page.getByRole('button', { name: 'Write again' });
  await expect(letter.or(again)).toBeVisible();
  if (await again.isVisible()) await again.click();
  const subject = page.getByLabel('Subject');
  await expect(letter).toBeVisible();
  if (await subject.isVisible()) await subject.fill('A short word');
  await letter.fill(text);
}
const send = (page: Page) => page.getByRole('button', { name: 'Send' });
/**
 * Lets the server answer what is written to an address, and keeps its answers from the page, as a slow line does.
 * @returns `held` once there is one; `release` hands them on, and waits until what was asked is done after all
 */
async function holdsAnswers(page: Page, address: string) {
  let letGo: () => void = () => undefined;
  const gone = new Promise<void>((done) => {
    letGo = done;
  });
  let caught: () => void = () => undefined;
  const held = new Promise<void>((done) => {
    caught = done;
  });
  await page.route(address, async (route) => {
    if (route.request().method() === 'GET') return route.fallback();
    const response = await route.fetch();
    caught();
    await gone;
    await route.fulfill({ response });
  });
  const release = async () => {
    const done = page.waitForResponse((answer) => answer.ok() && answer.request().method() !== 'GET');
    letGo();
    await done;
    await page.unroute(address);
  };
  return { held, release };
}
const lettersWith = async (schoolUrl: string, text: string): Promise<number> => {
  const { letters } = (await (await fetch(`${schoolUrl}/demo/letters`)).json()) as {
    letters: { text: string }[];
  };
  return letters.filter((letter) => letter.text.includes(text)).length;
};

test('a session that ends leaves the page as it was, and one signs in on top of it', async ({
  guardian,
  page,
}) => {
  await guardian.signsIn();
  const text = 'Would Thursday after school suit you?';
  await beginsLetter(page, 'Would Thursday');
  await page.context().clearCookies({ name: 'cadro.session' });
  // What was asked in the session that has ended is answered when the next one has begun, as on a slow line.
  const { held, release } = await holdsAnswers(page, '**/api/drafts');
  await page.getByLabel('Your letter').fill(text);
  await held;
  await send(page).click();
  const again = page.getByRole('heading', { level: 1, name: 'You’ve been signed out' });
  await expect(again).toBeVisible();
  await guardian.findsScreenInOrder('signed-out');
  await page.getByLabel('E-mail address').fill('maren@aldervane.example');
  await page.getByLabel('Password').fill('tide-and-lantern');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(again).toBeHidden();
  await release();
  await expect(again).toBeHidden();
  await expect(page.getByLabel('Your letter')).toHaveValue(text);
  await send(page).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Dilys Cockleford' })).toBeVisible();
  await expect(page.getByText(text).last()).toBeVisible();
});

test('what is written without a connection waits in sight, and goes out once', async ({
  guardian,
  page,
  running,
}) => {
  await guardian.signsIn();
  const text = `We are on the ${guardian.wide ? 'wide' : 'narrow'} train. Pet has it with her.`;
  await beginsLetter(page, text);
  await page.context().setOffline(true);
  await send(page).click();
  const waits = page.getByText('One thing you wrote hasn’t gone out yet.', { exact: false });
  await expect(waits).toBeVisible();
  await expect(page.getByText('Saved. It goes out as soon', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Show what it is' }).click();
  await expect(page.getByText(/^Letter: /)).toBeVisible();
  await guardian.findsScreenInOrder('outbox');
  // Pressed again, because one is not sure: it is the same letter.
  await send(page).click();
  await expect(waits).toBeVisible();
  await page.context().setOffline(false);
  await expect(waits).toBeHidden();
  await expect.poll(() => lettersWith(running.schoolUrl, text)).toBe(1);
});

test('a place whose script does not come leaves the rest of the page, and is asked for again', async ({
  guardian,
  page,
}) => {
  await guardian.signsIn();
  await page.route('**/days-*.js', (route) => route.abort());
  await page.evaluate(() => {
    sessionStorage.setItem(
      'cadro.reloaded',
      document.querySelector<HTMLScriptElement>('script[src*="entry"]')?.src ?? '',
    );
    Object.assign(window, { samePage: true });
  });
  await page.getByRole('link', { name: 'Days', exact: true }).click();
  const failed = page.getByRole('alert').filter({ hasText: 'This couldn’t be loaded' });
  await expect(failed).toBeVisible();
  await expect(page.getByRole('link', { name: 'Brief', exact: true })).toBeVisible();
  await page.unroute('**/days-*.js');
  await failed.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
  await expect(failed).toBeHidden();
  expect(await page.evaluate(() => 'samePage' in window)).toBe(true);
});

test('a letter whose answer is lost, and a button that is pressed three times, are one letter', async ({
  guardian,
  page,
  running,
}) => {
  await guardian.signsIn();
  const text = `Thank you for the extra week (${guardian.wide ? 'wide' : 'narrow'}).`;
  await beginsLetter(page, text);
  let lost = 0;
  await page.route('**/api/messages', async (route) => {
    if (lost++ > 0) return route.continue();
    await route.fetch();
    await route.abort();
  });
  await send(page).evaluate((button: HTMLElement) => {
    for (let times = 0; times < 3; times += 1) button.click();
  });
  await expect.poll(() => lettersWith(running.schoolUrl, text)).toBe(1);
  await expect(page.getByText('hasn’t gone out yet', { exact: false })).toBeHidden();
  expect(await lettersWith(running.schoolUrl, text)).toBe(1);
});

test('a page whose version is gone loads itself anew, once', once, async ({ guardian, page }) => {
  await guardian.signsIn();
  let asked = 0;
  await page.route(/_expo\/static\/js\/web\/(?!entry|__|_layout).*\.js$/, (route) => {
    asked += 1;
    return asked === 1 ? route.fulfill({ status: 404, body: '' }) : route.continue();
  });
  await guardian.goesTo('Days');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  expect(asked).toBeGreaterThan(1);
});
