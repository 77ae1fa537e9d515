import { readFileSync } from 'node:fs';
import { expect, once, test } from './stack';

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
    await expect(
      page.getByText(/^With the loose end made up, about \d+\.\d\. If nothing changes, \d+\.\d\.$/),
    ).toBeVisible();
    await expect(
      page.getByText(/^The \d assignments still to come can’t reach B, which begins at 80, on their own\.$/),
    ).toBeVisible();
  });

  await test.step('each step of the line is reached by keyboard and names its cause', async () => {
    const line = page.getByRole('slider', { name: /^The posted grade over time/ });
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
      if (/“Reef survey” is now missing/.test((await line.getAttribute('aria-valuetext')) ?? '')) break;
      await page.keyboard.press('ArrowLeft');
    }
    await expect(page.getByText('“Reef survey” is now missing', { exact: true })).toBeVisible();
    await expect(page.getByText(/^Mon, Oct 12: \d+\.\d, \d+(\.\d+)? points down$/)).toBeVisible();
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
  await expect(page.getByText(/^The school shows 8\d B, .*: the same, rounded\.$/)).toBeVisible();
  await guardian.opensCourse('Tide tables');
  await expect(page.getByText(/^Nothing we know explains it\. A weight may not be published/)).toBeVisible();

  await guardian.opensCourse('Kelp chemistry');
  await expect(page.getByText(/^The school shows 80\.\d B\. By our count it’s 7\d\.\d\.$/)).toBeVisible();
  await expect(
    page.getByText('It adds up if missing work doesn’t count, though that’s not what’s published.'),
  ).toBeVisible();
  await page.getByRole('link', { name: 'The school counts it differently? Adjust it' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'How we count it' })).toBeVisible();
  await page.getByLabel('Lowest score, in percent').fill('150');
  await expect(page.getByText('A number from 0 to 100')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save' })).toBeDisabled();
  await page.getByLabel('Lowest score, in percent').fill('50');
  await page.getByRole('button', { name: 'Try what would match the school’s grade' }).click();
  await expect(page.getByText(/the same as with this\.$/)).toBeVisible();
  await guardian.findsScreenInOrder('correcting the policy');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Counted with your adjustment.')).toBeVisible();
  await expect(page.getByText(/^The school shows the same: 80\.\d B/)).toBeVisible();

  await page.getByRole('link', { name: 'You adjusted this. Change it' }).click();
  await expect(page.getByText(/^Maren Aldervane, .*: missing work$/)).toBeVisible();
  await page.getByRole('button', { name: 'Back to what the school publishes' }).click();
  await expect(page.getByText(/^The school shows 80\.\d B\. By our count it’s 7\d\.\d\.$/)).toBeVisible();
  expect(guardian.complaints).toEqual([]);
});

test('the year as a tree, and every course side by side', async ({ guardian, page }) => {
  await guardian.signsIn();
  await guardian.goesTo('Courses');
  await page.getByRole('link', { name: 'Term grades and credits' }).first().click();
  await expect(page.getByRole('heading', { level: 1, name: 'Terms of Isolde' })).toBeVisible();
  await expect(page.getByText('Second quarter, begins on November 9')).toBeVisible();
  await page.getByRole('button', { name: 'Show what makes up the year: Shore life' }).click();
  await expect(
    page.getByRole('img', {
      name: /^First semester is made up of First quarter, weight 40, 88\.0 final, Second quarter, weight 40, 91\.0 final, and Semester exam, weight 20, 84\.0 final$/,
    }),
  ).toBeVisible();
  await expect(page.getByText('final from the school on June 26').first()).toBeVisible();
  await expect(page.getByText('“A strong end. I look forward to kelp chemistry with her.”')).toBeVisible();
  await expect(page.getByText('from final grades')).toBeVisible();
  await expect(page.getByText('1 still to be planned').first()).toBeVisible();
  await guardian.findsScreenInOrder('the terms, opened');

  await guardian.goesTo('Courses');
  const print = page.getByRole('link', { name: /^Print this term/ }).first();
  const paper = await page.request.get((await print.getAttribute('href')) ?? '');
  expect(paper.headers()['content-type']).toBe('application/pdf');

  await page.getByRole('link', { name: 'Compare all courses' }).click();
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

test(
  'a term in one picture says the same in words, and is kept as a picture and as lines',
  once,
  async ({ guardian, page }) => {
    await guardian.signsIn();
    await guardian.opens(`/courses/${await guardian.idOf('Isolde')}/term`);
    await expect(page.getByRole('img', { name: /^The term of Isolde, 7 courses/ })).toBeVisible();
    await expect(
      page.getByRole('link', { name: /^Kelp chemistry\. .*“Reef survey” lowered it by 4\.6 on Mon, Oct 12/ }),
    ).toBeVisible();
    await page.getByRole('button', { name: /^Keep this picture/ }).click();
    const kept = async (name: RegExp) => {
      const coming = page.waitForEvent('download');
      await page.getByRole('button', { name }).click();
      const download = await coming;
      return { name: download.suggestedFilename(), bytes: readFileSync(await download.path()) };
    };
    const lines = await kept(/^As lines/);
    expect(lines.name).toBe('the-term-of-isolde.svg');
    expect(lines.bytes.toString('utf8')).toMatch(/^<svg [^>]*xmlns="http:\/\/www\.w3\.org\/2000\/svg"/);
    expect(lines.bytes.toString('utf8')).toContain('Kelp chemistry');
    const picture = await kept(/^As a picture/);
    expect(picture.name).toBe('the-term-of-isolde.png');
    expect(picture.bytes.subarray(1, 4).toString('latin1')).toBe('PNG');
    expect(picture.bytes.length).toBeGreaterThan(10_000);
    expect(guardian.complaints).toEqual([]);
  },
);
