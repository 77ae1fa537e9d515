import type { Page } from '@playwright/test';
import { islandSchool, zip } from './islandSchool';
import { comesIn, newcomer, operatorSignsIn } from './newcomers';
import { expect, once, test } from './stack';

/* A school that has nothing but files: it hands one over, and a family sees its figures, on a phone. */
test.use({ story: 'bundle', fresh: true });

const dayMs = 24 * 60 * 60 * 1000;
/** The day so many days from now; a Cadro that knows of no demo lives by the calendar on the wall. */
const day = (from: number): string => new Date(Date.now() + from * dayMs).toISOString().slice(0, 10);

const school = islandSchool(day);

async function upload(page: Page, name: string, file: Buffer): Promise<void> {
  const asked = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Upload an export: Wrack Island School' }).click();
  await (await asked).setFiles({ name, mimeType: 'application/zip', buffer: file });
}

test(
  'a school’s export, a code, and a family that sees where its child stands',
  once,
  async ({ browser, running }) => {
    const operator = await newcomer(browser, running, false);
    const { page } = operator;
    await operatorSignsIn(page, running);
    await page.getByRole('button', { name: 'Add a school' }).click();
    await page.getByRole('radio', { name: 'From files it exports' }).click();
    await page.getByLabel('The school’s name').fill('Wrack Island School');
    await page.getByLabel(/^Time zone of the school/).fill('America/Halifax');
    await operator.findsScreenInOrder('adding a school that exports files');
    await page.getByRole('button', { name: 'Add a school' }).click();
    await expect(page.getByRole('button', { name: /^Upload an export/ })).toBeVisible();
    await upload(page, 'fall.zip', await zip(school));
    await expect(page.getByText(/^fall\.zip: read .* \(\d+ records\)$/)).toBeVisible();
    await upload(page, 'photo.zip', Buffer.from('a picture of a boat'));
    await expect(page.getByText(/^photo\.zip: can’t be read\. It isn’t a zip file/)).toBeVisible();
    // An export that lost most of its rows on the way is not taken for the truth.
    await upload(
      page,
      'half.zip',
      await zip({ ...school, lineItems: school.lineItems.slice(12), results: [] }),
    );
    await expect(page.getByText(/^half\.zip no longer lists 15 of 15 scores \(100\s?%\)/)).toBeVisible();
    await operator.findsScreenInOrder('an export that would remove records');
    await page.getByRole('button', { name: 'No, don’t use this file: half.zip' }).click();
    await expect(page.getByText('half.zip: stopped')).toBeVisible();

    await page.getByLabel('Part of a child’s name').fill('odo');
    await page.getByRole('button', { name: 'Search' }).click();
    await page.getByRole('button', { name: /^Odo Wrack/ }).click();
    await page.getByRole('button', { name: 'Make a code for the family' }).click();
    const code = (await page.getByText(/^([0-9A-Z]{4}-){3}[0-9A-Z]{4}$/).textContent()) ?? '';

    const parent = await newcomer(browser, running, false);
    const who = { name: 'Ina Wrack', email: 'ina@test.example', child: 'Odo', school: 'Wrack Island School' };
    await comesIn(parent.page, code, who);
    await expect(parent.page).toHaveURL(/\/brief$/);
    await parent.page.goto('/courses');
    await parent.page.getByRole('link', { name: /^Knots and splices/ }).click();
    // 17 of 20 in the quizzes at 60, and nothing turned in at 40.
    await expect(parent.page.getByText('51.0', { exact: true }).first()).toBeVisible();
    await expect(
      parent.page.getByText(/^The school hasn’t told Cadro how it grades this class/),
    ).toBeVisible();
    await expect(parent.page.getByText(/^Wrack Island School doesn’t share course comments/)).toBeVisible();
    await parent.findsScreenInOrder('a course whose school tells no rules');
    await parent.page.goto('/work');
    await expect(parent.page.getByText('Bowline sheet').first()).toBeVisible();
    await parent.page.goto('/days/attendance');
    await expect(
      parent.page.getByText('Wrack Island School doesn’t share attendance with Cadro.'),
    ).toBeVisible();
    expect([...operator.complaints, ...parent.complaints]).toEqual([]);
  },
);
