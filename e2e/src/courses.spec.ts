import { expect, test } from './stack';

/* A course explains itself: what a guardian reads there, corrects, and takes along. */

const number = (text: string | null): number => Number(/-?\d+(\.\d+)?/.exec(text ?? '')?.[0]);

test('a course says why its figure is what it is, what would change it and what moved it', async ({
  guardian,
  page,
}) => {
  await guardian.signsIn();
  await guardian.opensCourse('Kelp chemistry');

  await test.step('the categories cost together what is lacking', async () => {
    await expect(page.getByRole('heading', { name: /^Why \d/ })).toBeVisible();
    const costs = await page.getByText(/^costs \d/).allTextContents();
    expect(costs).toHaveLength(3);
    const lacking = number(await page.getByText(/^Together they cost/).textContent());
    expect(costs.reduce((sum, cost) => sum + number(cost), 0)).toBeCloseTo(lacking, 0);
    await expect(page.getByText(/A from 90 · B from 80/)).toBeVisible();
  });

  await test.step('what would change it', async () => {
    await expect(page.getByText(/^The loose end made up: about \d+\.\d\. Left: \d+\.\d\.$/)).toBeVisible();
    await expect(
      page.getByText(
        /^The \d works known to come are not enough to reach B, which begins at 80, by themselves\.$/,
      ),
    ).toBeVisible();
  });

  await test.step('each step of the line is reached by keyboard and names its cause', async () => {
    const line = page.getByRole('slider', { name: /^The posted figure over time/ });
    await line.focus();
    await page.keyboard.press('Home');
    await page.keyboard.press('ArrowRight');
    await expect(line).toHaveAttribute('aria-valuenow', '2');
    await page.getByRole('radio', { name: 'This term' }).click();
    const steps = page.getByText(/^step \d+ of \d+$/);
    const all = number((await steps.textContent())?.replace(/^step \d+ of /, '') ?? '');
    expect(all).toBeGreaterThan(10);
    await line.focus();
    await page.keyboard.press('End');
    for (let press = 0; press < all; press++) {
      if (/Reef survey: missing/.test((await line.getAttribute('aria-valuetext')) ?? '')) break;
      await page.keyboard.press('ArrowLeft');
    }
    await expect(page.getByText('Reef survey: missing', { exact: true })).toBeVisible();
    await expect(page.getByText(/^Mon 12 Oct: \d+\.\d, \d+(\.\d+)? points down$/)).toBeVisible();
  });

  await test.step('the work is arranged as one likes, and the address keeps it', async () => {
    await page.getByRole('radio', { name: 'Unit' }).click();
    await expect(page.getByRole('heading', { level: 3, name: 'Titration' })).toBeVisible();
    await expect(page).toHaveURL(/by=unit/);
    await page.reload();
    await expect(page.getByRole('heading', { level: 3, name: 'Titration' })).toBeVisible();
    await page.getByRole('radio', { name: 'State' }).click();
    await expect(page.getByRole('heading', { level: 3, name: 'missing' })).toBeVisible();
  });

  await test.step('what was missing and is marked says so', async () => {
    await guardian.opensCourse('Seed library');
    await expect(page.getByRole('link', { name: /^Seed log\. .*was missing, now 17 of 20/ })).toBeVisible();
  });
  expect(guardian.complaints).toEqual([]);
});

test('the school’s figure differs: the guardian tries, keeps, and takes back a correction', async ({
  guardian,
  page,
}) => {
  await guardian.signsIn();
  await guardian.opensCourse('Island history');
  await expect(page.getByText(/^The school posts 8\d B, .*: the same, rounded\.$/)).toBeVisible();
  await guardian.opensCourse('Tide tables');
  await expect(page.getByText(/^Nothing we know explains it\. A weight may not be published/)).toBeVisible();

  await guardian.opensCourse('Kelp chemistry');
  await expect(page.getByText(/^The school posts 80\.\d B\. By our count it is 7\d\.\d\.$/)).toBeVisible();
  await expect(
    page.getByText('It fits if missing work does not count, though it is not published so.'),
  ).toBeVisible();
  await page.getByRole('link', { name: 'Correct how we count it' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'How we count it' })).toBeVisible();
  await page.getByLabel('Least mark, in percent').fill('150');
  await expect(page.getByText('A number from 0 to 100')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep it' })).toBeDisabled();
  await page.getByLabel('Least mark, in percent').fill('50');
  await page.getByRole('button', { name: 'Try what would fit the school’s figure' }).click();
  await expect(page.getByText(/with this, the same\.$/)).toBeVisible();
  await guardian.findsStateInOrder('correcting the policy');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Computed with your correction of how it is counted.')).toBeVisible();
  await expect(page.getByText(/^The school posts the same: 80\.\d B/)).toBeVisible();

  await page.getByRole('link', { name: 'You have corrected this. Change it' }).click();
  await expect(page.getByText(/^Maren Aldervane, .*: missing work$/)).toBeVisible();
  await page.getByRole('button', { name: 'Back to what the school publishes' }).click();
  await expect(page.getByText(/^The school posts 80\.\d B\. By our count it is 7\d\.\d\.$/)).toBeVisible();
  expect(guardian.complaints).toEqual([]);
});

test('the year as a tree, and every course side by side', async ({ guardian, page }) => {
  await guardian.signsIn();
  await guardian.goesTo('Courses');
  await page.getByRole('link', { name: 'Terms and credits' }).first().click();
  await expect(page.getByRole('heading', { level: 1, name: 'Terms of Isolde' })).toBeVisible();
  await expect(page.getByText('Second quarter, begins on 9 November')).toBeVisible();
  await page.getByRole('button', { name: 'Show how the year is made: Shore life' }).click();
  await expect(
    page.getByRole('img', {
      name: /^First semester is made of First quarter, weight 40, 88\.0 stored, Second quarter, weight 40, 91\.0 stored, and Semester exam, weight 20, 84\.0 stored$/,
    }),
  ).toBeVisible();
  await expect(page.getByText('stored by the school on 26 June').first()).toBeVisible();
  await expect(page.getByText('‘A strong end. I look forward to kelp chemistry with her.’')).toBeVisible();
  await expect(page.getByText('over what the school has stored')).toBeVisible();
  await expect(page.getByText('1 still to be planned').first()).toBeVisible();
  await guardian.findsStateInOrder('the terms, opened');

  await guardian.goesTo('Courses');
  const print = page.getByRole('link', { name: /^Print this term/ }).first();
  const paper = await page.request.get((await print.getAttribute('href')) ?? '');
  expect(paper.headers()['content-type']).toBe('application/pdf');

  await page.getByRole('link', { name: 'All courses side by side' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Side by side' })).toBeVisible();
  for (const child of ['Isolde', 'Caspian', 'Pet']) {
    await expect(page.getByRole('heading', { level: 2, name: child })).toBeVisible();
  }
  await expect(page.getByRole('img', { name: /^Posted / })).toHaveCount(12);
  if (guardian.wide) {
    const tops = await Promise.all(
      ['Isolde', 'Pet'].map(
        async (child) => (await page.getByRole('heading', { level: 2, name: child }).boundingBox())?.y,
      ),
    );
    expect(tops[0]).toBe(tops[1]);
  }
  expect(guardian.complaints).toEqual([]);
});
