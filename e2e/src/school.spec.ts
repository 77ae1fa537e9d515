import { expect, test } from './stack';

/* The days move on here: what the school asks has its last day. */
test.use({ story: 'asked' });

test('what the school asks is answered from the Brief, and both guardians see who said what', async ({
  guardian,
  page,
  running,
}) => {
  await guardian.signsIn();
  const asked = guardian.matter('When should we launch?');
  await expect(asked).toContainText('Boat-building is waiting for you to choose.');
  await expect(asked).toContainText('answer by Fri, Oct 23');
  await page.goto('/talk');
  await page
    .getByRole('link', { name: /^When should we launch\? · new\. .*Caspian · Boat-building/ })
    .click();
  await expect(page.getByRole('heading', { level: 1, name: 'When should we launch?' })).toBeVisible();
  const send = page.getByRole('button', { name: 'Send to Wren Thornwick' });
  await expect(send).toBeDisabled();
  await page.getByRole('radio', { name: 'After lunch' }).click();
  await page.getByLabel('Add a line (optional)').fill('Both of us are coming.');

  // Tobiah answers while it is written: nothing of it is lost, and both answers are shown before one of them stands.
  const tobiahs = await guardian.beside('tobiah');
  await tobiahs.goto(page.url());
  await tobiahs.getByRole('radio', { name: 'Before noon' }).last().click();
  await tobiahs.getByRole('button', { name: 'Send to Wren Thornwick' }).last().click();
  await expect(page.getByText('Tobiah Aldervane answered for Caspian: Before noon')).toBeVisible();
  await expect(page.getByRole('radio', { name: 'After lunch' })).toBeChecked();
  await send.click();
  await expect(
    page.getByText(
      'Tobiah Aldervane answered just before you: Before noon. Yours hasn’t been sent: After lunch',
    ),
  ).toBeVisible();
  await expect(page.getByLabel('Add a line (optional)')).toHaveValue('Both of us are coming.');
  await page.getByRole('button', { name: 'Send mine instead' }).click();
  await expect(page.getByText('You answered for Caspian: After lunch')).toBeVisible();
  await expect
    .poll(async () =>
      (await (await fetch(`${running.schoolUrl}/demo/letters`)).text()).includes('After lunch'),
    )
    .toBe(true);
  await guardian.findsScreenInOrder('an announcement that is answered');

  await expect(tobiahs.getByText('Maren Aldervane answered for Caspian: After lunch').last()).toBeVisible();
  await tobiahs.close();

  await page.getByRole('button', { name: /^Change the answer/ }).click();
  await page.getByRole('radio', { name: 'Before noon' }).click();
  await page.context().setOffline(true);
  await send.click();
  await expect(page.getByText('Saved. It goes out as soon', { exact: false })).toBeVisible();
  await page.context().setOffline(false);
  await expect(page.getByText('You answered for Caspian: Before noon')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Change the answer/ })).toBeVisible();
  await page.getByRole('link', { name: 'Read the letters' }).click();
  // On a wide screen the list beside it begins with the same words.
  await expect(page.getByText(/has changed\. It is now: Before noon/).last()).toBeVisible();
  await guardian.goesTo('Brief');
  await expect(page.getByRole('list', { name: 'Matters' })).toBeVisible();
  await expect(asked).toHaveCount(0);
});

test('days and things to bring are taken off its words, and it is kept or put away', async ({
  guardian,
  page,
}) => {
  await guardian.signsIn('maren', '/talk/school');
  await guardian.findsScreenInOrder('the announcements');
  await page
    .getByRole('link', { name: /^Rock pool morning/ })
    .last()
    .click();
  await page
    .getByRole('button', { name: /^Add to the shopping list: .*boots and a spare pair of socks$/ })
    .click();
  await expect(page.getByText('On the shopping list')).toBeVisible();
  await page.getByRole('button', { name: /^Add to our calendar/ }).click();
  await expect(page.getByText('On your calendar')).toBeVisible();
  await page.getByRole('button', { name: /^Undo: Wed, Nov 4/ }).click();
  await expect(page.getByText('On your calendar')).toHaveCount(0);
  await page.getByRole('button', { name: 'We sent the form back' }).click();
  await expect(page.getByText('You answered for Pet: the form is on its way back')).toBeVisible();
  await page.getByRole('button', { name: /^Put away/ }).click();
  await expect(page.getByRole('button', { name: /^Bring back/ })).toBeVisible();

  await guardian.opens('/days/shopping');
  await expect(page.getByText('boots and a spare pair of socks')).toBeVisible();
  await guardian.opens('/talk/school');
  await expect(page.getByRole('link', { name: /^Lamp night/ }).last()).toBeVisible();
  await page.getByRole('radio', { name: 'Put away' }).click();
  await expect(page.getByRole('link', { name: /^Rock pool morning/ })).toBeVisible();
});

test('helpers wanted are no matter of grades, and what is over says so', async ({ guardian, page }) => {
  await guardian.signsIn();
  for (let days = 0; days < 6; days++) await guardian.movesOnOneDay();
  const helpers = guardian.matter('Helpers for the launch');
  await expect(helpers).toContainText('is looking for helpers. Only if it suits you.');
  await guardian.opens('/alerts');
  await expect(page.getByText('Helpers for the launch')).toHaveCount(0);
  await guardian.opens('/talk/school');
  await page
    .getByRole('link', { name: /^Lamp night/ })
    .last()
    .click();
  await expect(page.getByRole('heading', { level: 1, name: 'Lamp night' })).toBeVisible();
  await expect(page.getByLabel('How many of you?')).toHaveCount(0);
});
