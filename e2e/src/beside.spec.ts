import { expect, once, test } from './stack';

/* What a family knows and the school has not entered stands beside the school's record, for the family alone. */
test.use({ story: 'beside' });

test(
  'what the gradebook does not show yet counts at home, and dissolves into it by an answer',
  once,
  async ({ guardian, page }) => {
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
      await guardian.findsScreenInOrder('assignments beside a school’s');
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
      await guardian.findsScreenInOrder('what is beside a school’s record');
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
      await expect(page.getByText('80.0 B', { exact: true }).first()).toBeVisible();
    });
  },
);

test('two records of one child are read as one, and taken apart again', once, async ({ guardian, page }) => {
  await guardian.signsIn();
  const post = async (path: string, data: object) => {
    const answer = await page.request.post(path, { data });
    expect(answer.ok()).toBe(true);
    return (await answer.json()) as { id: string; courseId: string };
  };
  const isolde = await guardian.idOf('Isolde');
  // Once the school gave nothing, and the family wrote it down.
  const child = await post('/api/own/children', {
    ...{ givenName: 'Isolde', familyName: 'Aldervane', year: '10', schoolName: 'Our own notes' },
    timeZone: 'America/Halifax',
    term: { title: 'Fall', startsOn: '2026-09-01', endsOn: '2026-12-18' },
  });
  const own = `/api/own/children/${child.id}`;
  const { terms } = (await (await page.request.get(own)).json()) as { terms: { id: string }[] };
  const { courseId } = await post(`${own}/courses`, {
    ...{ id: null, title: 'Tides and tables', teacher: null, teacherEmail: null, termId: terms[0]?.id },
    ...{ adds: 'together', missing: 'zero', scale: 'hundred', categories: [] },
  });
  const said = { category: null, percent: null, letter: null, comment: null, itemId: null };
  await post(`${own}/courses/${courseId}/work`, {
    rows: [
      { ...said, title: 'Gauge log', dueOn: '2026-10-14', earned: 6, possible: 10, status: 'scored' },
      {
        ...said,
        title: 'Storm surge: quiz',
        dueOn: '2026-10-19',
        earned: 18,
        possible: 20,
        status: 'scored',
      },
    ],
  });

  await guardian.opens(`/settings/beside/${isolde}`);
  await expect(
    page.getByText('You also have a record of Isolde Aldervane from Our own notes.'),
  ).toBeVisible();
  await page.getByRole('button', { name: /^Yes, put the two together/ }).click();
  await expect(page.getByRole('radio', { name: 'Tide tables' })).toBeVisible();
  await page.getByRole('radio', { name: 'Tide tables' }).click();
  await guardian.findsScreenInOrder('which course is which');
  await page.getByRole('button', { name: 'Put the two records together' }).click();
  await expect(page.getByText('Tides and tables is Tide tables')).toBeVisible();
  await expect(page.getByText('You: Storm surge: quiz, due Mon, Oct 19, 18 of 20')).toBeVisible();
  await guardian.findsScreenInOrder('two records that are one');
  await guardian.opensCourse('Tide tables');
  await expect(
    page.getByRole('link', { name: /^Gauge log\. .*not in the gradebook yet/ }).first(),
  ).toBeVisible();

  await guardian.opens(`/settings/beside/${isolde}`);
  await page.getByRole('button', { name: 'Stop using this record: Our own notes' }).click();
  await page.getByRole('button', { name: 'Take the two apart again' }).click();
  await expect(
    page.getByText('You also have a record of Isolde Aldervane from Our own notes.'),
  ).toBeVisible();
});
