import { expect, once, test } from './stack';

/* What a family does with each other and with the school: each window sees at once what the others do. */

test('two guardians and the child see what the others do, and none loses what they are writing', async ({
  guardian,
  page,
}) => {
  await guardian.signsIn();
  const begun = { studentId: await guardian.idOf('Caspian'), title: 'Wax the keel', note: 'Between us two.' };
  const answer = await page.request.post('/api/followups', { data: begun });
  const { id } = (await answer.json()) as { id: string };
  await page.goto(`/talk/follow-ups/${id}`);
  await expect(page.getByText('Maren Aldervane has it').last()).toBeVisible();

  const tobiahs = await guardian.beside('tobiah');
  await tobiahs.goto(`/talk/follow-ups/${id}`);
  const note = tobiahs.getByLabel('What was said').last();
  await note.fill('I have the wax at home.');
  const caspians = await guardian.beside('caspian', '/desk');
  await caspians.goto('/desk');
  await expect(caspians.getByRole('heading', { level: 2, name: 'Due', exact: true })).toBeVisible();
  await expect(caspians.getByText('Wax the keel')).toHaveCount(0);

  await page.getByLabel('Add something to do').fill('Two thin coats');
  await page.getByRole('button', { name: 'Add to the list' }).click();
  await expect(page.getByRole('checkbox', { name: 'Two thin coats' })).toBeVisible();
  await page.getByRole('button', { name: 'Hand it over', exact: true }).click();
  await page.getByRole('radio', { name: 'Caspian', exact: true }).last().click();
  await page.getByRole('button', { name: 'Hand it over now' }).click();
  await expect(tobiahs.getByRole('checkbox', { name: 'Two thin coats' })).toBeVisible();
  await expect(tobiahs.getByText('Caspian has it').last()).toBeVisible();
  await expect(note).toHaveValue('I have the wax at home.');
  await tobiahs.getByRole('button', { name: 'Save the change' }).click();
  // Somebody was faster: both stand there, and the second time it is kept.
  await expect(tobiahs.getByText(/^In the meantime:/)).toBeVisible();
  await tobiahs.getByRole('button', { name: 'Save the change' }).click();
  await expect(page.getByText('I have the wax at home.')).toBeVisible();

  const agreed = caspians.getByRole('list', { name: 'What you agreed to do' }).getByRole('listitem');
  await expect(agreed).toContainText('Wax the keel');
  await expect(caspians.getByText('Between us two.')).toHaveCount(0);
  await agreed.getByRole('checkbox', { name: 'Two thin coats' }).click();
  await expect(page.getByText('Two thin coats (done by Caspian)')).toBeVisible();
  await agreed.getByRole('checkbox', { name: 'Wax the keel' }).click();
  await expect(page.getByText(/^Caspian says it’s done/)).toBeVisible();
  await expect(tobiahs.getByText(/^Caspian says it’s done/)).toBeVisible();
  await guardian.findsScreenInOrder('what the child has done');
  await tobiahs.close();
  await caspians.close();
});

