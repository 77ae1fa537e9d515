import { expect, test } from './stack';

/* Meetings at school: taken, moved and given back; put down by hand; asked for by letter. */
test.use({ story: 'meetings' });

test('a time is taken, seen by the other at once, moved and given back; the page to bring is printed', async ({
  guardian,
  page,
  running,
}) => {
  await guardian.signsIn();
  const tobiahs = await guardian.beside('tobiah');
  await tobiahs.goto('/talk/meetings');
  const theirs = (name: RegExp) => tobiahs.getByRole('link', { name }).last();
  await expect(tobiahs.getByText('No meetings yet.').last()).toBeVisible();

  await guardian.goesTo('Talk');
  await page.getByRole('link', { name: 'Meetings' }).click();
  await expect(page.getByRole('heading', { level: 3, name: 'Wren Thornwick, for Caspian' })).toBeVisible();
  await guardian.findsScreenInOrder('the meetings');
  await page
    .getByRole('button', { name: /^Take this time.*Thu, Oct 29, 3:10 PM to 3:30 PM with Wren/ })
    .click();
  await expect(
    page.getByRole('heading', { level: 1, name: 'Wren Thornwick about Caspian' }).last(),
  ).toBeVisible();
  await expect(page.getByText('Boat-building: 3.1').last()).toBeVisible();
  await expect(theirs(/^Wren Thornwick about Caspian\. Thu, Oct 29, 3:10 PM to 3:30 PM/)).toBeVisible();

  await page.getByLabel('Ask something else').fill('May he bring the oar home?');
  await page.getByRole('button', { name: 'Add the question', exact: true }).click();
  const questions = page.getByRole('list', { name: 'Open questions' });
  await expect(questions.getByText('May he bring the oar home?')).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('Tobiah');
  await page.getByLabel('E-mail address').fill('tobiah@aldervane.example');
  await page.getByRole('button', { name: 'Send an invitation' }).click();
  await expect(page.getByText(/^Tobiah · invit/)).toBeVisible();
  await guardian.findsScreenInOrder('a meeting that is ahead');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Make a PDF to bring' }).click();
  expect((await download).suggestedFilename()).toMatch(/^wren-thornwick.*\.pdf$/);

  await page.getByRole('button', { name: 'Change the time' }).click();
  await page.getByRole('button', { name: /^Take this time.*Tue, Nov 3, 3:10 PM to 3:30 PM/ }).click();
  await expect(page.getByText('Tue, Nov 3, 3:10 PM to 3:30 PM').last()).toBeVisible();
  await expect(theirs(/^Wren Thornwick about Caspian\. Tue, Nov 3, 3:10 PM to 3:30 PM/)).toBeVisible();
  const arrived = async () => {
    const { arrivals } = (await (await fetch(`${running.schoolUrl}/demo/arrivals`)).json()) as {
      arrivals: { to: string; subject: string; calendar: string }[];
    };
    return arrivals
      .filter(({ to, calendar }) => to === 'tobiah@aldervane.example' && calendar !== '')
      .map(({ subject }) => subject);
  };
  await expect.poll(arrived).toContain('New time: Wren Thornwick about Caspian');

  await page.getByRole('button', { name: 'Cancel the meeting' }).click();
  await expect(page.getByText('You canceled this one').last()).toBeVisible();
  await expect.poll(arrived).toContain('Canceled: Wren Thornwick about Caspian');
  await tobiahs.close();
});

test('who offers no time is asked for one that both have free; what was agreed is put down', async ({
  guardian,
  page,
}) => {
  await guardian.signsIn();
  const busy = {
    ...{ kind: 'event', title: 'Ferry inspection', studentIds: [], shared: false, on: '2026-10-22' },
    ...{ startsAt: '14:00', endsAt: '16:00' },
  };
  const tobiahs = await guardian.beside('tobiah');
  expect((await tobiahs.request.post('/api/entries', { data: busy })).status()).toBe(201);
  await tobiahs.close();
  await page.goto('/talk/meetings/new');
  await page
    .getByRole('link', { name: /^Petra Eelgrass/ })
    .last()
    .click();
  await expect(page.getByText('Thu, Oct 22, 4:00 PM to 4:20 PM')).toBeVisible();
  await expect(page.getByText('Fri, Oct 23, 3:00 PM to 3:20 PM')).toBeVisible();
  await guardian.findsScreenInOrder('arranging a meeting');
  await page.getByRole('link', { name: 'Ask Petra Eelgrass for one of these' }).click();
  const letter = page.getByLabel('Your letter');
  await expect(letter).toHaveValue(/- Thursday, October 22, 4:00 PM\n- Friday, October 23, 3:00 PM/);
  await expect(letter).not.toHaveValue(/Ferry/);

  await page.goBack();
  await page.getByRole('button', { name: 'Add a meeting' }).click();
  await page.getByLabel('From', { exact: true }).fill('16:05');
  await page.getByLabel('To', { exact: true }).fill('15:55');
  await expect(page.getByText(/^Write both times like 3:10 PM/)).toBeVisible();
  await page.getByLabel('To', { exact: true }).fill('16:25');
  await page.getByRole('radio', { name: 'By phone' }).click();
  await page.getByRole('button', { name: 'Save the meeting' }).click();
  await expect(page.getByText('Thu, Oct 22, 4:05 PM to 4:25 PM').last()).toBeVisible();
  await expect(page.getByText('By phone', { exact: true }).last()).toBeVisible();

  await guardian.goesTo('Brief');
  const matter = guardian.matter('Meeting with Petra Eelgrass');
  await expect(matter).toContainText('Thu, Oct 22, 4:05 PM. By phone. Your page to bring is ready.');
  await guardian.movesOnOneDay();
  await guardian
    .matter('How did it go with Petra Eelgrass?')
    .getByRole('link', { name: 'Write it down' })
    .click();
  // What is written while one talks is kept by itself, and goes on from Talk.
  const said = page.getByLabel('What was said');
  const kept = page.waitForResponse(
    (answer) => answer.url().endsWith('/api/drafts') && answer.request().method() === 'POST',
  );
  await said.fill('She reads with him on Mondays.');
  expect((await kept).status()).toBe(204);
  await guardian.goesTo('Talk');
  await page.getByRole('link', { name: /^Petra Eelgrass about Caspian\. Caspian · note, started/ }).click();
  await expect(said).toHaveValue('She reads with him on Mondays.');
  // One thing right after the other: one's own changes wait for each other.
  await page.getByRole('button', { name: 'Share these notes' }).click();
  await page.getByLabel('What did you agree with Petra Eelgrass?').fill('Ten pages each evening');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText(/^Ten pages each evening \(by /)).toBeVisible();
  await guardian.findsScreenInOrder('a meeting that is over');
  await guardian.goesTo('Brief');
  await expect(page.getByRole('list', { name: 'Matters' })).toBeVisible();
  await expect(guardian.matter('Petra Eelgrass')).toHaveCount(0);
});
