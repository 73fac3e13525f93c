import { expect, test } from './support/test';
import { openBatch, signIn } from './support/people';
import { deviceTokens } from './support/site';

const bearer = (token: string) => ({ authorization: `Bearer ${token}` });

/* A part of the page that is asked for without a network is not there. */
test.use({ expectedErrors: /net::ERR_FAILED/ });

/** The refresh that every page has now and then. */
const CLOCK_MS = 15_000;

test('a page follows a device’s new reading by itself, not by its clock', async ({
  page,
  request,
}) => {
  await page.addInitScript((clockMs) => {
    const usual = window.setInterval.bind(window);
    window.setInterval = ((run: TimerHandler, ms?: number) =>
      ms === clockMs ? 0 : usual(run, ms)) as typeof window.setInterval;
  }, CLOCK_MS);
  await signIn(page, 'pia');
  const listening = page.waitForResponse(
    (r) => r.url().includes('/api/v1/events') && r.request().headers().referer!.endsWith('/house'),
  );
  await openBatch(page, /Juniper boar ring[\s\S]*In Big house/, '/house');
  await expect(page.getByTestId('core-now')).toBeVisible();
  await listening;
  const reading = { channel: 'core-1', at: new Date().toISOString(), tempC: 56.3 };
  const answer = await request.post('/api/v1/readings', {
    headers: bearer(deviceTokens()[0]!),
    data: { readings: [reading] },
  });
  expect(await answer.json()).toMatchObject({ ok: true, new: 1, known: 0, bad: [] });
  await expect(page.getByTestId('core-now')).toHaveText('56.3 °C');
  const again = await request.post('/api/v1/readings', {
    headers: bearer(deviceTokens()[0]!),
    data: { readings: [reading] },
  });
  expect(await again.json()).toMatchObject({ new: 0, known: 1 });
});

test('a hand reading: odd figures are asked back, nonsense gets words', async ({ page }) => {
  await signIn(page, 'ines');
  await openBatch(page, 'In Big house', '/house?log=core');
  const form = page.getByRole('form', { name: 'Log a temperature' });
  const field = form.getByLabel('Core temperature');
  for (const [typed, words] of [
    ['', 'Give a number'],
    ['abc', 'not a number'],
    ['1e9', 'not a number'],
    ['1,234', 'Is this 1.234 or 1234'],
    ['300', 'No probe can show that'],
  ] as const) {
    await field.fill(typed);
    await form.getByRole('button', { name: 'Save' }).click();
    await expect(form).toContainText(words);
    await expect(field).toHaveValue(typed);
  }
  await field.fill('165');
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(form).toContainText('165 °C is unusual here');
  await form.getByRole('button', { name: 'It was 165 °F, so 73.9 °C' }).click();
  await expect(form).toContainText('Core 73.9 °C logged');
  await form.getByRole('button', { name: '5', exact: true }).click();
  await form.getByRole('button', { name: '8', exact: true }).click();
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(form).toContainText('Core 58 °C logged');
});

test('the network gone while saving: kept here, sent later, once', async ({ page, context }) => {
  await signIn(page, 'ines');
  const listening = page.waitForResponse(
    (r) => r.url().includes('/api/v1/events') && r.request().headers().referer!.endsWith('/log'),
  );
  const href = await openBatch(page, 'In Big house', '/log');
  await listening;
  await context.setOffline(true);
  await page.getByLabel('Note, or reason for a hold').fill('Fed the fire while the link was down');
  await page.getByRole('button', { name: 'Add the note' }).click();
  await expect(page.getByText('One entry is kept here and will be sent')).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText('One entry is kept here')).toBeHidden();
  await page.goto(`${href}/log`);
  await expect(page.getByText('Note: Fed the fire while the link was down')).toHaveCount(1);
});

test('a session that ended in the middle of a form: nothing is lost', async ({
  page,
  context,
}, info) => {
  const words = `Written after the session ended, ${info.repeatEachIndex}`;
  await signIn(page, 'ines');
  const href = await openBatch(page, 'In Big house', '/log');
  await page.getByLabel('Note, or reason for a hold').fill(words);
  await context.clearCookies();
  await page.getByRole('button', { name: 'Add the note' }).click();
  await expect(page.getByText('Your session has ended')).toBeVisible();
  await signIn(page, 'ines');
  await expect(page.getByText('kept here and will be sent')).toBeHidden();
  await page.goto(`${href}/log`);
  await expect(page.getByText(`Note: ${words}`)).toHaveCount(1);
});

