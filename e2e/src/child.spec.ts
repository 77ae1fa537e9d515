import { Guardian } from './guardian';
import { expect, once, test } from './stack';

/* A child signs in, says what it has to say, and its family hears it. */

test('a child’s evening, and what its mother hears of it', async ({ guardian, page, browser, running }) => {
  const mother = new Guardian(await (await browser.newContext({ baseURL: running.url })).newPage(), false);
  await mother.signsIn();
  await mother.takesInHand('Reading card, chapter 5', 'We look at it together');

  await guardian.signsIn('isolde', '/');
  await expect(page).toHaveURL(/\/desk$/);
  const places = page.getByRole('navigation', { name: 'Places' });
  await expect(places.getByRole('link')).toHaveText(['Desk', 'Courses', 'Days', 'My best']);
  await expect(page.getByRole('heading', { level: 1, name: /things due by tomorrow$/ })).toBeVisible();
  await guardian.findsScreenInOrder('the desk');

  const open = page.getByRole('list', { name: 'Still worth doing' }).getByRole('listitem');
  const log = open.filter({ hasText: 'Reading card, chapter 5' });
  await log.getByRole('button', { name: 'Where is it?' }).click();
  await log.getByRole('radio', { name: 'Still on my desk' }).click();
  await expect(log.getByText(/^You, .*: Still on my desk$/)).toBeVisible();

  const words = page.getByRole('list', { name: 'What teachers wrote to you' }).getByRole('listitem').first();
  await words.getByRole('button', { name: /^Show it to my family/ }).click();
  await words.getByLabel('Add a few words, if you like').fill('Can I go on Friday?');
  await words.getByRole('button', { name: 'Tell my family' }).click();
  await expect(words.getByText(/^Your family can see this\. “Can I go on Friday\?”/)).toBeVisible();

  await places.getByRole('link', { name: 'My best' }).click();
  await page.getByRole('button', { name: 'Add something of your own' }).click();
  await page.getByLabel('What is it?').fill('A knot board');
  await page.getByLabel('Why? A word or two').fill('Eleven knots from memory');
  await page.getByRole('button', { name: 'Keep it', exact: true }).click();
  await expect(page.getByText('A knot board')).toBeVisible();
  await guardian.findsScreenInOrder('what one is proud of');

  // The guardians' places are not the child's; as on a slow line, where who is there is known when the page stands.
  await page.route('**/api/me', async (route) => {
    await page.waitForLoadState('load');
    await route.continue();
  });
  for (const place of ['brief', 'work', 'talk', 'alerts']) {
    await page.goto(`/${place}`);
    await expect(page).toHaveURL(/\/desk$/);
  }
  await page.unroute('**/api/me');
  await page.getByRole('link', { name: 'What you and your family see of each other' }).click();
  await expect(page.getByText('Your family here: Maren, Ottoline, and Tobiah.')).toBeVisible();
  await guardian.findsScreenInOrder('what both see');

  const ear = mother.page;
  await ear.goto('/brief');
  await ear.getByRole('link', { name: /^Isolde wants you to see what .* wrote/ }).click();
  const said = ear
    .getByRole('list', { name: 'From Isolde' })
    .getByRole('listitem')
    .filter({ hasText: '“Can I go on Friday?”' });
  await said.getByRole('button', { name: /^I’ve seen it/ }).click();
  await expect(said.getByText(/^Maren saw it/)).toBeVisible();
  // What was not shown is the child's own.
  await expect(ear.getByText('Letters home: quiz')).toBeVisible();
  await expect(ear.getByText('A knot board')).toHaveCount(0);
  await ear.goto('/talk');
  await ear
    .getByRole('link', { name: /Reading card, chapter 5/ })
    .first()
    .click();
  await expect(ear.getByText(/Isolde Aldervane says it’s still on the desk$/)).toBeVisible();

  // And the child reads that it was seen.
  await page.goto('/desk');
  await expect(words.getByText(/Maren saw it/)).toBeVisible();
  expect([...guardian.complaints, ...mother.complaints]).toEqual([]);
});

test('what both see is decided by each for its own', once, async ({ guardian, page, browser, running }) => {
  const mother = new Guardian(await (await browser.newContext({ baseURL: running.url })).newPage(), false);
  await mother.signsIn();
  const studentId = await mother.idOf('Caspian');
  await guardian.signsIn('caspian', '/desk');
  await page.goto('/desk/shared');
  await page.getByRole('checkbox', { name: /^Show my family my own targets/ }).click();
  await expect(page.getByText('– your own targets and what you tried out')).toBeVisible();

  await mother.page.goto(`/talk/from/${studentId}`);
  await expect(mother.page.getByText('– Caspian’s own targets and tries')).toBeVisible();
  await mother.page.getByRole('checkbox', { name: /^Let Caspian see the evenings/ }).click();
  await expect(mother.page.getByText('– not the evenings you plan')).toBeVisible();

  await page.reload();
  await expect(page.getByText('– not the evenings they plan')).toBeVisible();
  expect([...guardian.complaints, ...mother.complaints]).toEqual([]);
});
