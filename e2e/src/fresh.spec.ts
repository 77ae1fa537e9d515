import { mkdirSync, readFileSync } from 'node:fs';
import { dirname } from 'node:path';
import type { Page } from '@playwright/test';
import type { Guardian } from './guardian';
import {
  addressesWritten,
  addressIn,
  comesIn,
  newcomer,
  operatorSignsIn,
  signIn,
  signOut,
  withPasskeys,
} from './newcomers';
import { expect, once, test, type RunningStack } from './stack';

/* The first day of a Cadro without demo: a school, its letters, and a family that comes in by them, on a phone. */
test.use({ story: 'fresh', fresh: true });

const second = 'eleven quiet oars before the dawn';
const whose = { child: 'Caspian', school: 'Millrace Middle School' };

/** The operator signs in at a place of their own and adds a school; it is read, and a child of it is found. */
async function addsSchool(operator: Guardian, running: RunningStack): Promise<void> {
  const { page } = operator;
  const { sources } = (await (await fetch(`${running.schoolUrl}/demo/story`)).json()) as {
    sources: { name: string; baseUrl: string; clientId: string; clientSecret: string }[];
  };
  const school = sources.find(({ name }) => name.startsWith('Millrace'));
  if (!school) throw new Error('no such school');
  await operatorSignsIn(page, running, async () => {
    await expect(page.getByText(/^This doesn’t fit/)).toBeVisible();
    await operator.findsScreenInOrder('the operators’ sign-in');
  });
  await expect(page.getByText(/^No school yet/)).toBeVisible();
  await page.getByRole('button', { name: 'Add a school' }).click();
  await page.getByLabel('The school’s name').fill(school.name);
  await page.getByLabel('Address of its OneRoster interface').fill(school.baseUrl);
  await page.getByLabel('Client ID').fill(school.clientId);
  await page.getByLabel('Client secret').fill(school.clientSecret);
  await page.getByRole('button', { name: 'Add a school' }).click();
  const own = page.getByRole('list', { name: 'Schools' }).getByRole('listitem');
  await expect(async () => {
    await page.reload();
    await expect(own.getByText(/^read /)).toBeVisible({ timeout: 5_000 });
  }).toPass();
}

/** The operator pauses a school's reading, says so, goes on; and gives it other credentials. */
async function steersSchool({ page }: Guardian): Promise<void> {
  const own = page.getByRole('list', { name: 'Schools' }).getByRole('listitem');
  await own.getByRole('button', { name: /^Pause updates/ }).click();
  await expect(own.getByText(/paused/)).toBeVisible();
  await expect(own.getByRole('button', { name: /^Read it now/ })).toHaveCount(0);
  await own.getByRole('button', { name: /^Resume updates/ }).click();
  await expect(own.getByRole('button', { name: /^Read it now/ })).toBeVisible();
  await own.getByRole('button', { name: /^Change its credentials/ }).click();
  await expect(own.getByRole('button', { name: /^Save and read it now/ })).toBeDisabled();
  await own.getByRole('button', { name: /^Never mind/ }).click();
}

