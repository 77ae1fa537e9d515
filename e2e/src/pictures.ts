import type { Page } from '@playwright/test';
import type { Guardian } from './guardian';
import { expect, test } from './stack';

/* The pictures of docs/screenshots: one of each main view, from the demo story on its first evening. */
const phone = { width: 390, height: 844 };
const wide = { width: 1280, height: 800 };

interface Picture {
  readonly name: string;
  readonly open: (guardian: Guardian, page: Page) => Promise<void>;
  readonly size?: { width: number; height: number };
  readonly dark?: true;
  /** A child, in its own places. */
  readonly who?: string;
}

const openFollowUp = async (guardian: Guardian, page: Page) => {
  await guardian.hasTheKeelModelInHand();
  await guardian.goesTo('Talk');
  await page.getByRole('link', { name: /^Keel model\./ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Keel model' })).toBeVisible();
};

/** With what a child has said: it comes by itself, after the rest. */
const opensBrief = async (guardian: Guardian, page: Page) => {
  await guardian.goesTo('Brief');
  await expect(page.getByRole('link', { name: 'Isolde would like to talk about Reef survey' })).toBeVisible();
};

/** In this order: the last ones write into the story. */
const pictures: readonly Picture[] = [
  { name: 'brief', open: opensBrief },
  { name: 'brief-wide', open: opensBrief, size: wide },
  { name: 'course', open: (guardian) => guardian.opensCourse('Boat-building') },
  {
    name: 'term',
    async open(guardian, page) {
      await page.goto(`/courses/${await guardian.idOf('Isolde')}/term`);
      await expect(page.getByRole('heading', { level: 2, name: 'In words' })).toBeVisible();
    },
    dark: true,
  },
  {
    name: 'desk',
    who: 'isolde',
    open: async (_guardian, page) =>
      expect(page.getByRole('heading', { level: 1, name: /due by tomorrow$/ })).toBeVisible(),
  },
  { name: 'courses', open: (guardian) => guardian.goesTo('Courses') },
  {
    name: 'assignment',
    async open(guardian) {
      await guardian.opensCourse('Boat-building');
      await guardian.opensWork('Keel model');
    },
  },
  { name: 'work', open: (guardian) => guardian.goesTo('Work') },
  { name: 'days-wide', open: (guardian) => guardian.goesTo('Days'), size: wide },
  {
    name: 'day',
    open: async (guardian, page) =>
      void (await page.goto(`/days/${await guardian.idOf('Isolde')}/2026-10-08`)),
  },
  {
    name: 'attendance',
    open: async (guardian, page) =>
      void (await page.goto(`/days/attendance/${await guardian.idOf('Caspian')}`)),
  },
  {
    name: 'try',
    async open(guardian, page) {
      await guardian.opensCourse('Kelp chemistry');
      await page.getByRole('link', { name: 'Try out scores' }).click();
      await page.getByLabel('Score for Reef survey').fill('16');
      await expect(page.getByText('80.3 B', { exact: true })).toBeVisible();
      await expect(page.getByRole('img', { name: /half of them end between/ })).toBeVisible();
    },
  },
  {
    name: 'plan',
    open: (guardian) => guardian.plans(['Log of tides, entry 4', 'Reef survey']),
  },
  { name: 'alerts', open: async (_guardian, page) => void (await page.goto('/alerts')) },
  {
    name: 'rules-wide',
    async open(_guardian, page) {
      await page.goto('/alerts/rules');
      await expect(page.getByText(/^These rules would have sent you \d+ alerts/)).toBeVisible();
    },
    size: wide,
  },
  { name: 'follow-up', open: openFollowUp },
  { name: 'talk', open: (guardian) => guardian.goesTo('Talk') },
  {
    name: 'sit-down-wide',
    async open(_guardian, page) {
      await page.goto('/talk/sit-down');
      await page.getByRole('button', { name: 'Prepare this week’s page' }).click();
      await expect(page.getByRole('list', { name: 'What went well' })).toHaveCount(3);
    },
    size: wide,
  },
];

for (const { name, open, size = phone, dark, who } of pictures) {
  test(name, async ({ guardian, page }) => {
    await page.setViewportSize(size);
    await page.emulateMedia({ colorScheme: dark ? 'dark' : 'light', reducedMotion: 'reduce' });
    await (who ? guardian.signsIn(who, '/desk') : guardian.signsIn());
    await open(guardian, page);
    await expect(page.getByRole('heading', { level: 1 }).last()).toBeVisible();
    await expect(page.getByRole('status', { name: 'Loading' })).toHaveCount(0);
    await page.evaluate(() => document.fonts.ready);
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
  });
}
