import { expect, once, test } from './stack';

test('a letter to a teacher of any child, out of Talk', async ({ guardian, page, running }) => {
  await guardian.signsIn();
  await guardian.goesTo('Talk');
  await page.getByRole('link', { name: 'Write to the school' }).click();
  for (const child of ['Isolde', 'Caspian', 'Pet'])
    await expect(page.getByRole('heading', { level: 2, name: child })).toBeVisible();
  await expect(page.getByText(/no e-mail address/).first()).toBeVisible();
  // Beside the list of letters there may be one to her already.
  await page
    .getByRole('link', { name: /^Dilys Cockleford\./ })
    .last()
    .click();
  const send = page.getByRole('button', { name: 'Send' });
  await expect(send).toBeDisabled();
  await page.getByLabel('Subject').fill('Thank you');
  await page.getByLabel('Your letter').fill('Pet came home full of the harbour plan. Thank you.');
  await send.click();
  await expect(page.getByRole('heading', { level: 1, name: 'Dilys Cockleford' })).toBeVisible();
  await expect(page.getByText('Pet came home full of the harbour plan. Thank you.').last()).toBeVisible();
  await expect
    .poll(async () => (await (await fetch(`${running.schoolUrl}/demo/letters`)).text()).includes('Thank you'))
    .toBe(true);
  await guardian.seesOnly('Caspian');
  await guardian.goesTo('Talk');
  await expect(page.getByRole('link', { name: /^Dilys Cockleford\./ })).toHaveCount(0);
});

test('a letter that is begun waits where it was left, and can be thrown away and brought back', async ({
  guardian,
  page,
}) => {
  await guardian.signsIn();
  await guardian.opensCourse('Lighthouse optics');
  await page.getByRole('link', { name: /^Write to Corwin/ }).click();
  const letter = page.getByLabel('Your letter');
  await expect(letter).toHaveValue(/Lighthouse optics/);
  const kept = page.waitForResponse(
    (answer) => answer.url().endsWith('/api/drafts') && answer.request().method() === 'POST',
  );
  await letter.fill('One question about the lamp essay.');
  expect((await kept).status()).toBe(204);
  await page.reload();
  await expect(letter).toHaveValue('One question about the lamp essay.');

  await guardian.goesTo('Talk');
  const begun = page.getByRole('link', { name: /Lighthouse optics\. Isolde · letter, started today$/ });
  await begun.click();
  await expect(letter).toHaveValue('One question about the lamp essay.');
  await page.getByRole('button', { name: 'Discard' }).click();
  await expect(letter).toHaveValue(/I am writing about Lighthouse optics/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(letter).toHaveValue('One question about the lamp essay.');
  await page.getByRole('button', { name: 'Discard' }).click();
  await guardian.goesTo('Talk');
  await expect(page.getByRole('heading', { level: 1, name: 'Talk' })).toBeVisible();
  await expect(begun).toHaveCount(0);
});

test('a letter for the morning can be taken back, and goes on as a draft', async ({ guardian, page }) => {
  await guardian.signsIn('maren', '/talk/write');
  await page
    .getByRole('link', { name: /^Corwin / })
    .last()
    .click();
  await page.getByLabel('Subject').fill('The lamp essay');
  await page.getByLabel('Your letter').fill('May she hand it in on Monday?');
  await page.getByRole('radio', { name: /^In the morning, / }).click();
  await page.getByRole('button', { name: 'Send in the morning' }).click();
  await expect(page.getByText(/^Goes out .*7:30 AM\.$/)).toBeVisible();
  await expect(page.getByText(/^Read by Maren Aldervane, .*Tobiah/)).toBeVisible();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByLabel('Your letter')).toHaveValue('May she hand it in on Monday?');
  await expect(page.getByLabel('Subject')).toHaveValue('The lamp essay');
  await page.getByRole('button', { name: 'Discard' }).click();
});

