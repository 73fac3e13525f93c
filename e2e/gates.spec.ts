import { expect, test } from './support/test';
import { openBatch, signIn } from './support/people';

test.use({ processes: 'one' });

test('signed out: pages lead to the sign-in, routes say so', async ({ page, request }) => {
  for (const path of [
    '/',
    '/recipes',
    '/settings',
    '/house',
    '/records',
    '/batches/new',
    '/stores',
    '/recipes/import',
  ]) {
    await page.goto(path);
    await expect(page).toHaveURL(/sign-in/);
  }
  const id = '00000000-0000-4000-8000-000000000000';
  expect((await request.get(`/api/v1/batches/${id}/record?as=pdf`)).status()).toBe(401);
  expect((await request.get(`/api/v1/batches/${id}/schedule`)).status()).toBe(401);
  expect((await request.get(`/api/v1/recipes/${id}`)).status()).toBe(401);
  expect((await request.get(`/api/v1/recipes/${id}/sheet?amount=1`)).status()).toBe(401);
  expect((await request.get('/api/v1/events')).status()).toBe(401);
  expect((await request.post(`/api/v1/batches/${id}/entries`, { data: {} })).status()).toBe(401);
  expect((await request.post('/api/v1/readings', { data: { readings: [] } })).status()).toBe(401);
  expect(
    (await request.get('/api/v1/house', { headers: { authorization: 'Bearer nope' } })).status(),
  ).toBe(401);
  expect(
    (
      await request.post('/api/auth/sign-up/email', {
        data: { name: 'Eve', email: 'eve@example.com', password: 'long-enough-1' },
      })
    ).ok(),
  ).toBe(false);
});

test('wrong password gets words', async ({ page }) => {
  await page.goto('/sign-in');
  await page.getByLabel('E-mail').fill('ines@alderhollow.example');
  await page.getByLabel('Password').fill('guess-guess-guess');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('E-mail and password do not match')).toBeVisible();
});

test('a reader sees and exports, and changes nothing', async ({ page }) => {
  await signIn(page, 'pia');
  await expect(page.getByRole('link', { name: 'Start a batch' })).toHaveCount(0);
  await page.goto('/batches/new');
  await expect(page.getByRole('heading', { name: 'Your role does not allow this' })).toBeVisible();
  await page.goto('/recipes/new');
  await expect(page.getByRole('heading', { name: 'Your role does not allow this' })).toBeVisible();
  const href = await openBatch(page, 'In Big house', '/house');
  await expect(page.getByRole('button', { name: 'Pull' })).toHaveCount(0);
  const entry = {
    id: crypto.randomUUID(),
    happenedAt: new Date().toISOString(),
    body: { kind: 'noted', text: 'hello' },
  };
  expect((await page.request.post(`/api/v1${href}/entries`, { data: entry })).status()).toBe(403);
  expect((await page.request.get(`/api/v1${href}/record?as=json`)).ok()).toBe(true);
});

