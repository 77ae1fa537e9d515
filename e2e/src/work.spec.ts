import type { Locator, Page } from '@playwright/test';
import { expect, test } from './stack';

/** What is pressed down on a thing, moved, and lifted again. */
interface Pointer {
  down(on: Locator): Promise<void>;
  /** @param below px under the top of where it goes. */
  to(where: Locator, below: number): Promise<void>;
  up(): Promise<void>;
}

async function middleOf(what: Locator): Promise<{ x: number; y: number }> {
  const box = await what.boundingBox();
  if (!box) throw new Error('nothing is there to be touched');
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

/** So many moves between two points, as a hand makes them. */
const moves = 12;

/** A finger, by what a touch screen tells the browser. */
async function fingerOn(page: Page): Promise<Pointer> {
  const devtools = await page.context().newCDPSession(page);
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', points: { x: number; y: number }[]) =>
    devtools.send('Input.dispatchTouchEvent', { type, touchPoints: points });
  let at = { x: 0, y: 0 };
  return {
    down: async (on) => {
      at = await middleOf(on);
      await touch('touchStart', [at]);
    },
    to: async (where, below) => {
      const box = await where.boundingBox();
      const goal = { x: at.x, y: (box?.y ?? 0) + below };
      for (let move = 1; move <= moves; move += 1)
        await touch('touchMove', [{ x: at.x, y: at.y + ((goal.y - at.y) * move) / moves }]);
      at = goal;
    },
    up: async () => void (await touch('touchEnd', [])),
  };
}

function mouseOn(page: Page): Pointer {
  return {
    down: async (on) => {
      const { x, y } = await middleOf(on);
      await page.mouse.move(x, y);
      await page.mouse.down();
    },
    to: async (where, below) => {
      const box = await where.boundingBox();
      await page.mouse.move((box?.x ?? 0) + 100, (box?.y ?? 0) + below, { steps: moves });
    },
    up: () => page.mouse.up(),
  };
}

test.use({ story: 'work' });

test('scores are tried out on a course, and the rest of the term is drawn', async ({ guardian, page }) => {
  await guardian.signsIn();
  await guardian.opensCourse('Kelp chemistry');
  await page.getByRole('link', { name: 'Try out scores' }).click();
  await expect(page.getByText('76.6 C', { exact: true }).last()).toBeVisible();

  await page.getByLabel('Score for Reef survey').fill('16');
  await expect(page.getByText('80.3 B', { exact: true }).last()).toBeVisible();
  await page.getByLabel('Score for Reef survey').press('ArrowLeft');
  await expect(page.getByText('15 of 20')).toBeVisible();
  await page.getByLabel('Score for Reef survey').fill('16');

  await page.getByLabel('Your target, of 100').fill('80');
  await expect(page.getByText(/^(Takes|Reached)/)).toBeVisible();
  await page.getByLabel('Your target, of 100').fill('500');
  await expect(page.getByText('A number between 0 and 200.')).toBeVisible();
  await page.getByLabel('Your target, of 100').fill('150');
  await expect(page.getByText('Out of reach with what’s still to come.')).toBeVisible();
  await page.getByLabel('Your target, of 100').fill('80');
  await page.keyboard.press('Tab');

  await page.getByRole('checkbox', { name: 'Select Titration quiz' }).click();
  await page.getByRole('radio', { name: '80%' }).click();
  await expect(page.getByText('32 of 40')).toBeVisible();

  await page.getByLabel('Name').fill('Survey and quiz');
  await page.getByRole('button', { name: 'Save this try' }).click();
  await expect(page.getByText(/^Survey and quiz: 8\d\.\d$/)).toBeVisible();
  await page.getByRole('button', { name: 'Start over' }).click();
  await expect(page.getByText('76.6 C', { exact: true }).last()).toBeVisible();

  await expect(page.getByText(/80\.0 is reached in [\d.]+% of them\.$/)).toBeVisible();
  await guardian.findsScreenInOrder('Trying out');

  await page.goBack();
  await expect(page.getByRole('heading', { level: 1, name: 'Kelp chemistry' })).toBeVisible();
  // Looked at again it still says what it comes to.
  await page.getByRole('link', { name: 'Try out scores' }).click();
  await expect(page.getByText(/^Survey and quiz: 8\d\.\d$/)).toBeVisible();
});

/** From what needs you, through all there is, to what is done on which evening. */
test('from the Brief through Work to a plan for the evenings', async ({ guardian, page }) => {
  await test.step('the Brief leads to Work, which has every loose end with its reason', async () => {
    await guardian.signsIn();
    await expect(guardian.matter('Boat-building').first()).toBeVisible();
    await guardian.goesTo('Work');
    await expect(page.getByText('6 loose ends, 5 can be made up')).toBeVisible();
    const row = (title: string) => page.getByRole('link', { name: new RegExp(`^${title}\\.`) });
    // On a phone each says its reason once it is opened.
    for (const [title, reason] of [
      ['Keel model', 'It’s past due and hasn’t been graded'],
      ['Harbour map key', 'Turned in, but incomplete.'],
      [
        'Log of tides, entry 4',
        'Scored 0, no comment. In this course that usually means nothing was turned in.',
      ],
    ] as const) {
      if (guardian.wide) await expect(row(title)).toContainText(reason);
      else {
        await page.getByRole('button', { name: `Show more: ${title}` }).click();
        await expect(page.getByText(reason)).toBeVisible();
        await page.getByRole('button', { name: `Show less: ${title}` }).click();
      }
    }
    await expect(row('Log of tides, entry 4')).toContainText('+3.17');
    await expect(row('Log of tides, entry 4')).toContainText('for 50% credit');
    await expect(page.getByText('16 days left').first()).toBeVisible();
  });

  await test.step('what two sources tell differently is doubtful, with both told', async () => {
    await guardian.opens('/work?part=doubtful');
    const card = page.getByRole('link', { name: /^Reading card, chapter 5\./ });
    await expect(card).toContainText('Gradebook: nothing yet');
    await expect(card).toContainText('Classroom: 9 of 10');
    await expect(card).not.toContainText('missing');
    await expect(page.getByRole('link', { name: /^Crossing card\./ })).toContainText(
      'Classroom: turned in, not graded yet',
    );
  });

  await test.step('the list is narrowed down, and the address keeps it', async () => {
    // Where the address has narrowed it down, the ways to do so are open.
    await page.getByRole('button', { name: 'Show everything' }).click();
    await page.getByRole('radio', { name: 'Turned in, waiting for a score' }).click();
    await expect(page).toHaveURL(/part=waiting/);
    await expect(page.getByRole('link', { name: /^Essay on lamps\./ })).toContainText('Worth asking.');
    await page.reload();
    await expect(page.getByRole('link', { name: /^Essay on lamps\./ })).toBeVisible();
    await page.getByRole('button', { name: 'Show everything' }).click();
    await page.getByLabel('Search', { exact: true }).fill('keel');
    await expect(page.getByRole('link', { name: /^Keel model\./ })).toBeVisible();
    await expect(page.getByRole('link', { name: /^Reef survey\./ })).toHaveCount(0);
    await page.getByLabel('Search', { exact: true }).fill('');
  });

  await test.step('an offer in a comment is confirmed with one tap', async () => {
    await page.goto('/work');
    if (!guardian.wide) await page.getByRole('button', { name: /offers to confirm/ }).click();
    await expect(
      page.getByText('You may redo the titration quiz until Friday', { exact: true }),
    ).toBeVisible();
    await expect(page.getByText('It can be redone, until Fri, Oct 23, credit not stated')).toBeVisible();
    await page.getByRole('button', { name: 'Yes, that’s right' }).first().click();
    await expect(page.getByText('Confirmed. It’s in the grades and on the calendar now.')).toBeVisible();
  });

  await test.step('the child is asked, and the answer is kept with its day', async () => {
    await page.goto('/work?q=keel');
    await page.getByRole('button', { name: 'More: Keel model' }).click();
    await page.getByRole('radio', { name: 'still on the desk' }).click();
    await expect(page.getByText('Caspian said on Wed, Oct 21: still on the desk')).toBeVisible();
  });

  await test.step('what is chosen shows what it comes to together, and goes into the plan', async () => {
    await page.goto('/work');
    await page.getByRole('checkbox', { name: 'Select Keel model' }).click();
    await page.getByRole('checkbox', { name: 'Select Harbour map key' }).click();
    await expect(page.getByText('Boat-building: 2.4 → 2.9')).toBeVisible();
    await page.getByRole('button', { name: 'Add to the plan' }).click();
    await expect(page).toHaveURL(/\/work\/plan/);
    await page.getByRole('button', { name: 'Propose a plan' }).click();
    await expect(page.getByText('Nothing better fits.')).toBeVisible();
    await expect(page.getByText('Nothing is waiting.')).toBeVisible();
    await expect(page.getByText('60 of 60 min').first()).toBeVisible();
    await guardian.findsScreenInOrder('Plan');
  });

  await test.step('a task is moved by keys, and the price of the change is told', async () => {
    const handle = page.getByRole('button', { name: 'Move Keel model' });
    await handle.focus();
    await page.keyboard.press('Space');
    await expect(page.getByText(/^Keel model (lifted|over)/)).toBeAttached();
    // Down past the last evening, by presses that do not wait for the page to follow.
    for (let press = 0; press < 15; press += 1) await page.keyboard.press('ArrowDown');
    await expect(page.getByText(/Keel model over no evening\./)).toBeAttached();
    await page.keyboard.press('Space');
    await expect(page.getByText(/your changes cost 13\.5\.$/)).toBeVisible();
    await page.getByRole('button', { name: 'Propose a plan' }).click();
    await expect(page.getByText('Nothing better fits.')).toBeVisible();
  });

  await test.step('a task is moved by a finger, or by the mouse, to another evening', async () => {
    const pointer = guardian.wide ? mouseOn(page) : await fingerOn(page);
    const handle = page.getByRole('button', { name: 'Move Keel model' });
    const evening = async () => {
      const { tasks } = (await (
        await page.request.get(`/api/students/${await guardian.idOf('Caspian')}/plan`)
      ).json()) as { tasks: { title: string; evening: string | null }[] };
      return tasks.find(({ title }) => title === 'Keel model')?.evening;
    };
    const before = await evening();
    const free = page.getByText('60 min free').first();
    await handle.scrollIntoViewIfNeeded();
    await pointer.down(handle);
    // A finger lifts it once it has rested, a mouse once it has moved.
    if (!guardian.wide) await expect(page.getByText(/^Keel model (lifted|over)/)).toBeAttached();
    await pointer.to(free, 10);
    await expect(page.getByText(/^Keel model over \w+, /)).toBeAttached();
    await pointer.up();
    await expect.poll(evening).not.toBe(before);
    expect(await evening()).toMatch(/^2026-1/);
    await page.getByRole('button', { name: 'Propose a plan' }).click();
    await expect(page.getByText('Nothing better fits.')).toBeVisible();
    await expect.poll(evening).toBe(before);
  });

  await test.step('its minutes are changed where it stands, and it is taken off its evening at a touch', async () => {
    await page.getByRole('button', { name: 'Change Keel model' }).click();
    await page.getByLabel('Minutes for Keel model').fill('45');
    await page.keyboard.press('Enter');
    await expect(page.getByText('45 of 60 min')).toHaveCount(1);
    await page.getByLabel('Minutes for Keel model').fill('60');
    await page.keyboard.press('Enter');
    await expect(page.getByText('60 of 60 min')).toHaveCount(2);
    await page.getByRole('button', { name: 'Not on this evening: Keel model' }).click();
    await expect(page.getByText('Adds 6.28 of 100 points.')).toBeVisible();
    await page.getByRole('button', { name: 'Propose a plan' }).click();
    await expect(page.getByText('Nothing better fits.')).toBeVisible();
    await page.getByRole('button', { name: 'Change Keel model' }).click();
    await expect(page.getByLabel('Minutes for Keel model')).toHaveCount(0);
  });

  await test.step('what is unfolded and typed stays while somebody else moves the task', async () => {
    const plan = `/api/students/${await guardian.idOf('Caspian')}/plan`;
    const { tasks, evenings } = (await (await page.request.get(plan)).json()) as {
      tasks: { title: string; itemId: string; evening: string | null }[];
      evenings: { date: string; minutes: number }[];
    };
    const task = tasks.find(({ title }) => title === 'Keel model');
    const free = evenings.find(
      ({ date, minutes }) => minutes > 0 && !tasks.some(({ evening }) => evening === date),
    );
    const move = async (evening: string | null | undefined) =>
      expect(
        (await page.request.patch(`${plan}/tasks/${task?.itemId}`, { data: { evening } })).status(),
      ).toBe(200);
    await page.getByRole('button', { name: 'Change Keel model' }).click();
    const minutes = page.getByLabel('Minutes for Keel model');
    await minutes.fill('45');
    // The first free evening is a Sunday's, with fewer minutes.
    await move(free?.date);
    await expect(page.getByText('15 min too long')).toBeVisible();
    await expect(minutes).toHaveValue('45');
    await move(task?.evening);
    await expect(page.getByText('15 min too long')).toHaveCount(0);
    await expect(minutes).toHaveValue('45');
    await minutes.fill('60');
    await page.getByRole('button', { name: 'Change Keel model' }).click();
  });

  await test.step('the child is shown the plan alone, without figures, and ticks off', async () => {
    await page.getByRole('link', { name: 'Show to Caspian' }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'Caspian’s evenings' })).toBeVisible();
    await expect(page.getByRole('navigation')).toHaveCount(0);
    await expect(page.getByText(/adds|of a hundred/)).toHaveCount(0);
    await guardian.findsScreenInOrder('The plan a child is shown');
    await page.getByRole('checkbox', { name: 'Done: Keel model' }).click();
    await expect(page.getByRole('checkbox', { name: 'Done: Keel model' })).toBeChecked();
    await page.getByRole('link', { name: 'Back to the plan' }).click();
    await expect(page.getByRole('checkbox', { name: 'Done: Keel model' })).toBeChecked();
  });

  await test.step('what was not done moves on with a word', async () => {
    await guardian.movesOnOneDay();
    await guardian.movesOnOneDay();
    await page.goto('/work');
    await page.getByRole('link', { name: 'Plan the evenings' }).click();
    await page
      .getByRole('radiogroup', { name: 'Whose evenings' })
      .getByRole('radio', { name: 'Caspian' })
      .click();
    await expect(page.getByText(/^Not done on .*Oct \d+, so it moved on\.$/).first()).toBeVisible();
  });
});
