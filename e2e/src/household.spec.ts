import { addressesWritten, addressIn, newcomer, signIn, signOut, withPasskeys } from './newcomers';
import { expect, once, test } from './stack';

/* How a family gets in, stays safe and parts again: each step as it is done on a phone. */
const first = 'lantern wicks for thirty herons';
const second = 'eleven quiet oars before the dawn';

test(
  'a parent is invited, comes in by code, loses the password, adds a passkey, and is let go',
  once,
  async ({ guardian, page, browser, running }) => {
    const email = 'rosamund@test.example';
    await guardian.signsIn('maren', '/settings/people');
    await page.getByRole('button', { name: 'Invite someone' }).click();
    await page.getByRole('checkbox', { name: 'Isolde' }).click();
    await page.getByRole('checkbox', { name: 'Pet' }).click();
    await guardian.findsScreenInOrder('an invitation');
    await page.getByRole('button', { name: 'Make the invitation' }).click();
    const code = await page.getByText(/^([0-9A-Z]{4}-){3}[0-9A-Z]{4}$/).textContent();

    const other = await newcomer(browser, running, guardian.wide);
    const theirs = other.page;
    await withPasskeys(theirs);
    const secretsWritten = await addressesWritten(theirs);
    await theirs.goto(`/new#${code ?? ''}`);
    await expect(theirs.getByText('Caspian', { exact: true })).toBeVisible();
    await expect(theirs.getByText('Millrace Middle School')).toBeVisible();
    await expect(theirs.getByText('Invited by Maren Aldervane')).toBeVisible();
    await expect(theirs).toHaveURL(/\/new$/);
    await other.findsScreenInOrder('whose record it is');
    await theirs.getByRole('button', { name: 'Yes, continue' }).click();
    await theirs.getByLabel('Your name').fill('Rosamund Tern');
    await theirs.getByLabel('E-mail address').fill(email);
    await theirs.getByLabel('Password', { exact: true }).fill('rosamund');
    await theirs.getByRole('button', { name: 'Open my account' }).click();
    await expect(theirs.getByText(/^This password is too easy to guess/)).toBeVisible();
    await theirs.getByLabel('Password', { exact: true }).fill(first);
    await other.findsScreenInOrder('setting up an account');
    await theirs.getByRole('button', { name: 'Open my account' }).click();
    await expect(theirs).toHaveURL(/\/brief$/);
    expect(secretsWritten()).toEqual([]);
    await expect(theirs.getByRole('heading', { level: 1, name: /Rosamund$/ })).toBeVisible();
    await expect(
      theirs.getByText(`Please confirm your address: we sent a message to ${email}`),
    ).toBeVisible();

    await theirs.goto(await addressIn(running, page, email, /^Confirm your address/));
    await expect(theirs.getByRole('heading', { level: 1, name: 'Your address is confirmed' })).toBeVisible();
    await other.findsScreenInOrder('a confirmed address');
    await signOut(theirs);

    await theirs.getByRole('link', { name: 'Forgot your password?' }).click();
    await theirs.getByLabel('E-mail address').fill(email);
    await other.findsScreenInOrder('a forgotten password');
    await theirs.getByRole('button', { name: 'Send me the link' }).click();
    await expect(theirs.getByText(/^If there’s an account for rosamund/)).toBeVisible();
    await theirs.goto(await addressIn(running, page, email, /^Set a new password/));
    await theirs.getByLabel('New password').fill(second);
    await theirs.getByRole('button', { name: 'Save the new password' }).click();
    await theirs.getByRole('link', { name: 'Go to sign-in' }).click();
    await signIn(theirs, email, second);
    await expect(theirs).toHaveURL(/\/brief$/);

    await theirs.goto('/settings/safety');
    await expect(theirs.getByText(/this device/)).toBeVisible();
    await theirs.getByRole('button', { name: 'Add a passkey' }).click();
    await theirs.getByLabel('Current password').fill(second);
    await theirs.getByRole('button', { name: 'Add a passkey' }).click();
    await expect(theirs.getByText('My phone', { exact: true })).toBeVisible();
    await other.findsScreenInOrder('sign-in and safety');
    await signOut(theirs);
    // As the way in by itself, and as the step after the password.
    await theirs.getByRole('button', { name: 'Use a passkey' }).click();
    await expect(theirs).toHaveURL(/\/brief$/);
    await signOut(theirs);
    await signIn(theirs, email, second);
    await expect(theirs.getByRole('heading', { level: 1, name: 'One more step' })).toBeVisible();
    await other.findsScreenInOrder('the second step');
    await theirs.getByRole('button', { name: 'Use a passkey' }).click();
    await expect(theirs).toHaveURL(/\/brief$/);

    await guardian.goesTo('Brief');
    await page.reload();
    await page.getByRole('link', { name: /about who sees what$/ }).click();
    await expect(page.getByText('Rosamund Tern can now see Caspian’s schoolwork')).toBeVisible();
    await page.getByRole('button', { name: 'OK, I’ve seen it' }).click();
    await page.getByRole('button', { name: 'Change Rosamund Tern’s access' }).click();
    await page.getByRole('button', { name: 'Let Rosamund Tern only look' }).click();
    await expect(page.getByRole('button', { name: 'Let Rosamund Tern write, too' })).toBeVisible();
    await guardian.findsScreenInOrder('who sees what');
    await page.getByRole('button', { name: 'End Rosamund Tern’s access to Caspian' }).click();
    await page.getByRole('button', { name: 'Yes, end it' }).click();
    await expect(page.getByText('Rosamund Tern', { exact: true })).toHaveCount(0);
    // The page that was open meanwhile empties by itself.
    await expect(theirs.getByRole('heading', { level: 1, name: 'No child here yet' })).toBeVisible();
    expect([...guardian.complaints, ...other.complaints.filter((text) => !/422|403|404/.test(text))]).toEqual(
      [],
    );
    await theirs.context().close();
  },
);

