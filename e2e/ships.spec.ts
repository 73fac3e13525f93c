import { spawn, type ChildProcess } from 'node:child_process';
import path from 'node:path';
import { expect, test, type Page } from './support/test';
import { openBatch, PASSWORD, signIn } from './support/people';
import { startJob } from './support/job';

/* The application is the one that the README's first command starts, with everything that it starts. */
const ROOT = path.resolve(import.meta.dirname, '..');
const PORT = 3300;
const BASE = `http://127.0.0.1:${PORT}`;
/** A first start makes a database and loads the demo, ms. */
const LONGEST_START_MS = 300_000;

/** Runs `./kettle demo` in a data folder of its own, until it says where it is. */
function startDemo(): Promise<ChildProcess> {
  const { DATABASE_URL: _, JOLLY_LEDGER_KEYS: _keys, ...env } = process.env;
  const demo = spawn('./kettle', ['demo', '--fresh'], {
    cwd: ROOT,
    env: { ...env, JOLLY_DATA: '.data/ships', PORT: String(PORT) },
    stdio: ['ignore', 'pipe', 'inherit'],
    detached: true,
  });
  return new Promise((resolve, reject) => {
    demo.stdout.setEncoding('utf8').on('data', (text: string) => {
      if (text.includes('Ctrl-C stops')) resolve(demo);
    });
    demo.once('exit', (code) => reject(new Error(`./kettle demo ended with ${code}`)));
  });
}

let demo: ChildProcess;
test.beforeAll(async () => {
  test.setTimeout(LONGEST_START_MS);
  demo = await startDemo();
});
test.afterAll(async () => {
  const gone = new Promise((resolve) => demo.once('exit', resolve));
  process.kill(-demo.pid!, 'SIGINT');
  await gone;
});
test.use({ fill: 'none', elsewhere: BASE });

/** Waits until the page is in the hands of its service worker, as it is for everybody from the second load on. */
const secondLoad = async (page: Page) => {
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.reload();
  await expect
    .poll(() => page.evaluate(() => navigator.serviceWorker.controller?.state ?? null))
    .toBe('activated');
};

/** Each main view does its main thing once. */
async function walk(page: Page): Promise<void> {
  await page.goto('/plan');
  await page.getByRole('button', { name: 'Plan everything' }).click();
  await expect(page.getByText(/^Planned in /)).toBeVisible();
  await page.goto('/bench');
  await expect(page.locator('.apexcharts-canvas').first()).toBeVisible();
  await expect(page.getByText('Working it out')).toHaveCount(0);
  await page.goto('/bench/practice');
  await page.getByRole('button', { name: 'Hang it and start' }).click();
  await page.getByRole('button', { name: '900×' }).click();
  await expect(page.getByText('The stage has what it waited for')).toBeVisible({ timeout: 60_000 });
  await page.goto('/dose-check');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  for (const place of ['/', '/recipes', '/house', '/stores', '/records', '/settings']) {
    await page.goto(place);
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
  }
}

test('what `./kettle demo` starts does the main thing of each view, on the first load and the second', async ({
  page,
}) => {
  test.setTimeout(400_000);
  await signIn(page, 'maud');
  await walk(page);
  await page.goto('/');
  await secondLoad(page);
  await walk(page);

  await page.emulateMedia({ colorScheme: 'dark' });
  await page.goto('/plan');
  await page.getByRole('button', { name: 'Plan everything' }).click();
  await expect(page.getByText(/^Planned in /)).toBeVisible();
});

test('a core is logged, meat is weighed, a batch signed, exported and printed, under the service worker', async ({
  page,
}) => {
  test.setTimeout(400_000);
  await signIn(page, 'maud');
  await secondLoad(page);
  const big = await openBatch(page, 'In Big house', '/house?log=core');
  const pad = page.getByRole('form').filter({ has: page.getByLabel('Core temperature') });
  await pad.getByRole('button', { name: '5', exact: true }).click();
  await pad.getByRole('button', { name: '8', exact: true }).click();
  await pad.getByRole('button', { name: 'Save' }).click();
  await expect(pad).toContainText('Core 58 °C logged');

  const { id } = await startJob(page, 'Caraway garden link', 3);
  await page.getByLabel(/^The scale shows/).fill('17');
  await page.getByRole('button', { name: 'Record', exact: true }).click();
  await expect(page.getByText('Recorded: a weighing')).toBeVisible();
  await expect(page.getByText('weighed by').first()).toBeVisible();

  await openBatch(page, 'Read the verdict', '/verdict');
  await page.getByLabel('Your password again').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign and release' }).click();
  await expect(page.getByText('Released.')).toBeVisible();

  for (const as of ['json', 'csv', 'pdf'])
    expect(
      (
        await page.request.get(`${big.replace('/batches', '/api/v1/batches')}/record?as=${as}`)
      ).status(),
    ).toBe(200);
  await page.emulateMedia({ media: 'print' });
  await page.goto(`/batches/${id}`);
  await expect(page.locator('.no-print').first()).toBeHidden();
});