/** The operator has a code for a child, and letters to print for its whole year, here and at the command line. */
async function hasCode(page: Page, running: RunningStack, letters: string) {
  await page.getByRole('button', { name: 'Choose a class' }).click();
  await page.getByRole('radio', { name: /^Grade 8 \(/ }).click();
  const kept = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Make codes and letters' }).click();
  const file = await kept;
  expect(file.suggestedFilename()).toBe('codes.zip');
  expect(
    readFileSync(await file.path())
      .subarray(0, 2)
      .toString(),
  ).toBe('PK');
  await expect(page.getByText(/^The file codes.zip/)).toBeVisible();
  await page.getByLabel('Part of a child’s name').fill('caspian');
  await page.getByRole('button', { name: 'Search' }).click();
  await page.getByRole('button', { name: /^Caspian Aldervane/ }).click();
  await expect(page.getByText('No one sees this child’s record yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Make a code for the family' }).click();
  const code = await page.getByText(/^([0-9A-Z]{4}-){3}[0-9A-Z]{4}$/).textContent();
  const list = await running.operator(['children']);
  const childId = list.find((line) => line.includes('\tCaspian\t'))?.split('\t')[0] ?? '';
  mkdirSync(dirname(letters), { recursive: true });
  await running.operator(['codes', '--child', childId, '--letters', letters]);
  expect(readFileSync(letters).subarray(0, 5).toString()).toBe('%PDF-');
  return { childId, code: code ?? '' };
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
  async ({ browser, running }, info) => {
    const operator = await newcomer(browser, running, false);
    await addsSchool(operator, running);
    await steersSchool(operator);
    await operator.findsScreenInOrder('the operator’s place');
    const { childId, code } = await hasCode(operator.page, running, info.outputPath('letters.pdf'));
    await operator.findsScreenInOrder('a child, for the operator');
    const email = 'odile@test.example';

    const parent = await newcomer(browser, running, false);
    const { page } = parent;
    await withPasskeys(page);
    await comesIn(page, code, { name: 'Odile Marsh', email, ...whose });
    await expect(page).toHaveURL(/\/brief$/);
    await page.goto(await addressIn(running, page, email, /^Confirm your address/));
    await expect(page.getByRole('heading', { level: 1, name: 'Your address is confirmed' })).toBeVisible();
    // The school has another address of hers, or none: that is said where it can be put right.
    await page.goto(`/settings/file/${childId}`);
    await expect(page.getByText(/^No one here has the e-mail address you use/)).toBeVisible();
    await parent.findsScreenInOrder('what the school has on file');
    // The letter has served.
    const late = await newcomer(browser, running, false);
    const written = await addressesWritten(late.page);
    await late.page.goto('/new');
    await expect(late.page.getByRole('button', { name: 'See whose it is' })).toBeVisible();
    // Pasted into the page that is open.
    await late.page.goto(`/new#${code}`);
    await expect(late.page.getByText(/^This code has been used already/)).toBeVisible();
    await expect(late.page).toHaveURL(/\/new$/);
    expect(written()).toEqual([]);

    const others = [
      { as: 'A guardian', name: 'Bertram Marsh', home: /\/brief$/ },
      { as: 'Someone who looks only', name: 'Alma Marsh', home: /\/brief$/ },
      { as: 'The child', name: 'Caspian', home: /\/desk$/ },
    ];
    for (const [index, { as, name, home }] of others.entries()) {
      const invited = await invites(page, as);
      const theirs = await newcomer(browser, running, false);
      await comesIn(theirs.page, invited, { name, email: `invited-${index}@test.example`, ...whose });
      await expect(theirs.page).toHaveURL(home);
      await theirs.findsScreenInOrder(`the first screen: ${as}`);
      await theirs.page.context().close();
    }
    await page.goto('/settings/people');
    for (const { name } of others) await expect(page.getByText(name, { exact: true }).last()).toBeVisible();
    await parent.findsScreenInOrder('who sees what');

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
    await page.getByLabel('Current password').fill(second);
    await page.getByRole('button', { name: 'Add a passkey' }).click();
    await expect(page.getByText('My phone', { exact: true })).toBeVisible();
    await signOut(page);
    await page.getByRole('button', { name: 'Use a passkey' }).click();
    await expect(page).toHaveURL(/\/brief$/);
    await expect(page.getByRole('heading', { level: 1, name: 'No child here yet' })).toHaveCount(0);

    await operator.page.reload();
    await operator.page.getByLabel('Part of a child’s name').fill('caspian');
    await operator.page.getByRole('button', { name: 'Search' }).click();
    await operator.page.getByRole('button', { name: /^Caspian Aldervane/ }).click();
    await operator.page.getByRole('button', { name: 'End this access: Odile Marsh' }).click();
    await operator.page.getByRole('button', { name: 'Yes, end it: Odile Marsh' }).click();
    await expect(operator.page.getByText('Odile Marsh', { exact: true })).toHaveCount(0);
    // The page that is open empties by itself, and another asks in vain.
    await expect(page.getByRole('heading', { level: 1, name: 'No child here yet' })).toBeVisible();
    expect((await page.request.get(`/api/students/${childId}/terms`)).status()).toBe(404);
    await parent.findsScreenInOrder('when the school has ended it');
    expect([...operator.complaints, ...parent.complaints].filter((text) => !/404/.test(text))).toEqual([]);
  },
);