test('a letter begins warmly and in the teacher’s language, goes to several, each alone, with a file', async ({
  guardian,
  page,
  running,
}) => {
  await guardian.signsIn('maren', '/talk/contacts');
  await page
    .getByRole('link', { name: /^Ramón Esparto\./ })
    .last()
    .click();
  await expect(page.getByText('Reads español')).toBeVisible();
  await page.getByRole('link', { name: 'Write to Ramón Esparto' }).click();
  const letter = page.getByLabel('Your letter');
  await expect(letter).toHaveValue(/^Estimado\/a Ramón Esparto:/);
  await expect(page.getByText('The same in English, so you can check it')).toBeVisible();
  await page.getByRole('radio', { name: 'English' }).click();
  await expect(letter).toHaveValue(/^Dear Ramón Esparto,/);
  await page.getByRole('radio', { name: 'Warmly' }).click();
  await expect(letter).toHaveValue(/I hope your week is going well\./);
  await page.getByRole('button', { name: 'Undo that change' }).click();
  await expect(letter).not.toHaveValue(/I hope your week/);
  await guardian.findsScreenInOrder('a letter with its beginnings');

  await page.getByRole('button', { name: 'Add other people' }).click();
  await page.getByRole('checkbox', { name: 'Petra Eelgrass' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'To 2 people' })).toBeVisible();
  await expect(letter).toHaveValue(/^Dear \[name\],/);
  await letter.fill('Dear [name],\n\nWe are away on Monday. The note is enclosed.\n\nMaren');
  await page.getByLabel('Subject').fill('Away on Monday');
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Add a file' }).click();
  await (
    await chooser
  ).setFiles({ name: 'note.pdf', mimeType: 'application/pdf', buffer: Buffer.from('%PDF-1.4 x') });
  await expect(page.getByText('note.pdf (1 KB)')).toBeVisible();
  await page.getByRole('button', { name: 'Send 2 letters' }).click();
  await expect(page.getByText('That’s 2 separate letters. Send them all?')).toBeVisible();
  await page.getByRole('button', { name: 'Send 2 letters' }).click();
  await expect(page).toHaveURL(/\/talk$/);
  const written = async () => {
    const { letters } = (await (await fetch(`${running.schoolUrl}/demo/letters`)).json()) as {
      letters: { subject: string; text: string }[];
    };
    return letters
      .filter(({ subject }) => subject === 'Away on Monday')
      .map(({ text }) => text.split('\n')[0])
      .sort();
  };
  await expect.poll(written).toEqual(['Dear Petra Eelgrass,', 'Dear Ramón Esparto,']);
  await page
    .getByRole('link', { name: /^Petra Eelgrass\./ })
    .last()
    .click();
  await expect(page.getByRole('link', { name: /^note\.pdf \(1 KB\)/ })).toBeVisible();
});

test(
  'a teacher without an address is written to on paper, or by way of the office',
  once,
  async ({ guardian, page }) => {
    await guardian.signsIn();
    await guardian.opensCourse('Harbour letters');
    await page.getByRole('link', { name: 'Write to Edmund Pellory' }).click();
    await expect(page.getByText(/^The school lists no address for Edmund Pellory\./)).toBeVisible();
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Make a PDF to print' }).click();
    expect((await download).suggestedFilename()).toMatch(/\.pdf$/);
    const begun = { studentId: await guardian.idOf('Isolde'), title: 'Letters home: the third' };
    const courses = (await (await page.request.get('/api/courses')).json()) as {
      courses: { id: string; title: string }[];
    };
    const courseId = courses.courses.find(({ title }) => title === 'Harbour letters')?.id;
    const made = await page.request.post('/api/followups', { data: { ...begun, courseId } });
    const { id } = (await made.json()) as { id: string };
    const here = page.url();
    await page.goto(`/talk/write?followUpId=${id}`);
    await page.getByRole('button', { name: 'I’ve handed it in on paper' }).click();
    await expect(page).toHaveURL(new RegExp(`/talk/follow-ups/${id}`));
    await expect(page.getByText(/^Letter on paper to Edmund Pellory:/).last()).toBeVisible();
    await expect(page.getByText('Waiting on school').last()).toBeVisible();
    await page.goto(here);
    await page.getByRole('link', { name: 'Write to Main office, Gannet Head instead' }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'To Main office, Gannet Head' })).toBeVisible();
    await expect(page.getByLabel('Your letter')).toHaveValue(/pass this on to Edmund Pellory\?/);
  },
);

test(
  'what one notices and what a teacher wants is written down, and found again',
  once,
  async ({ guardian, page }) => {
    await guardian.signsIn();
    await guardian.opensCourse('Boat-building');
    await page.getByRole('link', { name: 'Notes on this class' }).click();
    await page.getByLabel('New note').fill('The varnish smell gives him headaches.');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(
      page.getByRole('list', { name: 'Notes' }).getByText('The varnish smell gives him headaches.'),
    ).toBeVisible();
    await guardian.findsScreenInOrder('notes on a class');

    await page.goto('/talk/contacts');
    await page
      .getByRole('link', { name: /^Wren Thornwick\. Boat-building/ })
      .last()
      .click();
    await expect(page.getByText(/^Wren Thornwick says: “Models stay in the shed/)).toBeVisible();
    await page.getByRole('button', { name: /^Add what you know: Where the work lives/ }).click();
    await page.getByLabel('Where the work lives').fill('Sketches hang by the door.');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByText(/^“Sketches hang by the door\.” \(Maren Aldervane, today\)/)).toBeVisible();
    await guardian.findsScreenInOrder('what a teacher wants');

    await page.goto('/search');
    await page.getByLabel(/^Search assignments/).fill('varnish headaches');
    await page.getByRole('link', { name: /^Boat-building\. Note · Caspian/ }).click();
    await expect(page.getByText('The varnish smell gives him headaches.')).toBeVisible();
  },
);

