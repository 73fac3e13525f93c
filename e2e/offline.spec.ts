import { expect, test, type BrowserContext, type Page } from './support/test';
import { startJob, weighed } from './support/job';
import { PASSWORD, signIn, type Who } from './support/people';

const MIN = 60_000;
/* What is asked for without a network is not there: parts of a page, and a page that was never kept. */
test.use({
  expectedErrors: /net::ERR_FAILED|Failed to fetch RSC payload|status of 503 .*\/recipes\)/,
});

/** Waits until the device has kept these pages. */
const keeps = (page: Page, ...paths: string[]) =>
  expect
    .poll(
      () =>
        page.evaluate(async (wanted) => {
          const kept = (await (await caches.open('jolly-pages')).keys()).map(
            (r) => new URL(r.url).pathname,
          );
          return wanted.filter((p) => !kept.includes(p));
        }, paths),
      { timeout: 60_000 },
    )
    .toEqual([]);

type Device = { page: Page; context: BrowserContext };

/** A device with everything on it that the floor needs, and then without a network. */
async function away({ page, context }: Device, id: string): Promise<void> {
  await page.goto('/');
  await keeps(
    page,
    '/',
    '/house/big',
    `/batches/${id}`,
    `/batches/${id}/house`,
    `/batches/${id}/log`,
  );
  await context.setOffline(true);
}

async function logNotes({ page }: Device, id: string, who: string, count: number, at: number) {
  for (let i = 0; i < count; i += 1) {
    await page.clock.setSystemTime(at + (i * 30 * MIN) / count);
    await page.getByLabel('Note, or reason for a hold').fill(`${who} away ${i + 1}`);
    await page.getByRole('button', { name: 'Add the note' }).click();
    await expect(
      page.getByText(i === 0 ? 'One entry is kept here' : `${i + 1} entries are kept here`),
    ).toBeVisible();
  }
}

test('half an hour away with 25 entries from two devices: all are there once, in order', async ({
  page,
  browser,
}) => {
  test.setTimeout(600_000);
  await signIn(page, 'ines');
  const { id } = await startJob(page, 'Caraway garden link', 3);
  const other = await browser.newContext();
  const devices: [Device, Who, number][] = [
    [{ page, context: page.context() }, 'ines', 13],
    [{ page: await other.newPage(), context: other }, 'tomas', 12],
  ];
  await signIn(devices[1]![0].page, 'tomas');
  const begunAt = Date.now() - 31 * MIN;
  for (const [device, who, count] of devices) {
    await away(device, id);
    await device.page.goto(`/batches/${id}`);
    await expect(device.page.getByRole('heading', { level: 1 })).toHaveText('Caraway garden link');
    await device.page.goto(`/batches/${id}/log`);
    await logNotes(device, id, who, count, begunAt);
  }
  for (const [{ page: p, context }] of devices) {
    await p.clock.setSystemTime(Date.now());
    await context.setOffline(false);
    await expect(p.getByText(/kept here and will be sent/)).toBeHidden({ timeout: 40_000 });
  }
  const record = (await (
    await page.request.get(`/api/v1/batches/${id}/record?as=json`)
  ).json()) as {
    entries: { seq: number; body: { kind: string; text?: string } }[];
  };
  const notes = record.entries.flatMap((e) => (e.body.kind === 'noted' ? [e.body.text!] : []));
  expect(notes).toHaveLength(25);
  for (const [, who, count] of devices)
    expect(notes.filter((n) => n.startsWith(who))).toEqual(
      Array.from({ length: count }, (_, i) => `${who} away ${i + 1}`),
    );
  await other.close();
});

