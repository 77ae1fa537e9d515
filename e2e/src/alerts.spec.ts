import type { Page } from '@playwright/test';
import { expect, once, test, type RunningStack } from './stack';

test.use({ story: 'alerts' });

interface Arrival {
  readonly channel: string;
  readonly to: string;
  readonly subject: string;
  readonly text: string;
}
const arrivals = async ({ schoolUrl }: RunningStack): Promise<Arrival[]> =>
  ((await (await fetch(`${schoolUrl}/demo/arrivals`)).json()) as { arrivals: Arrival[] }).arrivals;
const openCount = async (page: Page): Promise<number> =>
  Number(
    /\d+/.exec((await page.getByRole('link', { name: /^Alerts: / }).getAttribute('aria-label')) ?? '')?.[0],
  );
const rows = (page: Page) => page.getByRole('list', { name: 'Alerts' }).getByRole('link');

test(
  'a day brings what the rules ask for, once each: in the app, by mail and by text',
  once,
  async ({ guardian, page, running }) => {
    await guardian.signsIn();
    await guardian.opens('/alerts/delivery');
    await page.getByLabel('Number for text messages').fill('0170');
    await expect(page.getByText('A number starts with + and the country code.')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Save these rules' })).toBeDisabled();
    await page.getByLabel('Number for text messages').fill('+1 555 010 0200');
    await page.getByRole('group', { name: 'Attendance' }).getByRole('checkbox', { name: 'Text' }).click();
    await page.getByRole('button', { name: 'Save these rules' }).click();
    await expect(page.getByText('Saved. They apply from the next update.')).toBeVisible();
    // A number gets nothing but a code before it has been shown to be theirs.
    await expect(page.getByRole('button', { name: 'Send me a text' })).toHaveCount(0);
    await page.getByRole('button', { name: 'Text me a code' }).click();
    const texts = async () => (await arrivals(running)).filter(({ to }) => to === '+15550100200');
    await expect.poll(async () => (await texts()).length).toBe(1);
    await page
      .getByLabel('The code we texted you')
      .fill(/\d{6}/.exec((await texts())[0]?.text ?? '')?.[0] ?? '');
    await page.getByRole('button', { name: 'Confirm the number' }).click();
    await page.getByRole('button', { name: 'Send me a text' }).click();
    await expect(page.getByText('It’s on its way.')).toBeVisible();
    await expect.poll(async () => (await texts()).length).toBe(2);

    // Another window counts along without being touched.
    const other = await page.context().newPage();
    await other.goto('/courses');
    await expect(other.getByRole('link', { name: /^Alerts: [1-9]/ })).toBeVisible();
    const mails = (await arrivals(running)).length;
    await guardian.movesOnOneDay();
    await guardian.movesOnOneDay();
    const counted = async (): Promise<number> =>
      ((await (await page.request.get('/api/alerts/count')).json()) as { open: number }).open;
    await expect.poll(async () => (await openCount(other)) === (await counted())).toBe(true);
    // What ends and what comes may be as many: one that is done is one fewer.
    const open = await openCount(other);
    const { alerts } = (await (await page.request.get('/api/alerts')).json()) as {
      alerts: { id: string; state: string }[];
    };
    const last = alerts.filter(({ state }) => state === 'open').at(-1);
    const done = { ids: [last?.id], state: 'done' };
    expect((await page.request.post('/api/alerts/state', { data: done })).status()).toBe(204);
    await expect.poll(() => openCount(other)).toBe(open - 1);
    await other.close();

    await expect.poll(async () => (await arrivals(running)).length).toBeGreaterThan(mails);
    const arrived = (await arrivals(running)).filter(({ to }) => to === 'maren@aldervane.example');
    expect(new Set(arrived.map(({ subject, text }) => subject + text)).size).toBe(arrived.length);
    await guardian.opens('/alerts');
    const newest = (await rows(page).first().getAttribute('aria-label')) ?? '';
    await rows(page).first().click();
    await expect(page.getByRole('heading', { name: 'Why you got this' })).toBeVisible();
    const title = await page.getByRole('heading', { level: 1 }).last().textContent();
    expect(newest).toContain(title ?? 'no title');
    await expect(
      page.getByText(/^Cadro tells you .*\. From .*, (Mon|Tue|Wed|Thu|Fri|Sat|Sun), /).first(),
    ).toBeVisible();
    await expect(page.getByText(/^(Mail: sent|Text message: sent|Only here)/).first()).toBeVisible();
  },
);

test('an alert is read, done, undone, found again and silenced for a while', async ({ guardian, page }) => {
  await guardian.signsIn();
  await guardian.opens('/alerts');
  await page.getByRole('button', { name: 'Search' }).click();
  await page.getByRole('radio', { name: 'Grades', exact: true }).click();
  await page.getByLabel('Search alerts').fill('kelp');
  await expect(rows(page)).toHaveCount(1);
  await rows(page).first().click();
  await expect(
    page.getByRole('heading', { level: 1, name: /^By our count, Kelp chemistry is losing about/ }),
  ).toBeVisible();
  await expect(page.getByText(/^8\d\.\d on .*, 7\d\.\d now\.$/)).toBeVisible();
  await expect(page.getByText(/^What moved it most: /)).toBeVisible();
  await page.getByRole('button', { name: 'Mark as done' }).click();
  await expect(page.getByText('Marked as done.')).toBeVisible();
  if (guardian.wide) await expect(rows(page)).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  // Read by now; beside the open ones it stays among them.
  if (guardian.wide) await expect(rows(page)).toHaveCount(1);
  await page.getByRole('button', { name: 'Fewer like this' }).click();
  await page.getByRole('button', { name: 'Mute Kelp chemistry for two weeks' }).click();
  await expect(page.getByText(/^Muted until /).first()).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Fewer like this' })).toBeVisible();
  await page.getByRole('link', { name: 'Go there' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Kelp chemistry' })).toBeVisible();
});

test('rules are tried on the term while they are set', async ({ guardian, page }) => {
  await guardian.signsIn();
  await guardian.opens('/alerts/rules');
  await guardian.opensEveryRule();
  const answer = page.getByText(/^These rules would have sent you \d+ alerts? in the last 30 days\.$/);
  const told = async (): Promise<number> => Number(/\d+/.exec((await answer.textContent()) ?? '')?.[0]);
  await expect(answer).toBeVisible();
  const usual = await told();
  await page.getByRole('radio', { name: 'Everything' }).click();
  await expect.poll(told).toBeGreaterThan(usual);
  const everything = await told();
  // A slider by its keys: every score becomes those below ten percent.
  const scores = page.getByRole('slider', { name: /^A new score: / });
  await scores.focus();
  for (let press = 0; press < 20; press++) await page.keyboard.press('ArrowLeft');
  await expect.poll(told).toBeLessThan(everything);
  await expect(page.getByText('Real drops this term')).toBeVisible();
  await expect(
    page.getByText(/you’d have heard (the day|\d+ days? before) the grade showed it/).first(),
  ).toBeVisible();

  await page.getByRole('button', { name: 'Make an exception' }).click();
  await page
    .getByRole('radiogroup', { name: 'For which course' })
    .getByRole('radio', { name: 'Kelp chemistry' })
    .click();
  await page.getByRole('button', { name: 'Make an exception' }).click();
  await expect(page.getByRole('heading', { level: 3, name: 'Isolde, Kelp chemistry' })).toBeVisible();
  await page.getByRole('button', { name: 'Save these rules' }).click();
  await expect(page.getByText('Saved. They apply from the next update.')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('radio', { name: 'Your own' })).toBeChecked();
  await expect(page.getByRole('heading', { level: 3, name: 'Isolde, Kelp chemistry' })).toBeVisible();
  await page.getByRole('radio', { name: 'The usual' }).click();
  await page.getByRole('button', { name: 'Remove: Isolde, Kelp chemistry' }).click();
  await page.getByRole('button', { name: 'Save these rules' }).click();
  await expect(page.getByText('Saved. They apply from the next update.')).toBeVisible();
});

test(
  'the digest leads on, is on paper too, and mail is stopped by the link in it',
  once,
  async ({ guardian, page, running, browser }) => {
    await guardian.signsIn();
    await guardian.opens('/alerts/digest');
    await expect(page.getByRole('heading', { level: 1, name: 'The week at a glance' })).toBeVisible();
    for (const name of ['Isolde', 'Caspian', 'Pet']) {
      await expect(page.getByRole('heading', { level: 2, name })).toBeVisible();
    }
    const paper = await page.request.get('/api/alerts/digest.pdf');
    expect(paper.headers()['content-type']).toContain('application/pdf');
    // What a teacher wrote is there to read, without going on.
    await expect(page.getByText(/“Pet read the harbour plan to the whole class/)).toBeVisible();
    await page.getByRole('link', { name: /^Titration quiz can be made up until Fri, Oct 23/ }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'Titration quiz' })).toBeVisible();

    const digest = (await arrivals(running)).findLast(
      ({ to, subject }) => to === 'maren@aldervane.example' && subject.startsWith('The week at a glance'),
    );
    // The story was told by another process, at another port.
    const stop = /\/mail-stop\/\S+/.exec(digest?.text ?? '')?.[0] ?? '';
    // A link out of a mail leads on, once one has signed in.
    const led = /\/courses\/\S+/.exec(digest?.text ?? '')?.[0] ?? '';
    // On another device, where nobody has signed in yet.
    const elsewhere = await (await browser.newContext({ baseURL: running.url })).newPage();
    await elsewhere.goto(led);
    await elsewhere.getByLabel('E-mail address').fill('maren@aldervane.example');
    await elsewhere.getByLabel('Password').fill('tide-and-lantern');
    await elsewhere.getByRole('button', { name: 'Sign in' }).click();
    await expect(elsewhere).toHaveURL(new RegExp(`${led}$`));
    const nobody = await (await browser.newContext({ baseURL: running.url })).newPage();
    await nobody.goto(stop);
    await nobody.getByRole('button', { name: 'Stop all mail' }).click();
    await expect(nobody.getByText('Stopped. You won’t get any more mail.')).toBeVisible();
    await guardian.opens('/alerts/delivery');
    await expect(page.getByText('You’ve stopped all mail.')).toBeVisible();
    await page.getByRole('button', { name: 'Send mail again' }).click();
    await expect(page.getByText('Mail goes to maren@aldervane.example.')).toBeVisible();
    await page.goto('/mail-stop/nonsense');
    await page.getByRole('button', { name: 'Stop all mail' }).click();
    await expect(page.getByText('This link isn’t one of ours, or part of it is missing.')).toBeVisible();
  },
);
