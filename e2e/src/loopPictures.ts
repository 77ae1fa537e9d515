import { expect, test } from './stack';

/* The way of one matter, in five frames beside each other. It takes days, and so has a story of its own. */
test.use({ story: 'loop' });

test('loop', async ({ guardian, page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' });
  await guardian.signsIn();
  const frames: { words: string; picture: string }[] = [];
  const keep = async (words: string) => {
    await expect(page.getByRole('heading', { level: 1 }).last()).toBeVisible();
    await expect(page.getByRole('status', { name: 'Loading' })).toHaveCount(0);
    await page.evaluate(() => document.fonts.ready);
    // Nothing is marked as gone to by keys.
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    frames.push({ words, picture: (await page.screenshot()).toString('base64') });
  };
  await expect(guardian.matter('Boat-building').first()).toBeVisible();
  await keep('Is anything wrong?');
  await guardian.opensCourse('Boat-building');
  await keep('Why?');
  await guardian.opensWork('Keel model');
  await keep('Can it be made up?');
  await guardian.hasTheKeelModelInHand();
  await guardian.goesTo('Talk');
  await page.getByRole('link', { name: /^Keel model\./ }).click();
  await expect(page.getByText('Waiting on school').first()).toBeVisible();
  await keep('Who does what next?');
  const address = page.url();
  const settled = page.getByText(/^Settled: was overdue/);
  for (let day = 0; day < 6 && (await settled.count()) === 0; day++) {
    await guardian.movesOnOneDay();
    await page.goto(address);
    await expect(page.getByRole('heading', { level: 1, name: 'Keel model' })).toBeVisible();
  }
  await expect(settled).toBeVisible();
  await keep('Did it work?');
  const strip = frames.map(
    ({ words, picture }) =>
      `<figure><figcaption>${words}</figcaption><img src="data:image/png;base64,${picture}"></figure>`,
  );
  // A page of its own: what the app's pages may not have in them holds for this one not.
  const sheet = await page.context().newPage();
  await sheet.setViewportSize({ width: 1480, height: 700 });
  await sheet.setContent(
    `<style>
      body { display: flex; gap: 16px; margin: 0; padding: 16px; background: #fffdf8; font: 600 19px sans-serif }
      figure { margin: 0 }
      figcaption { padding-bottom: 8px; color: #152238 }
      img { width: 276px; border: 1px solid #8a8678 }
    </style>${strip.join('')}`,
  );
  await sheet.waitForFunction(() => Array.from(document.images).every(({ complete }) => complete));
  await sheet.locator('body').screenshot({ path: 'docs/screenshots/loop.png' });
});
