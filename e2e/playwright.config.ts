import { defineConfig, devices } from '@playwright/test';

/** Debian's browser, told to keep to itself. */
const launchOptions = {
  executablePath: '/usr/bin/chromium-headless-shell',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};

export default defineConfig({
  testDir: 'src',
  outputDir: '../.cadro/test-results',
  // One stack per worker; a file's tests share it, one after the other, and other files may have been there.
  workers: 2,
  fullyParallel: false,
  forbidOnly: true,
  retries: 0,
  maxFailures: process.env['CI'] ? 0 : 6,
  // Far above what anything needs: a machine whose cores are lent to others stands still for minutes.
  timeout: 1_800_000,
  expect: { timeout: 300_000 },
  reporter: [['list'], ['json', { outputFile: process.env['CADRO_E2E_REPORT'] ?? '../.cadro/e2e.json' }]],
  use: {
    launchOptions,
    actionTimeout: 300_000,
    locale: 'en-GB',
    trace: 'off',
    screenshot: 'only-on-failure',
  },
  projects: [
    {
      name: 'phone',
      use: { ...devices['Desktop Chrome'], viewport: { width: 390, height: 844 }, hasTouch: true },
    },
    {
      name: 'wide',
      grepInvert: /@once/,
      use: { ...devices['Desktop Chrome'], viewport: { width: 1280, height: 800 } },
    },
    // Not a test: draws docs/screenshots, by npm run screenshots.
    { name: 'pictures', testMatch: 'pictures.ts', use: { ...devices['Desktop Chrome'] } },
  ],
});
