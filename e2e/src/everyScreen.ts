import type { Guardian } from './guardian';
import { expect } from './stack';

/** Every screen, by the way to it. */
export const screens: readonly { name: string; open: (guardian: Guardian) => Promise<void> }[] = [
  { name: 'Brief', open: (guardian) => guardian.goesTo('Brief') },
  {
    name: 'what is new',
    async open(guardian) {
      await guardian.goesTo('Brief');
      await guardian.page
        .getByRole('link', { name: /^(\d+ new entries|One new entry|Nothing new|See what)/ })
        .click();
      await expect(guardian.page.getByRole('heading', { level: 1, name: 'What’s new' })).toBeVisible();
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
      await guardian.page.getByRole('link', { name: 'Term grades and credits' }).first().click();
      await expect(guardian.page.getByRole('heading', { level: 1, name: /^Terms of/ })).toBeVisible();
    },
  },
  {
    name: 'the report cards',
    async open(guardian) {
      await guardian.goesTo('Courses');
      await guardian.page.getByRole('link', { name: 'Report cards' }).first().click();
      await expect(
        guardian.page.getByRole('group', { name: 'School year 2026–27', exact: true }),
      ).toBeVisible();
    },
  },
  { name: 'side by side', open: (guardian) => guardian.opens('/courses/compare') },
  {
    name: 'how a course is counted',
    async open(guardian) {
      await guardian.opensCourse('Tide tables');
      await guardian.page.getByRole('link', { name: 'The school counts it differently? Adjust it' }).click();
      await expect(guardian.page.getByText(/^Now we count/)).toBeVisible();
    },
  },
  {
    name: 'a term in one picture',
    open: async (guardian) => guardian.opens(`/courses/${await guardian.idOf('Isolde')}/term`),
  },
  { name: 'Work', open: (guardian) => guardian.goesTo('Work') },
  {
    name: 'Work narrowed down, with something chosen',
    async open(guardian) {
      await guardian.goesTo('Work');
      await guardian.page
        .getByRole('checkbox', { name: /^Select / })
        .first()
        .click();
      await guardian.page
        .getByRole('button', { name: /^Show more: / })
        .first()
        .click();
      await guardian.page.getByRole('button', { name: 'Search and filter' }).click();
      await expect(guardian.page.getByRole('region', { name: '1 selected' })).toBeVisible();
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
      await guardian.page.getByRole('link', { name: 'Try out scores' }).click();
      await guardian.page
        .getByLabel(/^Score for /)
        .first()
        .fill('5');
    },
  },
  {
    name: 'Days',
    async open(guardian) {
      await guardian.goesTo('Days');
      if (!guardian.wide) await guardian.page.getByRole('button', { name: /^Isolde, \d+ due/ }).click();
    },
  },
  {
    name: 'Days with everything unfolded',
    async open(guardian) {
      const { page } = guardian;
      await guardian.opens('/days?on=2026-10-08');
      await page.getByRole('button', { name: /^Show \d+ settled$/ }).click();
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
      await page.getByRole('button', { name: 'Create an address' }).click();
    },
  },
  { name: 'Talk', open: (guardian) => guardian.goesTo('Talk') },
  { name: 'the announcements', open: (guardian) => guardian.opens('/talk/school') },
  {
    name: 'an announcement',
    async open(guardian) {
      await guardian.goesTo('Talk');
      await guardian.page.getByRole('link', { name: /^See all \d+ announcements/ }).click();
      await guardian.page
        .getByRole('link', { name: /^Rock pool morning/ })
        .last()
        .click();
      await expect(guardian.page.getByText('Dates and things to bring')).toBeVisible();
    },
  },
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
  { name: 'people at school', open: (guardian) => guardian.opens('/talk/contacts') },
  { name: 'notes', open: (guardian) => guardian.opens('/talk/notes') },
  { name: 'what else the schools tell', open: (guardian) => guardian.opens('/talk/around') },
  {
    name: 'a search',
    async open(guardian) {
      await guardian.opens('/search');
      await guardian.page.getByLabel(/^Search assignments/).fill('launch');
      await expect(guardian.page.getByRole('link', { name: /From the school/ }).first()).toBeVisible();
    },
  },
  {
    name: 'alerts',
    async open(guardian) {
      const { page } = guardian;
      await guardian.opens('/alerts');
      await page.getByRole('button', { name: 'Search' }).click();
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
      await page.getByRole('button', { name: 'Fewer like this' }).click();
    },
  },
  {
    name: 'what one is told',
    async open(guardian) {
      const { page } = guardian;
      await guardian.opens('/alerts/rules');
      await guardian.opensEveryRule();
      await page.getByRole('button', { name: 'Make an exception' }).click();
      await page.getByRole('button', { name: 'Make an exception' }).click();
      // A term is looked through day by day, beside everything else that is tried at the time.
      await expect(page.getByText(/^These rules would have sent you \d+ alerts/)).toBeVisible();
    },
  },
  { name: 'how it reaches one', open: (guardian) => guardian.opens('/alerts/delivery') },
  { name: 'the digest', open: (guardian) => guardian.opens('/alerts/digest') },
  { name: 'stopping mail', open: (guardian) => guardian.opens('/mail-stop/nothing') },
  { name: 'linking', open: (guardian) => guardian.opens('/link') },
  {
    name: 'settings, unfolded',
    async open(guardian) {
      await guardian.opens('/settings');
      for (const folded of ['Language', 'Light or dark', 'On this device'])
        await guardian.page.getByRole('button', { name: new RegExp(`^${folded}, `) }).click();
    },
  },
  { name: 'sign-in and safety', open: (guardian) => guardian.opens('/settings/safety') },
  { name: 'adding a child by hand', open: (guardian) => guardian.opens('/own') },
  { name: 'the sources', open: (guardian) => guardian.opens('/settings/sources') },
  { name: 'forwarded mail', open: (guardian) => guardian.opens('/settings/mails') },
  { name: 'the records on their way out', open: (guardian) => guardian.opens('/settings/out') },
  {
    name: 'an absence by hand',
    open: async (guardian) => guardian.opens(`/days/attendance/${await guardian.idOf('Isolde')}/mark`),
  },
  { name: 'one’s own data', open: (guardian) => guardian.opens('/settings/data') },
  { name: 'who sees what', open: (guardian) => guardian.opens('/settings/people') },
  {
    name: 'what the school has on file',
    async open(guardian) {
      await guardian.opens(`/settings/file/${await guardian.idOf('Isolde')}`);
      await expect(guardian.page.getByText('Phone +1 555 010 0200')).toBeVisible();
    },
  },
  {
    name: 'the letter about what is on file',
    async open(guardian) {
      await guardian.opens(`/settings/file/${await guardian.idOf('Caspian')}`);
      await guardian.page.getByRole('link', { name: 'This isn’t right' }).click();
      await expect(guardian.page.getByLabel('Your letter')).toHaveValue(
        /Tobiah Aldervane: Phone \+1 555 010 0177;/,
      );
    },
  },
  {
    name: 'what a child shows its family',
    async open(guardian) {
      await guardian.opens(`/talk/from/${await guardian.idOf('Isolde')}`);
      await expect(guardian.page.getByRole('heading', { name: 'Proud of' })).toBeVisible();
    },
  },
];