test('on hold: the operator reads why, the release lead decides with a reason', async ({
  page,
  browser,
}) => {
  await signIn(page, 'ines');
  const href = await openBatch(page, 'On hold');
  await expect(page.getByText('Cooled too slowly').first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Decide' })).toHaveCount(0);
  const lead = await (await browser.newContext({ baseURL: new URL(page.url()).origin })).newPage();
  await signIn(lead, 'maud');
  await lead.goto(href);
  await lead.getByRole('button', { name: 'Decide' }).click();
  await expect(lead.getByRole('radio', { checked: true })).toHaveCount(0);
  await expect(lead.getByLabel(/^Cook on/)).toHaveCount(0);
  await lead.getByRole('button', { name: 'Record this decision' }).click();
  await expect(lead.getByText('Choose what happens with this batch.')).toBeVisible();
  await lead.getByLabel('Destroy the batch').check();
  await expect(lead.getByText('This cannot be undone.')).toBeVisible();
  await lead.getByLabel(/Number of the batch/).fill('wrong');
  await lead.getByRole('button', { name: 'Record this decision' }).click();
  await expect(lead.getByText(/^Type the number of the batch/)).toBeVisible();
  const code = /Batch (\S+)/.exec(await lead.getByText(/^Batch \d/).innerText())![1]!;
  await lead.getByLabel(/Number of the batch/).fill(code);
  await lead.getByRole('button', { name: 'Record this decision' }).click();
  await expect(lead.getByText('write at least three letters')).toBeVisible();
  await lead.getByLabel('Reason').fill('Cooled too slowly twice; rendered');
  await lead.getByRole('button', { name: 'Record this decision' }).click();
  await expect(lead.getByText('Destroyed', { exact: true })).toBeVisible();
  await lead.close();
});

test('a release lead registers a device; its token works until it is revoked', async ({
  page,
  request,
}) => {
  await signIn(page, 'maud');
  await page.goto('/settings/equipment');
  const devices = page.getByRole('region', { name: 'Devices' });
  await devices.getByLabel('Name').fill('Hand logger');
  await devices.getByRole('button', { name: 'Register this device' }).click();
  const shown = devices.getByText('Write this token into the device now');
  await expect(shown).toBeVisible();
  const token = /jk_\S+/.exec(await shown.innerText())![0];
  const ask = () =>
    request.post('/api/v1/readings', {
      headers: { authorization: `Bearer ${token}` },
      data: { readings: [{ channel: 'nowhere', at: new Date().toISOString(), tempC: 4 }] },
    });
  expect(await (await ask()).json()).toMatchObject({
    ok: true,
    new: 0,
    bad: [{ index: 0, field: 'channel' }],
  });
  const malformed = await request.post('/api/v1/readings', {
    headers: { authorization: `Bearer ${token}` },
    data: { rows: 1 },
  });
  expect(malformed.status()).toBe(400);
  await page.reload();
  const row = devices.getByRole('listitem').filter({ hasText: 'Hand logger' });
  await row.getByRole('button', { name: 'Revoke its token' }).click();
  await expect(row).toContainText('revoked');
  const refused = await ask();
  expect(refused.status()).toBe(403);
  expect(await refused.json()).toMatchObject({ code: 'token_revoked' });
});

test('a formulator writes a recipe; what cannot be is refused by its field', async ({ page }) => {
  await signIn(page, 'tomas');
  await page.goto('/recipes/new');
  await page.getByLabel('Name', { exact: true }).first().fill('Test coil');
  await page.getByLabel('Share', { exact: true }).fill('90');
  await page.getByLabel('What changed, and why').fill('First try');
  await page.getByRole('button', { name: 'Save as version 1' }).click();
  await expect(page.getByText('the shares sum to 90.0 %, not 100 %').first()).toBeVisible();
  await page.getByLabel('Share', { exact: true }).fill('100');
  await page.getByRole('button', { name: 'Save as version 1' }).click();
  await expect(page.getByRole('heading', { name: /Test coil/ })).toBeVisible();
  await expect(page.getByText('130 ppm').first()).toBeVisible();
});

test.describe('logger files that cannot be used get words', () => {
  const files: [string, string | Buffer, string][] = [
    ['an empty file', '', 'The file is empty'],
    ['a web page', '<!doctype html><html></html>', 'This is a web page'],
    ['a PDF', '%PDF-1.4', 'This is a PDF'],
    ['an open date order', 'Time,Core °C\n03/04/2026 08:00,4\n', 'Is the day or the month first'],
    ['an undeclared unit', 'Time,Core\n2026-11-20 08:00,4\n', 'does not say its unit'],
  ];
  for (const [name, content, words] of files) {
    test(name, async ({ page }) => {
      await signIn(page, 'ines');
      await openBatch(page, 'Cure hold', '/house');
      await page
        .getByLabel('CSV file of a temperature logger')
        .setInputFiles({ name: 'x.csv', mimeType: 'text/csv', buffer: Buffer.from(content) });
      await expect(page.getByText(words)).toBeVisible();
    });
  }
});