test(
  'a tutor is let in to one course, sees it and nothing else',
  once,
  async ({ guardian, page, browser, running }) => {
    await guardian.signsIn('maren', '/settings/people');
    await page.getByRole('button', { name: 'Invite someone' }).click();
    await page.getByText('A helper, such as a tutor', { exact: true }).click();
    await expect(page.getByRole('button', { name: 'Make the invitation' })).toBeDisabled();
    await page.getByRole('checkbox', { name: 'Kelp chemistry' }).click();
    await guardian.findsScreenInOrder('inviting a helper');
    await page.getByRole('button', { name: 'Make the invitation' }).click();
    const code = await page.getByText(/^([0-9A-Z]{4}-){3}[0-9A-Z]{4}$/).textContent();

    const other = await newcomer(browser, running, guardian.wide);
    const theirs = other.page;
    await theirs.goto(`/new#${code ?? ''}`);
    await expect(theirs.getByText('You’ll see the courses you help with, and nothing else.')).toBeVisible();
    await theirs.getByRole('button', { name: 'Yes, continue' }).click();
    await theirs.getByLabel('Your name').fill('Quillan Reed');
    await theirs.getByLabel('E-mail address').fill('quillan@test.example');
    await theirs.getByLabel('Password', { exact: true }).fill(first);
    await theirs.getByRole('button', { name: 'Open my account' }).click();
    await expect(
      theirs.getByRole('heading', { level: 1, name: /Quillan$|^Nothing needs you/ }),
    ).toBeVisible();
    await other.goesTo('Courses');
    await expect(theirs.getByText('Kelp chemistry', { exact: true }).first()).toBeVisible();
    await expect(theirs.getByText('Tide tables')).toHaveCount(0);
    await other.goesTo('Work');
    await expect(theirs.getByText('Reef survey').first()).toBeVisible();
    await expect(theirs.getByRole('link', { name: 'Plan the evenings' })).toHaveCount(0);
    await other.goesTo('Talk');
    await expect(theirs.getByText('None yet.', { exact: true })).toBeVisible();

    await page.reload();
    await expect(page.getByText(/^helper: sees Kelp chemistry until November 18/)).toBeVisible();
    expect([...guardian.complaints, ...other.complaints]).toEqual([]);
    await theirs.context().close();
  },
);

test(
  'who has no code at hand begins, and adds the child later',
  once,
  async ({ guardian, browser, running }) => {
    const other = await newcomer(browser, running, guardian.wide);
    const { page } = other;
    const email = 'nestor@test.example';
    await page.goto('/sign-in');
    await page.getByRole('link', { name: /^New here/ }).click();
    await other.findsScreenInOrder('new here');
    await page.getByLabel('Your code').fill('T4MJ-91CW-8GZE-5NYX');
    await page.getByRole('button', { name: 'See whose it is' }).click();
    await expect(page.getByText(/^No school has given out this code/)).toBeVisible();
    await page.getByRole('button', { name: 'I don’t have my code with me' }).click();
    await page.getByLabel('Your name').fill('Nestor Reed');
    await page.getByLabel('E-mail address').fill(email);
    await page.getByLabel('Password', { exact: true }).fill(first);
    await page.getByRole('button', { name: 'Send me the message' }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'Check your mail' })).toBeVisible();
    await page.goto(await addressIn(running, page, email, /^Finish setting up/));
    await page.getByRole('link', { name: 'Go to sign-in' }).click();
    await signIn(page, email, first);
    await page.getByRole('link', { name: 'Add a child', exact: true }).click();
    await page.getByLabel('Your code').fill('t4mj 91cw 8gze 5nyk');
    await page.getByRole('button', { name: 'See whose it is' }).click();
    await expect(page.getByText('Millrace Middle School')).toBeVisible();
    await page.getByRole('button', { name: /^Yes, add/ }).click();
    await page.getByRole('link', { name: 'Brief', exact: true }).first().click();
    await expect(page.getByRole('heading', { level: 1, name: /Nestor$|^Nothing needs you/ })).toBeVisible();
    await page.context().close();
  },
);

test('one-time codes are asked for once they are set up', once, async ({ guardian, page }) => {
  await guardian.signsIn('ottoline', '/settings/safety');
  await page.getByRole('button', { name: 'Set up codes' }).click();
  await page.getByLabel('Current password').fill('tide-and-lantern');
  await page.getByRole('button', { name: 'Set up codes' }).click();
  await expect(page.getByText(/^Key: /)).toBeVisible();
  // A phone can read it: it is there, drawn, and large enough.
  const picture = page.getByRole('img', { name: /as a picture for your authenticator app$/ }).first();
  await expect.poll(async () => (await picture.boundingBox())?.width ?? 0).toBeGreaterThan(150);
  await expect
    .poll(() => picture.locator('img').evaluate((image: HTMLImageElement) => image.naturalWidth))
    .toBeGreaterThan(0);
  await guardian.findsScreenInOrder('setting up one-time codes');
  await page.getByLabel('The code it shows now').fill('000000');
  await page.getByRole('button', { name: 'Turn on codes' }).click();
  await expect(page.getByText(/^This code isn’t right/)).toBeVisible();
});
