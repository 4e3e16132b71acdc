import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: 'app/test/browser',
  outputDir: 'test-results/browser',
  workers: 1,
  // Long enough for a machine that stands still for a minute: a test waits no longer than it must. What passes only the second time is named.
  timeout: 400_000,
  expect: { timeout: 60_000 },
  retries: 1,
  reporter: [['list'], ['json', { outputFile: 'test-results/browser.json' }]],
  use: {
    actionTimeout: 60_000,
    navigationTimeout: 60_000,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'Europe/London',
    trace: 'off',
    launchOptions: {
      executablePath: '/usr/bin/chromium-headless-shell',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-dev-shm-usage',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
