import { expect, test } from './stack';

/* A week of the family's, lived through by three people in three windows. */
test.use({ story: 'week' });

test('a week later each of them sees what was agreed, by whom, and what came of it', async ({
  guardian,
  page,
}) => {
  await guardian.signsIn();
  const tobiahs = await guardian.beside('tobiah');
  const caspians = await guardian.beside('caspian', '/desk');
  const caspian = await guardian.idOf('Caspian');
  const people = (await (await page.request.get(`/api/students/${caspian}/teachers`)).json()) as {
    teachers: { id: string; name: string }[];
  };
  const idOf = (name: string) => people.teachers.find((each) => each.name === name)?.id ?? '';

  await test.step('Wednesday: Maren answers what the school asks, and Tobiah sees it', async () => {
    await page.goto('/talk/school');
    await page
      .getByRole('link', { name: /^When should we launch\?/ })
      .last()
      .click();
    await page.getByRole('radio', { name: 'After lunch' }).click();
    await page.getByRole('button', { name: 'Send to Wren Thornwick' }).click();
    await expect(page.getByText('You answered for Caspian: After lunch')).toBeVisible();
    await tobiahs.goto(page.url());
    await expect(tobiahs.getByText('Maren Aldervane answered for Caspian: After lunch').last()).toBeVisible();
  });

  await test.step('Tobiah takes a time with the counselor, and Maren sees it', async () => {
    await page.goto('/talk/meetings');
    await expect(page.getByText('No meetings yet.').last()).toBeVisible();
    await tobiahs.goto('/talk/meetings');
    await tobiahs.getByRole('button', { name: /^Take this time.*Tue, Oct 27, 8:30 AM/ }).click();
    await expect(
      page
        .getByRole('link', { name: /^Jonquil Byrd about Caspian\. Tue, Oct 27, 8:30 AM to 8:50 AM/ })
        .last(),
    ).toBeVisible();
  });

  await test.step('Maren hands something to Caspian, and he does it', async () => {
    const begun = { studentId: caspian, title: 'Sort the boat bag', note: 'Not in front of Pet.' };
    const { id } = (await (await page.request.post('/api/followups', { data: begun })).json()) as {
      id: string;
    };
    await page.goto(`/talk/follow-ups/${id}`);
    await page.getByRole('button', { name: 'Hand it over', exact: true }).click();
    await page.getByRole('radio', { name: 'Caspian', exact: true }).last().click();
    await page.getByRole('button', { name: 'Hand it over now' }).click();
    await tobiahs.goto(`/talk/follow-ups/${id}`);
    await expect(tobiahs.getByText('Caspian has it').last()).toBeVisible();
    const agreed = caspians.getByRole('list', { name: 'What you agreed to do' }).getByRole('listitem');
    await caspians.goto('/desk');
    await agreed.getByRole('checkbox', { name: 'Sort the boat bag' }).click();
    for (const each of [page, tobiahs])
      await expect(each.getByText(/^Caspian says it’s done/).last()).toBeVisible();
    await expect(caspians.getByText('Not in front of Pet.')).toHaveCount(0);
  });

  await test.step('Maren writes to two: one never answers, the other’s box is closed', async () => {
    for (const [name, text] of [
      ['Silas Oakham', 'Is the seed log with you?'],
      ['Bus desk, Sorrel Quay', 'His cap is on bus 4.'],
    ] as const) {
      await page.goto(`/talk/write?studentId=${caspian}&teacherId=${idOf(name)}`);
      await page.getByLabel('Your letter').fill(text);
      await page.getByRole('button', { name: 'Send', exact: true }).click();
      await expect(page).toHaveURL(/\/talk\/threads\//);
    }
    await expect(page.getByText('didn’t get through').last()).toBeVisible();
  });

  await test.step('Sunday: they sit down, agree, and print a page', async () => {
    for (let days = 0; days < 4; days++) await guardian.movesOnOneDay();
    await page.goto('/talk/sit-down');
    await tobiahs.goto('/talk/sit-down');
    await page.getByRole('button', { name: 'Prepare this week’s page' }).click();
    const start = tobiahs.getByRole('button', { name: 'Sit down now' });
    await expect(start).toBeVisible();
    await expect(page.getByText('Did what was agreed: Sort the boat bag')).toBeVisible();
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'PDF for Caspian only' }).click();
    expect((await download).suggestedFilename()).toMatch(/caspian\.pdf$/);
    await start.click();
    const agree = page.getByLabel('What did you agree with Caspian?');
    const next = page.getByRole('button', { name: 'Next', exact: true });
    await expect(page.getByText(/^Step 1 of /)).toBeVisible();
    while ((await agree.count()) === 0) await next.click();
    await agree.fill('Shed at four on Mondays');
    await page.getByRole('radio', { name: 'Caspian does it' }).click();
    await page.getByRole('button', { name: 'Write it down' }).click();
    await expect(page.getByText(/^Shed at four on Mondays \(by /)).toBeVisible();
    await page.getByRole('button', { name: 'End the sit-down' }).click();
    await expect(tobiahs.getByRole('link', { name: /1 thing agreed$/ })).toBeVisible();
  });

  await test.step('Tuesday: the counselor calls, and Tobiah writes down what came of it', async () => {
    await caspians.goto('/desk');
    await caspians.getByRole('checkbox', { name: 'Shed at four on Mondays' }).click();
    for (let days = 0; days < 2; days++) await guardian.movesOnOneDay();
    await tobiahs.goto('/talk/meetings');
    await tobiahs
      .getByRole('link', { name: /^Jonquil Byrd about Caspian/ })
      .last()
      .click();
    await tobiahs.getByLabel('What was said').fill('He likes the Monday plan.');
    await tobiahs.getByRole('button', { name: 'Share these notes' }).click();
    await expect(tobiahs.getByRole('button', { name: 'Share these notes' })).toBeDisabled();
    await tobiahs.getByLabel('What did you agree with Jonquil Byrd?').fill('She talks with him on Thursday');
    await tobiahs.getByRole('radio', { name: 'We do it' }).click();
    await tobiahs.getByRole('button', { name: 'Write it down' }).click();
    await expect(tobiahs.getByText(/^She talks with him on Thursday \(by /)).toBeVisible();
  });

  await test.step('a week later: Maren', async () => {
    await guardian.movesOnOneDay();
    await page.goto('/talk/sit-down');
    await page.getByRole('link', { name: /1 thing agreed$/ }).click();
    await expect(page.getByText(/^Shed at four on Mondays \(by /)).toBeVisible();
    await expect(page.getByText('done, says the child')).toBeVisible();
    await page.goto('/talk/meetings');
    await page
      .getByRole('link', { name: /^Jonquil Byrd about Caspian/ })
      .last()
      .click();
    await expect(page.getByText('Tobiah Aldervane arranged this meeting.').last()).toBeVisible();
    await expect(page.getByLabel('What was said').last()).toHaveValue('He likes the Monday plan.');
    await expect(page.getByText(/^She talks with him on Thursday \(by /).last()).toBeVisible();
    await page.goto('/talk');
    await page
      .getByRole('link', { name: /^Silas Oakham/ })
      .last()
      .click();
    await expect(page.getByText(/no answer for \d school days/).last()).toBeVisible();
  });

  await test.step('Tobiah, and Caspian', async () => {
    await tobiahs.goto('/talk');
    await expect(tobiahs.getByRole('link', { name: /^She talks with him on Thursday/ }).last()).toBeVisible();
    await tobiahs.goto('/talk/school');
    await expect(tobiahs.getByText(/After lunch/).last()).toBeVisible();
    await caspians.goto('/desk');
    await expect(
      caspians.getByRole('list', { name: 'What you agreed to do' }).getByText('Shed at four on Mondays'),
    ).toBeVisible();
  });
  expect(guardian.complaints).toEqual([]);
  await tobiahs.close();
  await caspians.close();
});