test('what is taken in hand by mistake is undone', async ({ guardian, page }) => {
  await guardian.signsIn();
  await guardian.opensCourse('Ship’s Spanish');
  await page.getByRole('link', { name: 'Talk with Isolde' }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByRole('button', { name: 'That was a mistake: undo' }).click();
  await expect(page).toHaveURL(/\/talk$/);
  await expect(page.getByRole('link', { name: /^Ship’s Spanish\./ })).toHaveCount(0);
});

test('a follow-up is settled by you, and taken up again', async ({ guardian, page }) => {
  await guardian.signsIn();
  await guardian.goesTo('Work');
  await guardian.opensWork('Log of tides, entry 4');
  await page.getByRole('link', { name: 'Talk with Isolde' }).last().click();
  await page.getByRole('radio', { name: 'No date' }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('No date to look again.')).toBeVisible();
  await expect(
    page.getByText(/It started out as a zero\. The record now shows it as a zero\./),
  ).toBeVisible();

  const keep = page.getByRole('button', { name: 'Save the change' });
  await expect(keep).toBeDisabled();
  await page.getByRole('radio', { name: 'Settled' }).click();
  await keep.click();
  await expect(page.getByText('Settled by you.')).toBeVisible();
  await page.getByRole('radio', { name: 'Noticed' }).click();
  await page.getByRole('radio', { name: /^Tomorrow/ }).click();
  await keep.click();
  await expect(page.getByText(/^Look again on/)).toBeVisible();
});

test('work that is in hand is not taken in hand twice', async ({ guardian, page }) => {
  await guardian.signsIn();
  // A work that no journey settles: other tests may have moved this story on.
  await guardian.takesInHand('Reef survey', 'She counts on Saturday.');
  await guardian.opensCourse('Kelp chemistry');
  await guardian.opensWork('Reef survey');
  const address = new URL(page.url()).pathname.split('/');
  await expect(page.getByRole('link', { name: 'Open the follow-up' })).toBeVisible();
  await guardian.opens(`/talk/new?studentId=${address[2]}&courseId=${address[3]}&itemId=${address[4]}`);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('You’re already following up on this.')).toBeVisible();
  await page.getByRole('link', { name: 'Open the follow-up' }).click();
  await expect(page).toHaveURL(/\/talk\/follow-ups\//);
  await expect(page.getByRole('heading', { level: 1, name: 'Reef survey' })).toBeVisible();
});

test('settings: where the records come from, the look, the language, and the way out', async ({
  guardian,
  page,
  look,
}) => {
  await guardian.signsIn('tobiah');
  await page.getByRole('link', { name: 'Settings' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Settings' })).toBeVisible();
  const caspian = page
    .getByRole('list', { name: 'Linked children' })
    .getByRole('listitem')
    .filter({ hasText: 'Caspian' });
  await expect(caspian).toContainText(/Caspian Aldervane.*Millrace Middle School/);
  await expect(caspian).toContainText(/updated .*\d:\d\d [AP]M$/);
  const ground = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  const day = await ground();
  await page.getByRole('button', { name: 'Light or dark, Same as the device' }).click();
  const other = look?.theme === 'dark' ? 'Light' : 'Dark';
  await page.getByRole('radio', { name: other }).click();
  await expect.poll(ground).not.toBe(day);
  await expect(page.getByRole('button', { name: `Light or dark, ${other}` })).toBeVisible();
  await page.getByRole('button', { name: 'Language, English' }).click();
  await page.getByRole('radio', { name: 'Español' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Ajustes' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { level: 1, name: 'Ajustes' })).toBeVisible();
  expect(await ground()).not.toBe(day);
  // What loads later stands above the choice and moves it: a tap before that may miss it.
  await expect(page.getByText(/Millrace Middle School/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Idioma, Español' }).click();
  await page.getByRole('radio', { name: 'English' }).click();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page).toHaveURL(/\/sign-in/);
  await page.goto('/brief');
  await expect(page).toHaveURL(/\/sign-in$/);
});

test(
  'on a broad screen the course stands beside the letter that is about it',
  once,
  async ({ guardian, page }) => {
    await page.setViewportSize({ width: 1600, height: 900 });
    await guardian.signsIn();
    const { rows } = (await (await page.request.get('/api/work')).json()) as {
      rows: { title: string; studentId: string; itemId: string }[];
    };
    const survey = rows.find(({ title }) => title === 'Reef survey');
    await page.goto(`/talk/write?studentId=${survey?.studentId}&itemId=${survey?.itemId}`);
    await expect(page.getByLabel('Your letter')).toHaveValue(/Reef survey/);
    await expect(page.getByRole('heading', { level: 2, name: 'Kelp chemistry' })).toBeVisible();
    await expect(page.getByText('if made up', { exact: true })).toBeVisible();
    await expect(page.getByRole('link', { name: /^Reef survey\. due Fri, Oct 9, missing/ })).toBeVisible();
    // A letter about nothing but the child has nothing beside it.
    await page.goto('/talk/write');
    await expect(page.getByRole('heading', { level: 1, name: 'Talk' })).toBeVisible();
    await expect(page.getByRole('heading', { level: 2, name: 'Kelp chemistry' })).toHaveCount(0);
  },
);

test('a follow-up is handed over with a word, taken on, and its list ticked off by whoever did it', async ({
  guardian,
  page,
}) => {
  await guardian.signsIn();
  const begun = { studentId: await guardian.idOf('Caspian'), title: 'The swim bag' };
  const answer = await page.request.post('/api/followups', { data: begun });
  const { id } = (await answer.json()) as { id: string };
  await page.goto(`/talk/follow-ups/${id}`);
  await expect(page.getByText('Maren Aldervane has it').last()).toBeVisible();
  // What is being written is no conflict with what one does beside it.
  await page.getByLabel('What was said').fill('He swims on Fridays now.');
  await page.getByLabel('Add something to do').fill('Find the goggles');
  await page.getByRole('button', { name: 'Add to the list' }).click();
  await expect(page.getByRole('checkbox', { name: 'Find the goggles' })).toBeVisible();
  await page.getByRole('button', { name: 'Save the change' }).click();
  await expect(page.getByLabel('What was said')).toHaveValue('');
  await expect(page.getByText('He swims on Fridays now.', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Hand it over', exact: true }).click();
  await page.getByRole('radio', { name: 'Tobiah Aldervane' }).click();
  await page.getByLabel('A word to go with it (optional)').fill('You know where they are.');
  await page.getByRole('button', { name: 'Hand it over now' }).click();
  await expect(page.getByText('Maren Aldervane asked Tobiah Aldervane, no answer yet').last()).toBeVisible();
  await guardian.findsScreenInOrder('a follow-up that is handed over');

  const tobiahs = await guardian.beside('tobiah');
  await tobiahs.goto('/brief');
  const asked = tobiahs
    .getByRole('list', { name: 'Matters' })
    .getByRole('listitem')
    .filter({ hasText: 'Maren Aldervane asks you to take on “The swim bag”' });
  await expect(asked).toContainText('You know where they are.');
  await tobiahs.goto(`/talk/follow-ups/${id}`);
  await tobiahs.getByRole('button', { name: 'Yes, I’ll take it' }).click();
  await expect(tobiahs.getByText('Tobiah Aldervane has it (Maren Aldervane asked)').last()).toBeVisible();
  await tobiahs.getByRole('checkbox', { name: 'Find the goggles' }).click();
  await expect(tobiahs.getByText('Find the goggles (done by Tobiah Aldervane)')).toBeVisible();
  await tobiahs.close();

  await page.reload();
  await expect(page.getByText('Tobiah Aldervane has it (Maren Aldervane asked)').last()).toBeVisible();
  await expect(page.getByText('Find the goggles (done by Tobiah Aldervane)')).toBeVisible();
});
