import { mkdirSync, readFileSync } from 'node:fs';
import { dirname } from 'node:path';
import type { Page } from '@playwright/test';
import { addressIn, newcomer, signIn, signOut, withPasskeys } from './newcomers';
import { expect, once, test, type RunningStack } from './stack';

/* The first day of a Cadro without demo: a school, its letters, and a family that comes in by them, on a phone. */
test.use({ story: 'fresh', fresh: true });

const first = 'lantern wicks for thirty herons';
const second = 'eleven quiet oars before the dawn';

/** The operator adds a school, waits until it has been read, and prints a letter for a child. */
async function schoolWithLetter(running: RunningStack, givenName: string, letters: string) {
  const { sources } = (await (await fetch(`${running.schoolUrl}/demo/story`)).json()) as {
    sources: { name: string; baseUrl: string; clientId: string; clientSecret: string }[];
  };
  const school = sources.find(({ name }) => name.startsWith('Millrace'));
  if (!school) throw new Error('no such school');
  const { name, baseUrl, clientId, clientSecret } = school;
  await running.operator(['add-source', name, baseUrl, clientId], { CADRO_SOURCE_SECRET: clientSecret });
  let childId = '';
  await expect
    .poll(
      async () => {
        const children = await running.operator(['children']);
        childId = children.find((line) => line.includes(`\t${givenName}\t`))?.split('\t')[0] ?? '';
        return childId;
      },
      { timeout: 60_000 },
    )
    .not.toBe('');
  mkdirSync(dirname(letters), { recursive: true });
  await running.operator(['codes', '--child', childId, '--letters', letters]);
  expect(readFileSync(letters).subarray(0, 5).toString()).toBe('%PDF-');
  const table = await running.operator(['codes', '--child', childId]);
  const code = /([0-9A-Z]{4}-){3}[0-9A-Z]{4}/.exec(table.join('\n'))?.[0];
  if (!code) throw new Error(`no code in ${table.join(' ')}`);
  return { childId, code };
}

/** Somebody comes in by a code, seeing first whose record it opens. */
async function comesIn(page: Page, code: string, who: { name: string; email: string }): Promise<void> {
  await page.goto(`/new#${code}`);
  await expect(page.getByText('Caspian', { exact: true })).toBeVisible();
  await expect(page.getByText('Millrace Middle School')).toBeVisible();
  await page.getByRole('button', { name: 'Yes, go on' }).click();
  await page.getByLabel('Your name').fill(who.name);
  await page.getByLabel('E-mail address').fill(who.email);
  await page.getByLabel('Password', { exact: true }).fill(first);
  await page.getByRole('button', { name: 'Open my account' }).click();
}

/** Invites somebody as what they are, and has the code that is shown. */
async function invites(page: Page, as: string): Promise<string> {
  await page.goto('/settings/people');
  await page.getByRole('button', { name: 'Invite someone' }).click();
  await page.getByText(as, { exact: true }).click();
  await page.getByRole('button', { name: 'Make the invitation' }).click();
  return (await page.getByText(/^([0-9A-Z]{4}-){3}[0-9A-Z]{4}$/).textContent()) ?? '';
}

test(
  'a school, its letter, a parent, the other parent, a grandmother and the child; a lost password, a passkey, the end',
  once,
  async ({ browser, running }, { outputPath }) => {
    test.setTimeout(240_000);
    const { childId, code } = await schoolWithLetter(running, 'Caspian', outputPath('letters.pdf'));
    const email = 'odile@test.example';

    const parent = await newcomer(browser, running, false);
    const { page } = parent;
    await withPasskeys(page);
    await comesIn(page, code, { name: 'Odile Marsh', email });
    await expect(page).toHaveURL(/\/brief$/);
    await page.goto(await addressIn(running, page, email, /^Confirm your address/));
    await expect(page.getByRole('heading', { level: 1, name: 'Your address is confirmed' })).toBeVisible();
    // The letter has served.
    const late = await newcomer(browser, running, false);
    await late.page.goto(`/new#${code}`);
    await expect(late.page.getByText(/^This code has been used already/)).toBeVisible();

    const others = [
      { as: 'A guardian', name: 'Bertram Marsh', home: /\/brief$/ },
      { as: 'Someone who looks only', name: 'Alma Marsh', home: /\/brief$/ },
      { as: 'The child itself', name: 'Caspian', home: /\/desk$/ },
    ];
    for (const [index, { as, name, home }] of others.entries()) {
      const invited = await invites(page, as);
      const theirs = await newcomer(browser, running, false);
      await comesIn(theirs.page, invited, { name, email: `invited-${index}@test.example` });
      await expect(theirs.page).toHaveURL(home);
      await theirs.findsStateInOrder(`the first screen: ${as}`);
      await theirs.page.context().close();
    }
    await page.goto('/settings/people');
    for (const { name } of others) await expect(page.getByText(name, { exact: true }).last()).toBeVisible();
    await parent.findsStateInOrder('who sees what');

    await signOut(page);
    await page.getByRole('link', { name: 'Forgot your password?' }).click();
    await page.getByLabel('E-mail address').fill(email);
    await page.getByRole('button', { name: 'Send me the link' }).click();
    await page.goto(await addressIn(running, page, email, /^Set a new password/));
    await page.getByLabel('New password').fill(second);
    await page.getByRole('button', { name: 'Save the new password' }).click();
    await page.getByRole('link', { name: 'Go to sign-in' }).click();
    await signIn(page, email, second);
    await expect(page).toHaveURL(/\/brief$/);

    await page.goto('/settings/safety');
    await page.getByRole('button', { name: 'Add a passkey' }).click();
    await page.getByLabel('Your password now').fill(second);
    await page.getByRole('button', { name: 'Add a passkey' }).click();
    await expect(page.getByText('My phone', { exact: true })).toBeVisible();
    await signOut(page);
    await page.getByRole('button', { name: 'Use a passkey' }).click();
    await expect(page).toHaveURL(/\/brief$/);
    await expect(page.getByRole('heading', { level: 1, name: 'No child here yet' })).toHaveCount(0);

    const links = await running.operator(['links', '--child', childId]);
    const personId = links.find((line) => line.includes('Odile Marsh'))?.split('\t')[2] ?? '';
    await running.operator(['end-link', '--child', childId, '--person', personId]);
    // The page that is open empties by itself, and another asks in vain.
    await expect(page.getByRole('heading', { level: 1, name: 'No child here yet' })).toBeVisible();
    expect((await page.request.get(`/api/students/${childId}/terms`)).status()).toBe(404);
    await parent.findsStateInOrder('when the school has ended it');
    expect(parent.complaints.filter((text) => !/404/.test(text))).toEqual([]);
  },
);
