import { defineConfig, devices } from '@playwright/test';
import { launchOptions } from '../tools/lib/chromium.mjs';

export default defineConfig({
  testDir: 'src',
  outputDir: '../.cadro/test-results',
  // One stack per worker; a file's tests share it, one after the other, and other files may have been there.
  workers: Number(process.env['CADRO_E2E_WORKERS'] ?? 2),
  fullyParallel: false,
  forbidOnly: true,
  retries: 0,
  maxFailures: process.env['CI'] ? 0 : 6,
  // Far above what anything needs: a machine whose cores are lent to others stands still for minutes.
  timeout: 1_800_000,
  expect: { timeout: 90_000 },
  reporter: [['list'], ['json', { outputFile: process.env['CADRO_E2E_REPORT'] ?? '../.cadro/e2e.json' }]],
  use: {
    launchOptions,
    actionTimeout: 90_000,
    // What the tests answer in the server's place would go around them; the journeys without a connection have them.
    serviceWorkers: 'block',
    locale: 'en-GB',
    trace: 'off',
    screenshot: 'only-on-failure',
  },
  projects: [
    { name: 'journeys', use: { ...devices['Desktop Chrome'] } },
    // Not a test: draws docs/screenshots, by npm run screenshots.
    {
      name: 'pictures',
      testMatch: ['pictures.ts', 'loopPictures.ts'],
      use: { ...devices['Desktop Chrome'] },
    },
  ],
});
