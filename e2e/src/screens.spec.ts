import { screens } from './everyScreen';
import { expect, once, test } from './stack';

/** The screens in four parts, each with a size and a theme of its own: together they use every combination. */
const looks = [
  ['@phone', '@light'],
  ['@phone', '@dark'],
  ['@wide', '@light'],
  ['@wide', '@dark'],
];
const parts = looks.map((tag, part) => ({ tag, screens: screens.filter((_, at) => at % 4 === part) }));

test.describe('every screen is in order', () => {
  test.describe.configure({ mode: 'parallel' });

  test('sign-in', async ({ guardian, page }) => {
    await page.goto('/sign-in');
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await guardian.findsScreenInOrder('sign-in');
    expect(guardian.complaints).toEqual([]);
  });

  for (const { tag, screens: part } of parts) {
    test(part.map(({ name }) => name).join(', '), { tag }, async ({ guardian, page }) => {
      await guardian.signsIn();
      await guardian.hasTheKeelModelInHand();
      for (const { name, open } of part) {
        await open(guardian);
        await expect(page.getByRole('heading', { level: 1 }).last()).toBeVisible();
        await expect(page.getByRole('status', { name: 'Loading' })).toHaveCount(0);
        await guardian.findsScreenInOrder(name);
      }
      expect(guardian.complaints).toEqual([]);
    });
  }
});

test(
  'what is being written stays when the evening turns the screen dark',
  once,
  async ({ guardian, page }) => {
    await guardian.signsIn('maren', '/days/entries/new?on=2026-10-22');
    await page.getByLabel('Title').fill('Lanterns out of the loft');
    await guardian.changesTheme();
    await expect(page.getByLabel('Title')).toHaveValue('Lanterns out of the loft');
  },
);

test('what each place answers', async ({ guardian, page }) => {
  await guardian.signsIn();
  await guardian.goesTo('Work');
  await expect(
    page.getByRole('link', {
      name: /^Log of tides, entry 4\. Isolde · Tide tables( · a zero)?\. .*by Fri, Nov 6( \(\d+ days left\))?, for 50% credit.*/,
    }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Search and filter' }).click();
  await page.getByLabel('Search', { exact: true }).fill('lamps');
  await expect(page.getByRole('link', { name: /^Essay on lamps\. .*Worth asking/ })).toBeVisible();
  await guardian.goesTo('Days');
  await page.getByRole('link', { name: 'Attendance' }).click();
  await expect(page.getByText('Left before last period on Oct 19, 20, and 21.')).toBeVisible();
  await guardian.seesOnly('Pet');
  await expect(page.getByText('Left before last period')).toHaveCount(0);
  await guardian.goesTo('Brief');
  await expect(page.getByRole('heading', { level: 1, name: 'Nothing needs you today' })).toBeVisible();
  await guardian.opensCourse('Number and shore');
  await expect(page.getByText('not assessed yet').first()).toBeVisible();
  await guardian.seesOnly('Everyone');
  await guardian.opensCourse('First Spanish');
  await expect(page.getByText(/No grade yet\. .* is due on/).last()).toBeVisible();
});

test('absences and a whole course are taken in hand like any work', async ({ guardian, page }) => {
  await guardian.signsIn();
  const absence = guardian.matter('Left before last period on 3 days');
  await absence.getByRole('link', { name: 'Talk with Isolde' }).click();
  await expect(page.getByText('What happened on those days?')).toBeVisible();
  await page.getByLabel('What was said').fill('She rows early on those days. We ask the school.');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Attendance' })).toBeVisible();
  await guardian.goesTo('Brief');
  await expect(page.getByText(/^Isolde · Attendance: back on/)).toBeVisible();
  await expect(absence).toHaveCount(0);

  await guardian.opensCourse('Rowing geometry');
  await page.getByRole('link', { name: 'Talk with Isolde' }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Rowing geometry' }).last()).toBeVisible();
  await page.getByRole('link', { name: 'Write to Jory Sandhaven' }).click();
  await expect(page.getByLabel('Your letter')).toHaveValue(
    /I am writing about Rowing geometry\. We have talked/,
  );
});

test('a screen can be opened by its address, and the keyboard reaches the next step', async ({
  guardian,
  page,
}) => {
  await guardian.signsIn('maren', '/work');
  await expect(page.getByRole('heading', { level: 1, name: 'Work' })).toBeVisible();
  await page.goto('/nowhere');
  await expect(
    page.getByText('This page doesn’t exist, or it isn’t about a child you’re linked to.'),
  ).toBeVisible();
  await page.goto('/brief');
  const step = guardian.matter('').first().getByRole('link').first();
  await expect(step).toBeVisible();
  for (let press = 0; press < 40; press++) {
    if (await step.evaluate((element) => element === document.activeElement)) break;
    await page.keyboard.press('Tab');
  }
  await expect(step).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page).not.toHaveURL(/\/brief$/);
});
