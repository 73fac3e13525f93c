import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  globalSetup: './e2e/support/global-setup.ts',
  workers: 1,
  timeout: 180_000,
  /* A machine that builds and tests at once is slow; whatever does not come at all is found by the test's own time. */
  expect: { timeout: 30_000 },
  use: {
    baseURL: 'http://127.0.0.1:3210',
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/Berlin',
    trace: 'off',
    /* What a device keeps is tested where it is meant; elsewhere every page is made anew. */
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