test('what was kept says how old it is, a page that was not kept says so, and a refusal stays until it was seen', async ({
  page,
  context,
  browser,
}) => {
  test.setTimeout(600_000);
  await signIn(page, 'ines');
  const { id } = await startJob(page, 'Caraway garden link', 30);
  await away({ page, context }, id);
  await page.goto('/recipes');
  await expect(page.getByText('this page is not kept here')).toBeVisible();
  await page.goto(`/batches/${id}`);
  await page.clock.setSystemTime(Date.now() + 12 * MIN);
  await expect(page.getByText(/Kept on this device at \d\d:\d\d, 12 min ago/)).toBeVisible();
  await page.clock.setSystemTime(Date.now());

  /* The meat is weighed here, and by somebody else meanwhile. */
  await page.getByLabel(/^The scale shows/).fill('17');
  await page.getByRole('button', { name: 'Record', exact: true }).click();
  const kept = page.getByRole('region', { name: 'Kept on this device' });
  await expect(kept).toContainText('a weighing, 17,000.0 g: waits to be sent');
  await expect(page.getByRole('button', { name: 'Record', exact: true })).toBeDisabled();
  const other = await browser.newContext();
  const second = await other.newPage();
  await signIn(second, 'tomas');
  const answer = await second.request.post(`/api/v1/batches/${id}/entries`, {
    headers: { origin: new URL(second.url()).origin },
    data: {
      id: crypto.randomUUID(),
      happenedAt: new Date().toISOString(),
      body: weighed('shoulder', 17_050),
    },
  });
  expect(await answer.json()).toMatchObject({ ok: true });
  await other.close();
  await context.setOffline(false);
  await expect(page.getByText(/kept here and will be sent/)).toBeHidden({ timeout: 40_000 });
  await expect(kept).toContainText('not taken. This line has been weighed already');
  await page.reload();
  await expect(page.getByText(/^Not taken: a weighing/)).toBeVisible();
  await page.getByRole('button', { name: 'I have seen this' }).click();
  await expect(page.getByText(/^Not taken/)).toBeHidden();
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Caraway garden link');
  await expect(page.getByText(/^Not taken/)).toBeHidden();
});

test('nonsense is refused at once, also without a network; what is typed while the last is on its way stays', async ({
  page,
  context,
}) => {
  await signIn(page, 'ines');
  const { id } = await startJob(page, 'Caraway garden link', 2);
  await page.goto(`/batches/${id}/log`);
  const note = page.getByLabel('Note, or reason for a hold');
  const add = page.getByRole('button', { name: 'Add the note' });
  let letGo: () => void = () => undefined;
  const held = new Promise<void>((go) => (letGo = go));
  await page.route('**/api/v1/batches/*/entries', async (route) => {
    await held;
    await route.continue();
  });
  await note.fill('first of two');
  await add.click();
  await expect(page.getByText('One entry is kept here')).toBeVisible();
  await note.fill('second of two');
  letGo();
  await expect(page.getByText('One entry is kept here')).toBeHidden();
  await expect(page.getByText('first of two').first()).toBeVisible();
  await expect(note).toHaveValue('second of two');

  await context.setOffline(true);
  await note.fill('');
  await add.click();
  await expect(page.getByText(/write at least three letters/)).toBeVisible();
  await expect(page.getByText(/kept here and will be sent/)).toBeHidden();
});

test('signing out takes the kept pages off the device', async ({ page, context }) => {
  test.setTimeout(600_000);
  await page.goto('/sign-in');
  await page.getByLabel('E-mail').fill('pia@alderhollow.example');
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await keeps(page, '/', '/house/big');
  await page.getByRole('button', { name: /^Pia/ }).click();
  await page.getByRole('menuitem', { name: 'Sign out' }).click();
  await expect(page).toHaveURL(/sign-in/);
  expect(await page.evaluate(() => caches.has('jolly-pages'))).toBe(false);
  await context.setOffline(true);
  await page.goto('/');
  await expect(page.getByText('this page is not kept here')).toBeVisible();
});

test('it can be put on the home screen', async ({ page }) => {
  await page.goto('/sign-in');
  const href = await page.locator('link[rel="manifest"]').getAttribute('href');
  const manifest = (await (await page.request.get(href!)).json()) as {
    display: string;
    start_url: string;
    icons: { src: string; sizes: string; purpose?: string }[];
  };
  expect(manifest).toMatchObject({ display: 'standalone', start_url: '/' });
  expect(manifest.icons.map((i) => i.sizes)).toEqual(
    expect.arrayContaining(['192x192', '512x512']),
  );
  expect(manifest.icons.some((i) => i.purpose === 'maskable')).toBe(true);
  for (const { src } of manifest.icons) expect((await page.request.get(src)).status()).toBe(200);
  expect((await page.request.get('/sw.js')).headers()['content-type']).toContain('javascript');
});

test('“Log core” on the Floor opens its pad without a network, and what is typed is kept', async ({
  page,
  context,
}) => {
  test.setTimeout(600_000);
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page, 'ines');
  await page.goto('/');
  const log = page.getByRole('link', { name: 'Log core' }).first();
  const href = (await log.getAttribute('href'))!;
  await keeps(page, '/', new URL(href, page.url()).pathname);
  await context.setOffline(true);
  await page.goto('/');
  await log.click();
  const form = page.getByRole('form', { name: 'Log a temperature' });
  await form.getByLabel('Core temperature').fill('31.5');
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('One entry is kept here')).toBeVisible();
});
