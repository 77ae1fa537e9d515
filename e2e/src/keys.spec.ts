import type { Page } from '@playwright/test';
import { expect, test } from './stack';

/** What has the focus, by what it says. */
const focused = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const { activeElement } = document;
    if (!activeElement || activeElement === document.body) return 'nothing';
    return activeElement.getAttribute('aria-label') ?? activeElement.textContent ?? '';
  });

/** Presses keys and counts them. */
class Hand {
  presses = 0;

  constructor(private readonly page: Page) {}

  async press(...keys: string[]): Promise<void> {
    for (const key of keys) {
      await this.page.keyboard.press(key);
      this.presses++;
    }
  }

  /** Goes on by a key until something has the focus. */
  async until(key: string, wanted: RegExp, most = 40): Promise<void> {
    for (let at = 0; at < most; at++) {
      if (wanted.test(await focused(this.page))) return;
      await this.press(key);
    }
    expect(await focused(this.page)).toMatch(wanted);
  }
}

test('signing in takes what is typed and three keys; a wrong password leaves one where one was', async ({
  page,
}) => {
  await page.goto('/sign-in');
  await expect(page.getByLabel('E-mail address')).toBeVisible();
  const hand = new Hand(page);
  await hand.until('Tab', /^E-mail address$/);
  await page.keyboard.type('maren@aldervane.example');
  await hand.press('Tab');
  await page.keyboard.type('not this one');
  await hand.press('Enter');
  await expect(
    page
      .getByRole('alert')
      .or(page.getByText(/don’t match/i))
      .first(),
  ).toBeVisible();
  expect(await focused(page)).not.toBe('nothing');
  await page.getByLabel('Password').fill('tide-and-lantern');
  await page.getByLabel('Password').press('Enter');
  await expect(page).toHaveURL(/\/brief$/);
  // The new page's heading is where reading goes on.
  await expect.poll(() => focused(page)).toMatch(/things need you, Maren/);
});

test('the main acts are done by keys alone, in few presses', async ({ guardian, page }) => {
  await guardian.signsIn();
  await expect(page.getByRole('heading', { level: 1, name: /need you, Maren/ })).toBeVisible();
  const act = async (name: string, most: number, does: (hand: Hand) => Promise<void>) =>
    test.step(name, async () => {
      const hand = new Hand(page);
      await does(hand);
      expect(hand.presses, `${name} took ${hand.presses} presses`).toBeLessThanOrEqual(most);
    });

  await act('the first matter', 3, async (hand) => {
    await hand.press('n');
    expect(await focused(page)).not.toBe('nothing');
    await hand.press('Enter');
    // On a wide screen it opens beside the list.
    if (guardian.wide) await expect(page.getByRole('heading', { level: 1 })).toHaveCount(2);
    else await expect(page).not.toHaveURL(/\/brief$/);
  });
  await act('a place', 1, async (hand) => {
    await hand.press('3');
    await expect(page.getByRole('heading', { level: 1, name: 'Work' })).toBeVisible();
    await expect.poll(() => focused(page)).toBe('Work');
  });
  await act('the third line of Work', 3, async (hand) => {
    const third = page.getByRole('main').getByRole('listitem').nth(2);
    await hand.press('n', 'n', 'n');
    await expect(third.locator(':focus')).toHaveCount(1);
  });
  await act('the next child, and everyone', 2, async (hand) => {
    await hand.press('c');
    await expect(page.getByRole('radio', { name: 'Isolde' })).toBeChecked();
    await hand.press('0');
    await expect(page.getByRole('radio', { name: 'Everyone' })).toBeChecked();
  });
  await act('a search', 5, async (hand) => {
    await hand.press('/');
    await expect(page.getByRole('heading', { level: 1, name: 'Search' })).toBeVisible();
    await hand.until('Tab', /^Search assignments/);
    await page.keyboard.type('keel model');
    await expect(page.getByText(/things? found/)).toBeVisible();
    await hand.until('Tab', /^Keel model\. Assignment · Caspian/);
    await hand.press('Enter');
    await expect(page.getByRole('heading', { level: 1, name: 'Keel model' })).toBeVisible();
    await expect.poll(() => focused(page)).toBe('Keel model');
  });
  await act('a reminder', 30, async (hand) => {
    await hand.press('a');
    await expect(page.getByLabel('Title')).toBeVisible();
    await hand.until('Tab', /^Title$/);
    await page.keyboard.type('Library books');
    await hand.until('Tab', /^Save$/);
    await hand.press('Enter');
    await expect(page.getByRole('link', { name: /Library books/ }).first()).toBeVisible();
  });
  const isolde = await guardian.idOf('Isolde');
  const row = (
    (await (await page.request.get('/api/work')).json()) as {
      rows: { title: string; studentId: string; itemId: string; group: string }[];
    }
  ).rows.find(({ group, studentId }) => group === 'loose' && studentId === isolde);
  const chosen = await page.request.post(`/api/students/${isolde}/plan/tasks`, {
    data: { tasks: [{ itemId: row?.itemId }] },
  });
  expect(chosen.status()).toBe(200);
  await act('one planned task moved to another evening', 15, async (hand) => {
    await hand.press('e');
    await expect.poll(() => focused(page)).toBe('Evenings');
    await expect(page.getByRole('button', { name: `Move ${row?.title}` })).toBeVisible();
    await hand.press('n');
    await hand.until('Tab', new RegExp(`^Move ${row?.title}`));
    await hand.press('Space', 'ArrowDown', 'ArrowDown', 'Space');
  });
  await act('the keys themselves', 2, async (hand) => {
    await hand.press('Shift+?');
    await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
    await hand.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  });
  expect(guardian.complaints).toEqual([]);
});

