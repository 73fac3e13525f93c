import { expect, test, type Page } from './support/test';
import { signIn } from './support/people';

test.use({ processes: 'one' });

const HOUR = 3_600_000;

/** Posts a fact of the past, as the floor's screens do. */
async function post(page: Page, batch: string, hoursAgo: number, body: object): Promise<void> {
  const data = {
    id: crypto.randomUUID(),
    happenedAt: new Date(Date.now() - hoursAgo * HOUR).toISOString(),
    body,
    confirmed: true,
  };
  const answer = await page.request.post(`/api/v1${batch}/entries`, { data });
  expect(await answer.json()).toMatchObject({ ok: true });
}

test('a fermented batch: chamber and pH logged, the fermentation judged, the next stage asked for', async ({
  page,
}) => {
  await signIn(page, 'ines');
  await page.goto('/batches/new');
  await page.getByLabel('Recipe').selectOption({ label: 'Heather tang ring, version 1' });
  await page.getByLabel('Meat on the bench today').fill('20');
  await page.getByText('The batch began earlier').click();
  const began = new Date(Date.now() - 30 * HOUR).toISOString().slice(0, 19);
  await page.getByLabel('Began at').fill(began);
  await expect(page.getByTestId('cure-grams')).toHaveText('48.0 g');
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await expect(page.getByRole('heading', { name: 'Weigh the meat' })).toBeVisible();
  const batch = new URL(page.url()).pathname;

  await post(page, batch, 12, { kind: 'run_started', houseId: 'little' });
  for (const ago of [12, 9, 6, 3, 0])
    await post(page, batch, ago, {
      kind: 'reading_logged',
      what: 'air',
      tempC: 36,
      thickest: false,
    });
  await page.goto(`${batch}/house`);
  const state = page.getByRole('region', { name: 'Fermentation' });
  await expect(state).toContainText('No pH of the test piece is recorded.');
  await expect(state).toContainText('245 degree-hours');
  await expect(state).toContainText('limit 556');

  const form = page.getByRole('form', { name: 'Log a pH' });
  const meter = form.getByLabel('Meter', { exact: true });
  await meter.selectOption('Spear meter 1');
  await form.getByLabel('The meter shows').fill('51');
  await form.getByRole('button', { name: 'Log this pH' }).click();
  await expect(form.getByText('No sausage has this pH.')).toBeVisible();
  await form.getByLabel('The meter shows').fill('5.5');
  await form.getByRole('button', { name: 'Log this pH' }).click();
  await expect(state).toContainText('Not at its pH yet. pH 5.48, target 5.3');
  await meter.selectOption('Pocket meter, not checked today');
  await expect(form.getByText('earns no credit until it is')).toBeVisible();
  await form.getByLabel('The meter shows').fill('5,2');
  await form.getByRole('button', { name: 'Log this pH' }).click();
  await expect(state).toContainText('by a meter that was not checked that day does not count');
  await form.getByLabel('The meter shows').fill('5,2');
  await meter.selectOption('Spear meter 1');
  await form.getByRole('button', { name: 'Log this pH' }).click();
  await expect(state).toContainText('Pass');
  await page.goto(`${batch}/verdict`);
  await expect(page.getByText('The pH was reached before the cook')).toBeVisible();

  /* The demo is shared: other tests look for their own batch in the house. */
  await page.context().clearCookies();
  await signIn(page, 'maud');
  await post(page, batch, 0, {
    kind: 'disposed',
    disposition: 'destroy',
    reason: 'the test is over',
    checks: [],
  });
});