test('two tabs on the same batch: the second is told, nothing happens twice', async ({
  page,
  context,
}) => {
  await signIn(page, 'ines');
  const href = await openBatch(page, 'In Big house', '/house');
  const other = await context.newPage();
  await context.route('**/api/v1/events*', (r) => r.abort());
  await page.reload();
  await other.goto(`${href}/house`);
  const next = (p: typeof page) => p.getByRole('button', { name: 'Next stage: Cook' });
  await expect(next(page)).toBeVisible();
  for (const p of [page, other]) await next(p).click();
  /* The smoke has a quarter of an hour to go: that is said first. */
  const onward = (p: typeof page) => p.getByRole('button', { name: 'Go on to Cook' }).click();
  await expect(page.getByText(/waits for 3 h 00/)).toBeVisible();
  await Promise.all([onward(page), onward(other)]);
  /* One is told, at once or, where its answer took too long, as what was kept here and sent again: then both tabs show it. */
  const told = async (p: typeof page) => p.getByText('perhaps on another screen').count();
  await expect.poll(async () => (await told(page)) + (await told(other))).toBeGreaterThan(0);
  await page.goto(`${href}/log`);
  await expect(page.getByText('Stage: Cook')).toHaveCount(1);
});

test('a load goes on in one press, and where one batch does not, none does', async ({ page }) => {
  await signIn(page, 'ines');
  await page.goto('/house/big');
  const cards = page.getByRole('region', { name: 'Who comes out next' });
  const ids = await cards
    .getByRole('heading')
    .getByRole('link')
    .evaluateAll((all) => all.map((a) => a.getAttribute('href')!.split('/')[2]!));
  expect(ids.length).toBeGreaterThan(0);
  const wood = { kind: 'event_logged', event: 'wood_added' };
  const offers = (bodies: object[]) =>
    bodies.map((body, i) => ({
      batchId: ids[i % ids.length],
      entry: { id: crypto.randomUUID(), happenedAt: new Date().toISOString(), body },
    }));
  const counted = async () => {
    await page.goto(`/batches/${ids[0]}/log`);
    return page.getByText('Wood added').count();
  };
  const before = await counted();
  const send = (list: object[]) => page.request.post('/api/v1/entries', { data: { offers: list } });
  const bad = await send(
    offers([...ids.map(() => wood), { kind: 'stage_started', stageIndex: 0 }]),
  );
  expect(bad.status()).toBe(409);
  expect(await bad.json()).toMatchObject({ ok: false, batch: expect.stringMatching(/^\d{6}-/) });
  expect(await counted()).toBe(before);
  const good = offers(ids.map(() => wood));
  for (const known of [false, true])
    expect(await (await send(good)).json()).toMatchObject({ ok: true, known });
  expect(await counted()).toBe(before + 1);
});

test('what an earlier release kept on the device is sent by this one', async ({ page }) => {
  await signIn(page, 'ines');
  const href = await openBatch(page, 'In Big house', '/log');
  const batchId = href.split('/').at(-1)!;
  const record = (await (
    await page.request.get(`/api/v1/batches/${batchId}/record?as=json`)
  ).json()) as { entries: { by: { id: string; name: string } }[] };
  const words = `kept by an earlier release, ${Date.now()}`;
  await page.goto('/api/health');
  const old = {
    id: crypto.randomUUID(),
    personId: record.entries.find((e) => e.by.name === 'Ines Quill')!.by.id,
    batchId,
    entry: {
      id: crypto.randomUUID(),
      happenedAt: new Date().toISOString(),
      corrects: null,
      body: { kind: 'noted', text: words },
    },
    keptAt: Date.now(),
  };
  await page.evaluate(
    (kept) =>
      new Promise<void>((done, failed) => {
        indexedDB.deleteDatabase('jolly-kettle').onsuccess = () => {
          const asked = indexedDB.open('jolly-kettle', 10);
          asked.onupgradeneeded = () => {
            const store = asked.result.createObjectStore('outbox', { keyPath: 'id' });
            for (const field of ['personId', 'keptAt']) store.createIndex(field, field);
          };
          asked.onerror = () => failed(asked.error);
          asked.onsuccess = () => {
            const tx = asked.result.transaction('outbox', 'readwrite');
            tx.objectStore('outbox').put(kept);
            tx.oncomplete = () => (asked.result.close(), done());
          };
        };
      }),
    old,
  );
  await page.goto(`${href}/log`);
  await expect(page.getByText(`Note: ${words}`)).toHaveCount(1);
});