test('the family sits down: the page is theirs to change, what is agreed is kept, and its page is printed', async ({
  guardian,
  page,
}) => {
  await guardian.signsIn('maren', '/talk/sit-down');
  await page.getByRole('button', { name: 'Make it a weekly date' }).click();
  await page.getByRole('button', { name: 'Put it on the calendar' }).click();
  await expect(page.getByText('Every Sunday at 5:00 PM')).toBeVisible();
  await page.getByRole('button', { name: 'Prepare this week’s page' }).click();
  for (const child of ['Isolde', 'Caspian', 'Pet'])
    await expect(page.getByRole('heading', { level: 2, name: child, exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Change Pet’s page' }).click();
  await page.getByLabel('Add a line of your own').fill('Read aloud to Ottoline');
  await page.getByRole('radio', { name: 'What went well' }).click();
  await page.getByRole('button', { name: 'Add the line' }).click();
  await expect(
    page.getByRole('list', { name: 'What went well' }).getByText('Read aloud to Ottoline'),
  ).toBeVisible();
  // The order is the family's, too: what it moves up stands first, there and when one comes back.
  const good = page.getByRole('list', { name: 'What went well' }).last().getByRole('listitem');
  const places = await good.count();
  for (let place = places; place > 1; place -= 1)
    await page.getByRole('button', { name: /^Move up.*Read aloud to Ottoline/ }).click();
  await expect(good.first()).toContainText('Read aloud to Ottoline');
  await page.reload();
  await expect(good.first()).toContainText('Read aloud to Ottoline');
  await guardian.findsScreenInOrder('a sit-down that is prepared');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'PDF for Caspian only' }).click();
  expect((await download).suggestedFilename()).toMatch(/^sit-down.*caspian\.pdf$/);

  await page.getByRole('button', { name: 'Sit down now' }).click();
  await expect(page.getByText(/^Step 1 of /)).toBeVisible();
  await expect(page.getByText(/minutes left$/)).toBeVisible();
  const next = page.getByRole('button', { name: 'Next', exact: true });
  const agree = page.getByLabel('What did you agree with Isolde?');
  const evenings = page.getByRole('link', { name: 'Change the evenings' });
  while ((await agree.count()) === 0) {
    // Plans are made at the table, too: who comes back goes on where the family was.
    if ((await evenings.count()) > 0) {
      const step = (await page.getByText(/^Step \d+ of /).textContent()) ?? '';
      await evenings.click();
      await expect(page).toHaveURL(/\/work\/plan/);
      await page.goBack();
      await expect(page.getByText(step)).toBeVisible();
    }
    await next.click();
  }
  await page.keyboard.press('ArrowLeft');
  await expect(agree).toHaveCount(0);
  await page.keyboard.press('ArrowRight');
  await agree.fill('Phone away at nine');
  await page.getByRole('radio', { name: 'Isolde does it' }).click();
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText(/^Phone away at nine \(by /)).toBeVisible();
  await guardian.findsScreenInOrder('a sit-down that is under way');
  await page.getByRole('button', { name: 'End the sit-down' }).click();
  await page.getByRole('link', { name: /1 thing agreed$/ }).click();
  await expect(page.getByText(/^Phone away at nine \(by /)).toBeVisible();
  await expect(page.getByText('still open')).toBeVisible();
  await expect(page.getByText('Read aloud to Ottoline')).toBeVisible();
  await guardian.findsScreenInOrder('a sit-down that is over');
  await page.getByRole('link', { name: 'See the follow-up' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Phone away at nine' })).toBeVisible();
  await expect(page.getByText('Isolde has it').last()).toBeVisible();
});
