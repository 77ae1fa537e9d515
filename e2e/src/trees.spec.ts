import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { linesInSight } from './everybody';
import type { Guardian } from './guardian';
import { hasNoPlan } from './setup/plan';
import { expect, test } from './stack';

/*
 * Each main screen as a screen reader reads it: its tree as sentences, in the order in which they come. What changes is seen
 * in the change of e2e/trees; `TREES=write npm test -- e2e/src/trees.spec.ts` writes them anew.
 */
test.use({ story: 'trees' });

const folder = join(import.meta.dirname, '..', 'trees');

/** So many lines of text at most on a phone's first screenful. */
const most: Readonly<Record<string, number>> = {
  brief: 13,
  courses: 10,
  course: 13,
  assignment: 13,
  work: 14,
  plan: 11,
  days: 12,
  talk: 14,
  alerts: 13,
};

/** A line of the tree as a sentence: what it is, what it says; without what only the browser needs. */
const sentences = (tree: string): string[] =>
  tree
    .split('\n')
    .map((line) => line.replace(/^(\s*)- /, '$1').replace(/:$/, ''))
    .filter((line) => !/^\s*\/url: /.test(line));

async function readsEveryScreen(guardian: Guardian, page: Page): Promise<void> {
  await guardian.signsIn();
  await hasNoPlan(guardian);
  await page.reload();
  const screens: readonly [name: string, open: () => Promise<void>][] = [
    ['brief', () => guardian.goesTo('Brief')],
    ['courses', () => guardian.goesTo('Courses')],
    ['course', () => guardian.opensCourse('Boat-building')],
    ['assignment', () => guardian.opensWork('Keel model')],
    ['work', () => guardian.goesTo('Work')],
    ['days', () => guardian.goesTo('Days')],
    ['attendance', () => guardian.opens('/days/attendance')],
    ['talk', () => guardian.goesTo('Talk')],
    ['alerts', () => guardian.opens('/alerts')],
    ['settings', () => guardian.opens('/settings')],
    // Last: what is planned stands on the other screens, too.
    ['plan', () => guardian.plans(['Keel model', 'Harbour map key'])],
  ];
  const main = page.getByRole('main');
  for (const [name, open] of screens) {
    await open();
    await expect(page.getByRole('heading', { level: 1 }).last()).toBeVisible();
    await expect(page.getByRole('status', { name: 'Loading' })).toHaveCount(0);
    const limit = guardian.wide ? undefined : most[name];
    if (limit) {
      await expect
        .poll(async () => (await page.evaluate(linesInSight)).slice(limit), `lines of ${name}`)
        .toEqual([]);
    }
    const file = join(folder, `${name}-${guardian.wide ? 'wide' : 'phone'}.txt`);
    const read = async () => sentences(await main.ariaSnapshot()).join('\n');
    if (process.env['TREES'] === 'write') {
      // What comes by itself comes within a second.
      await page.waitForTimeout(1500);
      writeFileSync(file, `${await read()}\n`);
    }
    await expect.poll(read, name).toBe(readFileSync(file, 'utf8').trimEnd());
  }
}

// The wide layout is a tree of its own.
for (const size of ['phone', 'wide'])
  test(`each main screen is read in sentences (${size})`, { tag: `@${size}` }, ({ guardian, page }) =>
    readsEveryScreen(guardian, page),
  );
