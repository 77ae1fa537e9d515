import { expect, once, test } from './stack';
import type { Guardian } from './guardian';

/** Every screen, by the way to it. */
const screens: readonly { name: string; open: (guardian: Guardian) => Promise<void> }[] = [
  { name: 'Brief', open: (guardian) => guardian.goesTo('Brief') },
  {
    name: 'what is new',
    async open(guardian) {
      await guardian.goesTo('Brief');
      await guardian.page
        .getByRole('link', { name: /^(\d+ new entries|One new entry|Nothing new|See what)/ })
        .click();
      await expect(guardian.page.getByRole('heading', { level: 1, name: 'What is new' })).toBeVisible();
    },
  },
  { name: 'a week that was', open: (guardian) => guardian.opens('/brief/new?week=2026-10-05') },
  { name: 'Courses', open: (guardian) => guardian.goesTo('Courses') },
  { name: 'a weighted course', open: (guardian) => guardian.opensCourse('Kelp chemistry') },
  { name: 'a standards course', open: (guardian) => guardian.opensCourse('Number and shore') },
  { name: 'a course without marks', open: (guardian) => guardian.opensCourse('First Spanish') },
  {
    name: 'an assignment',
    async open(guardian) {
      await guardian.goesTo('Work');
      await guardian.opensWork('Reef survey');
    },
  },
  {
    name: 'the terms',
    async open(guardian) {
      await guardian.goesTo('Courses');
      await guardian.page.getByRole('link', { name: 'Terms and credits' }).first().click();
      await expect(guardian.page.getByRole('heading', { level: 1, name: /^Terms of/ })).toBeVisible();
    },
  },
  {
    name: 'the report cards',
    async open(guardian) {
      await guardian.goesTo('Courses');
      await guardian.page.getByRole('link', { name: 'Report cards' }).first().click();
      await expect(guardian.page.getByRole('table', { name: 'School year 2026–27' })).toBeVisible();
    },
  },
  { name: 'side by side', open: (guardian) => guardian.opens('/courses/compare') },
  {
    name: 'how a course is counted',
    async open(guardian) {
      await guardian.opensCourse('Tide tables');
      await guardian.page.getByRole('link', { name: 'Correct how we count it' }).click();
      await expect(guardian.page.getByText(/^Now we count/)).toBeVisible();
    },
  },
  { name: 'Work', open: (guardian) => guardian.goesTo('Work') },
  {
    name: 'Work narrowed down, with something chosen',
    async open(guardian) {
      await guardian.goesTo('Work');
      await guardian.page
        .getByRole('checkbox', { name: /^Choose / })
        .first()
        .click();
      await guardian.page
        .getByRole('button', { name: /^More: / })
        .first()
        .click();
      await guardian.page.getByRole('button', { name: 'Narrow down' }).click();
      await expect(guardian.page.getByRole('region', { name: 'One chosen' })).toBeVisible();
    },
  },
  {
    name: 'the evenings',
    async open(guardian) {
      await guardian.goesTo('Work');
      await guardian.page.getByRole('link', { name: 'Plan the evenings' }).click();
      await guardian.page.getByRole('button', { name: /^Change the free time/ }).click();
    },
  },
  {
    name: 'trying scores out',
    async open(guardian) {
      await guardian.opensCourse('Kelp chemistry');
      await guardian.page.getByRole('link', { name: 'Try scores out' }).click();
      await guardian.page
        .getByLabel(/^Score for /)
        .first()
        .fill('5');
    },
  },
  { name: 'Days', open: (guardian) => guardian.goesTo('Days') },
  {
    name: 'Days with everything unfolded',
    async open(guardian) {
      const { page } = guardian;
      await guardian.opens('/days?on=2026-10-08');
      await page.getByRole('button', { name: /^Show \d+ that are settled$/ }).click();
      await page.getByRole('button', { name: 'Everything is shown' }).click();
      await page.getByRole('button', { name: 'Choose a day' }).first().click();
    },
  },
  {
    name: 'a week of Days',
    open: (guardian) => guardian.opens('/days?view=week&on=2026-10-21'),
  },
  { name: 'four weeks of Days', open: (guardian) => guardian.opens('/days?view=agenda') },
  {
    name: 'a day and what it cost',
    open: async (guardian) => guardian.opens(`/days/${await guardian.idOf('Isolde')}/2026-10-08`),
  },
  {
    name: 'a letter to the desk',
    open: async (guardian) => guardian.opens(`/days/${await guardian.idOf('Isolde')}/2026-10-20/letter`),
  },
  { name: 'attendance', open: (guardian) => guardian.opens('/days/attendance') },
  {
    name: 'one child’s attendance',
    open: async (guardian) => guardian.opens(`/days/attendance/${await guardian.idOf('Caspian')}`),
  },
  {
    name: 'a file of marks',
    open: async (guardian) => guardian.opens(`/days/attendance/${await guardian.idOf('Caspian')}/file`),
  },
  {
    name: 'writing something down',
    async open(guardian) {
      const { page } = guardian;
      await guardian.opens('/days/entries/new?on=2026-10-22');
      await page.getByRole('radio', { name: 'Event' }).click();
      await page.getByRole('radio', { name: 'Every week' }).click();
    },
  },
  { name: 'the shopping list', open: (guardian) => guardian.opens('/days/shopping') },
  {
    name: 'calendars elsewhere',
    async open(guardian) {
      const { page } = guardian;
      await guardian.opens('/days/elsewhere');
      await page.getByRole('button', { name: 'Make an address' }).click();
    },
  },
  { name: 'Talk', open: (guardian) => guardian.goesTo('Talk') },
  {
    name: 'a follow-up',
    async open(guardian) {
      await guardian.goesTo('Talk');
      await guardian.page.getByRole('link', { name: /^Keel model\./ }).click();
    },
  },
  {
    name: 'a thread',
    async open(guardian) {
      await guardian.goesTo('Talk');
      await guardian.page.getByRole('link', { name: /^Wren Thornwick\./ }).click();
    },
  },
  {
    name: 'a letter that is begun',
    async open(guardian) {
      const { page } = guardian;
      await guardian.opensCourse('Tide tables');
      await page.getByRole('link', { name: /^Write to Hester/ }).click();
      await page.getByLabel('Your letter').fill('Dear Hester,');
      await expect(page.getByText('Kept as you write.')).toBeVisible();
    },
  },
  { name: 'the choice of a teacher', open: (guardian) => guardian.opens('/talk/write') },
  {
    name: 'alerts',
    async open(guardian) {
      const { page } = guardian;
      await guardian.opens('/alerts');
      await page.getByRole('button', { name: 'Find' }).click();
    },
  },
  {
    name: 'one alert',
    async open(guardian) {
      const { page } = guardian;
      await guardian.opens('/alerts');
      await page
        .getByRole('radio', { name: /^(Open|Read) \([1-9]/ })
        .first()
        .click();
      await page.getByRole('list', { name: 'Alerts' }).getByRole('link').first().click();
      await page.getByRole('button', { name: 'Hear less of this' }).click();
    },
  },
  {
    name: 'what one is told',
    async open(guardian) {
      const { page } = guardian;
      await guardian.opens('/alerts/rules');
      await page.getByRole('button', { name: 'Make an exception' }).click();
      await page.getByRole('button', { name: 'Make an exception' }).click();
      await expect(page.getByText(/^These rules would have sent you \d+ alerts/)).toBeVisible();
    },
  },
  { name: 'how it reaches one', open: (guardian) => guardian.opens('/alerts/delivery') },
  { name: 'the digest', open: (guardian) => guardian.opens('/alerts/digest') },
  { name: 'stopping mail', open: (guardian) => guardian.opens('/mail-stop/nothing') },
  { name: 'linking', open: (guardian) => guardian.opens('/link') },
  { name: 'settings', open: (guardian) => guardian.opens('/settings') },
];

/** Told apart so that they run beside each other. */
const parts = [0, 1, 2, 3].map((part) => screens.filter((_, index) => index % 4 === part));

test.describe('every screen is in order, in both themes', () => {
  test.describe.configure({ mode: 'parallel' });

  test('sign-in', async ({ guardian, page }) => {
    await page.goto('/sign-in');
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await guardian.findsScreenInOrder('sign-in');
    expect(guardian.complaints).toEqual([]);
  });

  for (const part of parts) {
    test(part.map(({ name }) => name).join(', '), async ({ guardian, page }) => {
      test.setTimeout(240_000);
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
    await guardian.signsIn();
    await page.goto('/days/entries/new?on=2026-10-22');
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
      name: /^Log of tides, entry 4\. Isolde · Tide tables\. Zero with no remark\. In this course that mostly means nothing was handed in\. Taken until Fri 6 Nov \(\d+ days left\), half credit/,
    }),
  ).toBeVisible();
  await page.getByLabel('Search').fill('lamps');
  await expect(page.getByRole('link', { name: /^Essay on lamps\. .*Worth asking/ })).toBeVisible();
  await guardian.goesTo('Days');
  await page.getByRole('link', { name: 'Attendance' }).click();
  await expect(
    page.getByText('Left before the last lesson on Mon 19 Oct, Tue 20 Oct, and Wed 21 Oct.'),
  ).toBeVisible();
  await guardian.seesOnly('Pet');
  await expect(page.getByText('Left before the last lesson')).toHaveCount(0);
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
  const absence = guardian.matter('Left before the last lesson on 3 days');
  await absence.getByRole('link', { name: 'Talk with Isolde' }).click();
  await expect(page.getByText('What happened on those days?')).toBeVisible();
  await page.getByLabel('What was said').fill('She rows early on those days. We ask the school.');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Attendance' })).toBeVisible();
  await guardian.goesTo('Brief');
  await expect(page.getByText(/^Isolde · Attendance: back on/)).toBeVisible();
  await expect(absence).toHaveCount(0);

  await guardian.opensCourse('Rowing geometry');
  await page.getByRole('link', { name: 'Talk with Isolde' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
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
  await guardian.signsIn();
  await page.goto('/work');
  await expect(page.getByRole('heading', { level: 1, name: 'Work' })).toBeVisible();
  await page.goto('/nowhere');
  await expect(page.getByText('There is nothing here for you.')).toBeVisible();
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

test(
  'a school that cannot be reached leaves its records there, with their age',
  once,
  async ({ guardian, page, running }) => {
    test.setTimeout(120_000);
    const schoolFails = (faults: object[]) =>
      fetch(`${running.schoolUrl}/demo/faults`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ faults }),
      });
    const told = page.getByText(/^Millrace Middle School cannot be read since/);
    await guardian.signsIn();
    await schoolFails([{ school: 'millrace', collection: 'results', kind: 'down' }]);
    await guardian.movesOnOneDay();
    await expect(told).toBeVisible();
    await guardian.opensCourse('Boat-building');
    await expect(page.getByRole('img', { name: /Posted 3\.\d of 4\./ }).last()).toBeVisible();
    await schoolFails([]);
    await guardian.movesOnOneDay();
    await expect(told).toHaveCount(0);
  },
);