test('Tab reaches every line of Work, and back from one leads to where it was', async ({
  guardian,
  page,
}) => {
  await guardian.signsIn();
  await guardian.goesTo('Work');
  const lines = page.getByRole('main').getByRole('listitem');
  await expect(lines.first()).toBeVisible();
  const reached = new Set<string>();
  // The skip link's way: from the heading on.
  await page.getByRole('heading', { level: 1, name: 'Work' }).evaluate((heading: HTMLElement) => {
    heading.tabIndex = -1;
    heading.focus();
  });
  for (let press = 0; press < 500; press++) {
    await page.keyboard.press('Tab');
    const within = await page.evaluate(() => {
      const { activeElement } = document;
      const link = activeElement?.closest('main li')?.querySelector('a[aria-label]');
      return activeElement?.closest('main') ? (link?.getAttribute('aria-label') ?? '') : null;
    });
    if (within === null) break;
    if (within) reached.add(within);
  }
  const { rows } = (await (await page.request.get('/api/work')).json()) as { rows: unknown[] };
  expect(reached.size).toBeGreaterThan(30);
  expect(await lines.count()).toBe(rows.length);

  const line = lines.nth(30).getByRole('link').first();
  const name = await line.getAttribute('aria-label');
  await line.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('The teacher’s comments').last()).toBeVisible();
  await page.goBack();
  // The list is as long as it was, and one is where one was.
  await expect(lines.nth(30)).toBeVisible();
  await expect.poll(() => focused(page)).toBe(name);
  await expect(line).toBeInViewport();
});

test('the first Tab skips what stands around the page', async ({ guardian, page }) => {
  await guardian.signsIn();
  await guardian.goesTo('Courses');
  await page.reload();
  await expect(page.getByRole('heading', { level: 1, name: 'Courses' })).toBeVisible();
  await page.keyboard.press('Tab');
  expect(await focused(page)).toBe('Skip to the page');
  await expect(page.getByRole('button', { name: 'Skip to the page' })).toBeInViewport();
  await page.keyboard.press('Enter');
  await expect.poll(() => focused(page)).toMatch(/^(Courses|Boat-building)$/);
});

test('where the device gives its own colours, one place looks chosen, and marks are seen', async ({
  guardian,
  page,
}) => {
  await page.emulateMedia({ forcedColors: 'active' });
  await guardian.signsIn();
  await guardian.goesTo('Days');
  const places = page.getByRole('navigation', { name: 'Places' }).getByRole('link');
  const framed = await places.evaluateAll((links) =>
    links
      .filter((link) => {
        const { outlineStyle, borderTopWidth, borderLeftWidth } = getComputedStyle(link);
        return outlineStyle !== 'none' || borderTopWidth !== '0px' || borderLeftWidth !== '0px';
      })
      .map((link) => link.textContent),
  );
  expect(framed).toEqual(['Days']);
  await guardian.opens('/days/attendance');
  await expect(page.getByRole('img', { name: /^School days this year/ }).first()).toBeVisible();
  const inks = await page.evaluate(() =>
    Array.from(document.querySelectorAll('main svg line, main svg rect, main svg path'))
      .map((mark) => [mark.getAttribute('fill'), mark.getAttribute('stroke')])
      .flat()
      .filter((ink): ink is string => ink !== null && ink !== 'none'),
  );
  expect(inks.length).toBeGreaterThan(20);
  for (const ink of inks) expect(['CanvasText', 'Canvas', 'GrayText']).toContain(ink);
  await guardian.findsScreenInOrder('attendance in the device’s own colours');
});
