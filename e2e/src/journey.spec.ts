import { expect, test } from './stack';

/* The days move on here, and what the school has had of letters is counted. */
test.use({ story: 'journey' });

/** From a gradebook to a settled follow-up, as a person would walk it. */
test('an unflagged overdue project becomes a settled follow-up', async ({ guardian, page, running }) => {
  await test.step('the Brief tells that a good-looking figure is not what it seems', async () => {
    await guardian.signsInAtTheDoor();
    const first = guardian.matter('Boat-building').first();
    await expect(first).toContainText('3.1 leaves out an open assignment');
    await expect(first).toContainText('Keel model: due October 12, not graded yet');
    await expect(first.getByRole('img', { name: 'If nothing changes, 3.1 drops to 2.4.' })).toBeVisible();
    await expect(page.getByText('Seed log: was missing, now 17 of 20')).toBeVisible();
  });

  await test.step('the course says why', async () => {
    await guardian.opensCourse('Boat-building');
    await expect(page.getByRole('img', { name: /Posted 3.1 of 4. If left 2.4/ }).last()).toBeVisible();
    await expect(page.getByText('Overdue work that hasn’t been graded doesn’t count yet.')).toBeAttached();
    await expect(
      page.getByRole('link', { name: /^Keel model\. overdue, not counted yet/ }).first(),
    ).toBeVisible();
  });

  await test.step('the project shows its story and the teacher’s words', async () => {
    await guardian.opensWork('Keel model');
    await expect(
      page.getByText('“Nothing here yet, Caspian. I’ll take it until October 27 for three-quarters credit.”'),
    ).toBeVisible();
    await expect(page.getByText('Wren Thornwick, on the assignment, October 15')).toBeVisible();
    await expect(page.getByText('due, after 14 days')).toBeVisible();
    await expect(page.getByText(/ · worth 20 · counts 3 times/)).toBeVisible();
  });

  await test.step('it is taken in hand, to look again on Thursday', async () => {
    await page.getByRole('link', { name: 'Talk with Caspian' }).last().click();
    await page.getByLabel('What was said').fill('Talked over. He hands it in tomorrow.');
    await page.getByRole('radio', { name: 'Agreed' }).click();
    await expect(page.getByRole('radio', { name: 'Tomorrow, Thu, Oct 22' })).toBeChecked();
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page).toHaveURL(/\/talk\/follow-ups\//);
    await expect(page.getByText('Talked over. He hands it in tomorrow.')).toBeVisible();
    await expect(page.getByText('Look again on Thursday, October 22.')).toBeVisible();
    await guardian.goesTo('Brief');
    await expect(page.getByText('Caspian · Keel model: back on Thursday, October 22')).toBeVisible();
    await expect(
      guardian.matter('leaves out an open assignment').filter({ hasText: 'Boat-building' }),
    ).toHaveCount(0);
  });

  await test.step('on Thursday it comes back, and a letter goes out with the facts in it', async () => {
    await guardian.movesOnOneDay();
    const matter = guardian.matter('Look again: Keel model');
    await expect(matter).toContainText('The record still shows it as overdue');
    await matter.getByRole('link', { name: 'Write to the teacher' }).click();
    const letter = page.getByLabel('Your letter');
    await expect(letter).toHaveValue(/Dear Wren Thornwick,/);
    await expect(letter).toHaveValue(
      /“Keel model” \(Boat-building, due October 12, worth 20\).*overdue today, October 22/,
    );
    await page.getByRole('button', { name: 'Send' }).click();
    await expect(page).toHaveURL(/\/talk\/threads\//);
    await expect(page.getByRole('heading', { level: 1, name: 'Wren Thornwick' })).toBeVisible();
    await expect
      .poll(async () => {
        const answer = await fetch(`${running.schoolUrl}/demo/letters`);
        const { letters } = (await answer.json()) as { letters: { to: string; subject: string }[] };
        return letters.map(({ to, subject }) => `${to}: ${subject}`);
      })
      .toEqual(['w.thornwick@quay-schools.example: Caspian: Keel model']);
  });

  await test.step('the answer comes, the work is marked, and the follow-up settles itself', async () => {
    await guardian.movesOnOneDay();
    await expect(page.getByText('Caspian · Keel model: was overdue, now 17 of 20')).toBeVisible();
    const reply = guardian.matter('Wren Thornwick answered');
    await expect(reply).toContainText('17 of 20, with nothing taken off');
    await reply.getByRole('link', { name: 'Read it' }).click();
    await expect(page.getByText(/The model was under the sailcloth/).last()).toBeVisible();
    await guardian.goesTo('Talk');
    await page.getByRole('link', { name: /^Keel model\. .*was overdue, now 17 of 20/ }).click();
    await expect(page.getByText('Settled: was overdue, now 17 of 20.')).toBeVisible();
    await expect(page.getByText('The record shows it done')).toBeVisible();
  });

  await test.step('and the Brief has nothing more to say about it', async () => {
    await guardian.goesTo('Brief');
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
    await expect(guardian.matter('Keel model')).toHaveCount(0);
    expect(guardian.complaints).toEqual([]);
  });
});
