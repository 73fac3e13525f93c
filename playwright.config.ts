import os from 'node:os';
import { defineConfig } from '@playwright/test';
import { LAUNCH } from './e2e/support/browser';

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  /* Each worker has a database and an application of its own: one for each core. */
  workers: os.availableParallelism(),
  timeout: 300_000,
  /* A machine that builds and tests at once is slow; whatever does not come at all is found by the test's own time. */
  expect: { timeout: 30_000 },
  use: {
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/Berlin',
    trace: 'off',
    launchOptions: LAUNCH,
  },
});
