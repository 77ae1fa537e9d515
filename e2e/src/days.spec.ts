import ICAL from 'ical.js';
import { expect, once, test } from './stack';

test.use({ story: 'days' });

test('an address for calendar programs says the same as the month', once, async ({ guardian, page }) => {
  await guardian.signsIn();
  await guardian.opens('/days/elsewhere');
  await page.getByRole('button', { name: 'Create an address' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Kitchen wall');
  await page.getByRole('checkbox', { name: 'Our own' }).click();
  await page.getByRole('button', { name: 'Create the address' }).click();
  await expect(page.getByRole('heading', { level: 3, name: 'Kitchen wall' })).toBeVisible();
  const url = (await page.getByText(/\/calendar\/.*\.ics$/).textContent()) ?? '';
  const text = await (await fetch(url)).text();
  const events = new ICAL.Component(ICAL.parse(text) as [string, unknown[], unknown[]])
    .getAllSubcomponents('vevent')
    .map((event) => ({
      on: String(event.getFirstPropertyValue('dtstart')).slice(0, 10),
      title: String(event.getFirstPropertyValue('summary')).replace(/^.*?: /, ''),
      kind: String(event.getFirstPropertyValue('categories')),
    }))
    .filter(({ on }) => on.startsWith('2026-11'));
  await guardian.opens('/days?on=2026-11-03');
  const days = page.getByRole('button', { name: / November / });
  // Sunday, the 1st, stands at the end of October.
  await expect(days).toHaveCount(29);
  const labels = await days.evaluateAll((cells) =>
    cells.map((cell) => cell.getAttribute('aria-label') ?? ''),
  );
  const events11 = events.filter(({ kind }) =>
    ['At school', 'School', 'Meeting', 'No school'].includes(kind),
  );
  expect(events11.length).toBeGreaterThanOrEqual(5);
  for (const { on, title } of events11) {
    const label = labels.find((each) => new RegExp(` November ${Number(on.slice(8))}(,|$)`).test(each));
    expect(label).toContain(title);
  }
  // Whoever closes it, closes it at once.
  await guardian.opens('/days/elsewhere');
  await page.getByRole('button', { name: 'Turn off the address: Kitchen wall' }).click();
  await expect(page.getByRole('heading', { level: 3, name: 'Kitchen wall' })).toHaveCount(0);
  expect((await fetch(url)).status).toBe(404);
});

test('what a family writes down: again and again, ticked, left out, taken out and put back', async ({
  guardian,
  page,
}) => {
  await guardian.signsIn();
  await guardian.opens('/days/entries/new?on=2026-11-16');
  await page.getByLabel('Title').fill('Library books');
  await page.getByLabel('Time', { exact: true }).fill('8:15');
  await page.getByRole('radio', { name: 'Every week' }).click();
  await page.getByRole('checkbox', { name: 'Pet' }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page).toHaveURL(/\/days\?on=2026-11-16/);
  const entry = page.getByRole('link', { name: /^8:15 AM.*Pet, Library books/ });
  await expect(entry).toBeVisible();
  await page.getByRole('checkbox', { name: 'Library books: done' }).click();
  await page.getByRole('button', { name: 'Show 1 settled' }).click();
  await expect(page.getByRole('checkbox', { name: 'Library books: done' })).toBeChecked();

  await page.getByRole('button', { name: /^Monday, November 23, Library books/ }).click();
  await entry.click();
  await page.getByRole('button', { name: 'Skip this day' }).click();
  await expect(page.getByText('Monday, November 23: skipped')).toBeVisible();
  // One day names itself once.
  await guardian.opens('/days?view=day&on=2026-11-16');
  await expect(page.getByRole('heading', { name: 'Monday, November 16' })).toHaveCount(1);
  await expect(page.getByRole('button', { name: 'Show 1 settled' })).toBeVisible();
  await page.goto('/days?view=agenda&on=2026-11-17');
  await expect(page.getByRole('heading', { level: 3, name: 'Monday, November 30' })).toBeVisible();
  await expect(page.getByRole('heading', { level: 3, name: 'Monday, November 23' })).toHaveCount(0);

  await entry.first().click();
  await page.getByRole('button', { name: 'Delete it' }).click();
  await expect(page.getByText('Deleted “Library books”.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Library books' })).toBeVisible();
  await guardian.findsScreenInOrder('what is written down');
  await page.getByLabel('Time', { exact: true }).fill('soon');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Write the time like 5:30 PM.')).toBeVisible();
  // It came back whole: ticked off on one day, left out on another. And an address with no such day opens today.
  await page.goto('/days?view=day&on=2026-11-16');
  await expect(page.getByRole('button', { name: 'Show 1 settled' })).toBeVisible();
  await page.goto('/days?view=day&on=2026-11-23');
  await expect(page.getByRole('heading', { name: 'Monday, November 23' })).toBeVisible();
  await expect(page.getByRole('link', { name: /Library books/ })).toHaveCount(0);
  await page.goto('/days?view=day&on=2026-13-45');
  await expect(page.getByRole('heading', { name: /^Today, Wednesday, October 21/ })).toBeVisible();
});

test('an entry stays where it cannot be taken out', once, async ({ guardian, page }) => {
  await guardian.signsIn();
  await guardian.opens('/days/entries/new?on=2026-11-17');
  await page.getByLabel('Title').fill('Dentist');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByRole('link', { name: /Dentist/ }).click();
  await page.route('**/api/entries/*', (route) =>
    route.request().method() === 'DELETE' ? route.abort() : route.continue(),
  );
  await page.getByRole('button', { name: 'Delete it' }).click();
  await expect(page.getByText(/can’t be reached/)).toBeVisible();
  await expect(page.getByText('Deleted “Dentist”.')).toHaveCount(0);
  await page.unrouteAll();
  await page.getByRole('button', { name: 'Delete it' }).click();
  await expect(page.getByText('Deleted “Dentist”.')).toBeVisible();
});

test('undated work gets a day, supplies are ticked off, and layers are left out', async ({
  guardian,
  page,
}) => {
  await guardian.signsIn();
  await guardian.opens('/days?on=2026-10-26');
  await page.getByRole('button', { name: 'Choose a day' }).first().click();
  await page.getByRole('button', { name: 'Friday, October 30' }).last().click();
  await page.getByRole('button', { name: /^Friday, October 30, Lens sketchbook/ }).click();
  await expect(page.getByRole('link', { name: /^Isolde, Lens sketchbook, Our own/ })).toBeVisible();

  await page.getByRole('button', { name: 'Everything is shown' }).click();
  await page.getByRole('checkbox', { name: 'Our own' }).click();
  await expect(page.getByRole('link', { name: /^Isolde, Lens sketchbook, Our own/ })).toHaveCount(0);
  await page.reload();
  await page.getByRole('button', { name: '10 of 11 kinds are shown' }).click();
  await page.getByRole('checkbox', { name: 'Our own' }).click();
  await expect(page.getByRole('link', { name: /^Isolde, Lens sketchbook, Our own/ })).toBeVisible();

  await guardian.opens('/days/shopping');
  await page.getByRole('checkbox', { name: 'boots' }).click();
  await expect(page.getByRole('checkbox', { name: 'boots' })).toBeChecked();
  await page.getByLabel('Add something to buy').fill('graph paper');
  await page.getByRole('button', { name: 'Add it to the list' }).click();
  await expect(page.getByRole('checkbox', { name: 'graph paper' })).toBeVisible();
});

test(
  'a school’s calendar file is previewed and taken in, with what was not understood',
  once,
  async ({ guardian, page }) => {
    const lines = [
      ...['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Harbour club//EN', 'BEGIN:VEVENT', 'UID:swim'],
      ...['DTSTART;TZID=Atlantis/Deep:20261105T160000', 'DURATION:PT1H', 'RRULE:FREQ=WEEKLY;COUNT=2'],
      ...['SUMMARY:Swimming', 'END:VEVENT', 'END:VCALENDAR'],
    ];
    await guardian.signsIn();
    await guardian.opens('/days/elsewhere');
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Choose a file' }).click();
    await (
      await chooser
    ).setFiles({
      name: 'Harbour club.ics',
      mimeType: 'text/calendar',
      buffer: Buffer.from(lines.join('\r\n')),
    });
    await expect(page.getByText('1 new, 0 changed, 0 as before, 0 removed.')).toBeVisible();
    await expect(page.getByText(/We don’t know the time zone “Atlantis\/Deep”/)).toBeVisible();
    await page.getByRole('button', { name: 'Add to the calendar' }).click();
    await expect(page.getByText('“Harbour club” is in the calendar.')).toBeVisible();
    await guardian.opens('/days?on=2026-11-12');
    await expect(page.getByText('Swimming').last()).toBeVisible();
  },
);

test('a guardian far away sees the school’s own times', once, async ({ browser, running }) => {
  const context = await browser.newContext({
    baseURL: running.url,
    timezoneId: 'Asia/Tokyo',
    locale: 'en-GB',
  });
  const page = await context.newPage();
  const data = { email: 'tobiah@aldervane.example', password: 'tide-and-lantern' };
  await page.request.post('/api/session', { data, headers: { origin: running.url } });
  await page.goto('/days?view=day&on=2026-11-03');
  await expect(page.getByRole('heading', { level: 1, name: /Tuesday, November 3/ })).toBeVisible();
  await expect(
    page.getByRole('link', { name: /^5:30 PM.*, Caspian, Families’ evening in the boat shed/ }),
  ).toBeVisible();
  await context.close();
});

test(
  'what is shared at home is seen at home, what is private is not, and a grandmother only looks',
  once,
  async ({ guardian, page }) => {
    await guardian.signsIn();
    const write = (title: string, shared: boolean) =>
      page.request.post('/api/entries', {
        data: { kind: 'note', title, studentIds: [], shared, on: '2026-12-02' },
      });
    expect((await write('Lantern supper', true)).status()).toBe(201);
    expect((await write('A present for Tobiah', false)).status()).toBe(201);
    await guardian.opens('/days?on=2026-12-02');
    await expect(page.getByRole('link', { name: /^A present for Tobiah/ })).toBeVisible();
    for (const name of ['tobiah', 'ottoline']) {
      await page.request.delete('/api/session');
      await guardian.signsIn(name);
      await page.goto('/days?on=2026-12-02');
      await expect(page.getByText('Lantern supper').last()).toBeVisible();
      await expect(page.getByText('A present for Tobiah')).toHaveCount(0);
    }
    await expect(page.getByRole('link', { name: 'Add something' })).toHaveCount(0);
    await expect(page.getByRole('checkbox', { name: 'Lantern supper: done' })).toHaveCount(0);
    await page.getByRole('link', { name: /^Lantern supper/ }).click();
    await expect(page.getByText('Written by Maren Aldervane.')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Delete it' })).toHaveCount(0);
  },
);

test('attendance says what stands out, and what a code means can be told', async ({ guardian, page }) => {
  await guardian.signsIn();
  await guardian.opens('/days/attendance');
  await expect(page.getByText('Absent on Thursdays: Sep 24, Oct 1, and Oct 15.')).toBeVisible();
  await expect(page.getByText(/30 assignments were given or due in those classes/)).toBeVisible();
  await expect(page.getByText(/more missed days? would bring absences to 1 day in 10/).first()).toBeVisible();
  await guardian.seesOnly('Caspian');
  await page.getByRole('button', { name: 'I know what it means' }).click();
  await page.getByRole('radio', { name: /late/ }).click();
  await page.getByRole('button', { name: 'Save this meaning' }).click();
  await expect(page.getByText('What does “Q7” mean?')).toHaveCount(0);

  await page.getByRole('link', { name: 'Day by day' }).click();
  await page.getByRole('link', { name: 'Add a table of attendance' }).click();
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Choose a file' }).click();
  const csv = 'date,period,code\n2026-09-25,1,Z9\nyesterday,2,P\n';
  await (await chooser).setFiles({ name: 'marks.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await expect(page.getByText('Row 3: “yesterday” isn’t a date like 2026-10-19')).toBeVisible();
  await expect(page.getByText('Z9, in 1 row')).toBeVisible();
  await page.getByLabel('Paste the table here').fill('Date\tCode\n9/25/2026\tY8\n');
  await page.getByRole('button', { name: 'Read the table' }).click();
  await expect(page.getByText('Y8, in 1 row')).toBeVisible();
});

test('from the month to a day, its work, the desk, and settled', async ({ guardian, page, running }) => {
  await guardian.signsIn();

  await test.step('the month shows who was away, and where much comes together', async () => {
    await guardian.goesTo('Days');
    await expect(page.getByRole('heading', { level: 1, name: 'October 2026' })).toBeVisible();
    await page.getByRole('button', { name: /^Thursday, October 22, Isolde: 5 assignments open/ }).click();
    await expect(page.getByText('A heavy day for Isolde: 5 assignments.')).toBeVisible();
    // On a phone a full day stands child by child.
    const worksheet = page.getByRole('link', { name: /^Isolde, .*, Due · / });
    if (!guardian.wide) {
      await expect(worksheet).toHaveCount(0);
      await page.getByRole('button', { name: 'Isolde, 5 due' }).click();
    }
    await expect(worksheet.first()).toBeVisible();
    await page
      .getByRole('button', { name: /^Monday, October 19, Isolde: 1 assignment open, Isolde absent or late/ })
      .click();
    await expect(page).toHaveURL(/on=2026-10-19/);
    await page.getByRole('link', { name: /Isolde, Missed 1 class, no reason given/ }).click();
  });

  await test.step('the day says what the absence cost', async () => {
    await expect(page.getByRole('heading', { level: 1, name: 'Monday, October 19' })).toBeVisible();
    await expect(page.getByText('1 class missed: Rowing geometry.')).toBeVisible();
    await page.getByRole('link', { name: /^Resultants: reading\. Rowing geometry\. due that day/ }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'Resultants: reading' })).toBeVisible();
    await page.goBack();
  });

  await test.step('a letter explains the three afternoons', async () => {
    await page.getByRole('link', { name: 'Explain the absence' }).click();
    for (const day of ['Mon, Oct 19', 'Tue, Oct 20', 'Wed, Oct 21'])
      await expect(
        page.getByRole('checkbox', { name: new RegExp(`^${day}: Rowing geometry`) }),
      ).toBeChecked();
    const tuesday = page.getByRole('checkbox', { name: /^Tue, Oct 20: Rowing geometry/ });
    const kept = page.waitForResponse(
      (answer) => answer.url().endsWith('/api/drafts') && answer.request().method() === 'POST',
    );
    await tuesday.click();
    expect((await kept).status()).toBe(204);
    await page.reload();
    await expect(tuesday).not.toBeChecked();
    await expect(page.getByLabel('Your letter')).not.toHaveValue(/October 20/);
    await tuesday.click();
    await page.getByLabel('The reason').fill('She rows for the island on these afternoons.');
    await expect(page.getByLabel('Your letter')).toHaveValue(/October 20: Rowing geometry/);
    await page.getByRole('button', { name: 'Send' }).click();
    await expect(page).toHaveURL(/\/talk\/follow-ups\//);
    await expect(page.getByText(/^Look again on/)).toBeVisible();
    await expect
      .poll(async () =>
        (await (await fetch(`${running.schoolUrl}/demo/letters`)).text()).includes('She rows'),
      )
      .toBe(true);
  });

  await test.step('the desk answers, the register changes, and the matter settles by itself', async () => {
    const address = page.url();
    await guardian.movesOnOneDay();
    await guardian.movesOnOneDay();
    await page.goto(address);
    await expect(page.getByText(/Those classes are excused now/).first()).toBeAttached();
    await expect(page.getByText(/^The school’s attendance now says/).first()).toBeVisible();
    await page.goto('/days?on=2026-10-19');
    await expect(page.getByRole('link', { name: /Isolde, Missed 1 class, Attendance/ })).toBeVisible();
  });
});
