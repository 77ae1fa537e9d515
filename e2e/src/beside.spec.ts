import { expect, test } from './stack';

/* What a family knows and the school has not entered stands beside the school's record, for the family alone. */
test.use({ story: 'beside' });

test('what the gradebook does not show yet counts at home, and dissolves into it by an answer', async ({
  guardian,
  page,
}) => {
  test.setTimeout(90_000);
  await guardian.signsIn();
  await guardian.opensCourse('Kelp chemistry');
  await page.getByRole('link', { name: 'Add what the gradebook doesn’t show' }).click();
  await expect(
    page.getByRole('heading', { level: 1, name: 'What Kelp chemistry’s gradebook doesn’t show yet' }),
  ).toBeVisible();

  await test.step('a line is enough, and says what became of it', async () => {
    const line = page.getByLabel('An assignment in one line');
    await line.fill('Reef dive Oct 20 9/10, field notes');
    await line.press('Enter');
    await expect(page.getByText('Added Reef dive, 9 of 10.')).toBeVisible();
    await line.fill('Concentration Oct 23 15/20');
    await line.press('Enter');
    await expect(page.getByText('Added Concentration, 15 of 20.')).toBeVisible();
    await guardian.findsStateInOrder('assignments beside a school’s');
  });

  await test.step('the course counts it and says whose word it is', async () => {
    await page.getByRole('link', { name: 'See where Kelp chemistry stands' }).click();
    const dive = page.getByRole('link', { name: /^Reef dive\. .*not in the gradebook yet/ });
    await dive.first().click();
    await expect(
      page.getByText('Your family wrote this down. It isn’t in the school’s gradebook yet.'),
    ).toBeVisible();
  });

  await test.step('what may be one is asked, once', async () => {
    await guardian.opens('/settings/sources');
    await page.getByRole('link', { name: 'What you add to Isolde’s record' }).click();
    await expect(page.getByText('Are these the same assignment in Kelp chemistry?')).toBeVisible();
    await expect(page.getByText(/^School: Concentration: quiz, /)).toBeVisible();
    await guardian.findsStateInOrder('what is beside a school’s record');
    await page.getByRole('button', { name: 'Yes, the same: Concentration' }).click();
    await expect(page.getByRole('heading', { name: 'Where you and the school differ (1)' })).toBeVisible();
    await expect(page.getByText('The school hasn’t entered it yet.')).toBeVisible();
    await expect(page.getByText('We count yours.')).toBeVisible();
  });

  await test.step('a score is said of the school’s own assignment', async () => {
    await guardian.opensCourse('Kelp chemistry');
    await page
      .getByRole('link', { name: /^Reef survey\./ })
      .first()
      .click();
    await page.getByRole('link', { name: 'I know the score' }).click();
    await page.getByLabel('Points earned').fill('18');
    await page.getByRole('button', { name: 'Save the assignment' }).click();
    await expect(page.getByText('Added Reef survey, 18 of 20.')).toBeVisible();
    await page.getByRole('link', { name: 'What you add to Isolde’s record' }).click();
    // The school calls it missing, and goes first until somebody says otherwise.
    await expect(page.getByText('We count the school’s.')).toBeVisible();
    await page.getByRole('radio', { name: 'Yours' }).click();
    await expect(page.getByText('We count the school’s.')).toHaveCount(0);
    await guardian.opensCourse('Kelp chemistry');
    await expect(
      page.getByRole('link', { name: /^Reef survey\. .*not entered by the school yet/ }).first(),
    ).toBeVisible();
  });

  await test.step('and a course of one’s own', async () => {
    await guardian.opens('/settings/sources');
    await page.getByRole('link', { name: 'What you add to Isolde’s record' }).click();
    await page.getByRole('link', { name: 'Add a course' }).click();
    await page.getByLabel('Course', { exact: true }).fill('Cello');
    await page.getByRole('button', { name: 'Add the course' }).click();
    await page.getByLabel('An assignment in one line').fill('Scales yesterday 8/10');
    await page.getByLabel('An assignment in one line').press('Enter');
    await expect(page.getByText('Added Scales, 8 of 10.')).toBeVisible();
    await guardian.opensCourse('Cello');
    await expect(page.getByText('80', { exact: true }).first()).toBeVisible();
  });
});
