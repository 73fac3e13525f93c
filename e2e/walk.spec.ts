import { expect, test, type Page } from './support/test';
import fs from 'node:fs';
import { HOUR, local, loggerFile } from './support/logger';
import { PASSWORD, signIn } from './support/people';

async function at(page: Page, ms: number, scope = page.locator('main')): Promise<void> {
  await scope.getByRole('button', { name: 'Happened now' }).first().click();
  await scope
    .getByLabel(/When it happened/)
    .first()
    .fill(local(ms));
}

const weighing = (page: Page) => page.getByRole('region', { name: 'Weighing' });

async function weigh(page: Page, name: string, amount: string, ms: number): Promise<void> {
  const line = weighing(page).getByRole('listitem').filter({ hasText: name });
  const open = line.getByRole('button', { name: 'Weigh' });
  if (await open.isVisible()) await open.click();
  await line.getByLabel(/The scale shows/).fill(amount);
  await at(page, ms, line);
  await line.getByRole('button', { name: 'Record' }).click();
  /* Nobody sees the first figure of a cure before the second look. */
  if (name === 'Cure #1')
    await expect(page.getByRole('form', { name: 'Second look at the cure' })).toBeVisible();
  else await expect(line.getByText('weighed by')).toBeVisible();
}

/** Presses a one-press entry at a time of its own. */
async function press(page: Page, name: string, ms: number): Promise<void> {
  const group = page.getByRole('group', { name, exact: true });
  await at(page, ms, group);
  await group.getByRole('button', { name, exact: true }).click();
  /* What is not reached is asked: here no logger has reported yet. */
  if (name === 'Pull') await group.getByRole('button', { name: 'Pull anyway' }).click();
  await expect(group).toBeHidden();
}

test('one batch, from a recipe and a weight to a signed release and its PDF', async ({
  page,
  browser,
}) => {
  test.setTimeout(600_000);
  const began = Math.floor((Date.now() - 40 * HOUR) / 60_000) * 60_000;
  await signIn(page, 'ines');

  await page.getByRole('link', { name: 'Start a batch' }).click();
  await page.getByLabel('Recipe').selectOption({ label: 'Caraway garden link, version 1' });
  await page.getByLabel('Meat on the bench today').fill('20');
  await page.getByText('The batch began earlier').click();
  await page.getByLabel('Began at').fill(local(began));
  await expect(page.getByTestId('cure-grams')).toHaveText('43.2 g');
  await expect(page.getByText('Limits 120 to 156 ppm')).toBeVisible();
  await page.getByLabel(/Ready by/).fill(local(Date.now() + 2 * HOUR).slice(0, 16));
  await expect(page.getByRole('region', { name: 'Schedule' })).toContainText('Prepare');
  await page.getByLabel(/Ready by/).fill(local(began + 2 * HOUR).slice(0, 16));
  await expect(page.getByText('This ready-by cannot be met. The earliest is')).toBeVisible();
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await expect(page.getByText('Ready-by lies in the past').first()).toBeVisible();
  await page.getByLabel(/Ready by/).fill(local(Date.now() + 30 * HOUR).slice(0, 16));
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await expect(page.getByRole('heading', { name: 'Weigh the meat' })).toBeVisible();
  const batch = new URL(page.url()).pathname;

  // The real meat is lighter than planned: the doses still to be weighed follow it.
  await weigh(page, 'Pork shoulder 80/20', '16', began + 60_000);
  await weigh(page, 'Pork jowl', '2', began + 120_000);
  const cure = weighing(page).getByRole('listitem').filter({ hasText: 'Cure #1' });
  await expect(cure).toContainText('38.9 g');
  await weigh(page, 'Cure #1', '38.9', began + 180_000);

  // A second person, on another device, reads the scale without being told the first reading.
  const second = await (
    await browser.newContext({ baseURL: new URL(page.url()).origin })
  ).newPage();
  await signIn(second, 'tomas');
  await second.goto(batch);
  const look = second.getByRole('form', { name: 'Second look at the cure' });
  await look.getByLabel('The scale shows').fill('38.9');
  await at(second, began + 240_000, look);
  await look.getByRole('button', { name: 'Record the second look' }).click();
  await expect(look).toBeHidden();
  await second.close();
  for (const [name, amount] of [
    ['Salt', '287.5'],
    ['Caraway, cracked', '46.8'],
    ['Lovage leaf', '19.8'],
    ['White pepper', '39.6'],
    ['Ice water', '1080'],
  ] as const)
    await weigh(page, name, amount, began + 300_000);

  await expect(page.getByRole('heading', { name: 'Start the cure hold' })).toBeVisible();
  await page.getByLabel('The cooler shows').fill('2.5');
  await at(page, began + HOUR, page.getByRole('region', { name: 'Next step' }));
  await page.getByRole('button', { name: 'Start the cure hold' }).click();
  await expect(page.getByRole('heading', { name: 'End the cure hold' })).toBeVisible();
  await page.getByLabel('The cooler shows').fill('3');
  await at(page, began + 14 * HOUR, page.getByRole('region', { name: 'Next step' }));
  await page.getByRole('button', { name: 'End the cure hold' }).click();
  await expect(page.getByRole('heading', { name: 'Stuff, then hang' })).toBeVisible();
  await page.getByLabel('Stuffed weight').fill('19,2');
  await at(page, began + 15 * HOUR, page.getByRole('region', { name: 'Next step' }));
  await page.getByRole('button', { name: 'Stuff done' }).click();
  /* The casing was never put into its water: asked. */
  await page.getByRole('button', { name: /^Yes, without it: Stuff/ }).click();
  await page.getByRole('link', { name: 'Go to the house' }).click();

  // House: no probe of the house; the logger's file brings the evidence.
  for (const probe of ['Core 1', 'Core 2'])
    await page.getByLabel(probe).selectOption('not in this batch');
  const load = page.getByRole('region', { name: 'Start the program' });
  await at(page, began + 16 * HOUR, load);
  await load.getByRole('button', { name: /Start the program/ }).click();
  const program = page.getByRole('region', { name: 'Program' });
  await expect(program).toContainText('Dry, now');
  await press(page, 'Pull', began + 20 * HOUR);
  await press(page, 'Ice bath begins', began + 20 * HOUR);
  await expect(page.getByRole('region', { name: 'Cooling clock' })).toBeVisible();
  await page.getByLabel('CSV file of a temperature logger').setInputFiles({
    name: 'k7.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(loggerFile(began + 16 * HOUR)),
  });
  await expect(page.getByText('1 rows or cells will be left out')).toBeVisible();
  await page.getByLabel('What House °F measured').selectOption('Air of the house');
  await page.getByRole('button', { name: 'Import into this batch' }).click();
  await expect(page.getByText('readings imported')).toBeVisible();
  await expect(page.getByText('In time')).toHaveCount(2);

  await page.getByRole('link', { name: 'Now', exact: true }).click();
  await press(page, 'Bloom begins', began + 25 * HOUR);
  await page.getByLabel('Finished weight').fill('16.8');
  await at(page, began + 27 * HOUR, page.getByRole('region', { name: 'Next step' }));
  const schedule = page.getByRole('region', { name: 'Schedule' });
  await expect(schedule.getByRole('listitem').filter({ hasText: 'Bloom' })).toContainText(
    'now, until',
  );
  await page.getByRole('button', { name: 'Pack done' }).click();
  await page.getByRole('link', { name: 'Read the verdict' }).click();
  await expect(page.getByText('Every check passes')).toBeVisible();
  await expect(page.getByText('Ready for the release lead’s signature')).toBeVisible();

  const lead = await (
    await browser.newContext({ baseURL: new URL(page.url()).origin, acceptDownloads: true })
  ).newPage();
  await signIn(lead, 'maud');
  await lead.goto(`${batch}/verdict`);
  await lead.getByLabel('Your password again').fill('wrong-password');
  await lead.getByRole('button', { name: 'Sign and release' }).click();
  await expect(lead.getByText('The password is not right')).toBeVisible();
  await lead.getByLabel('Your password again').fill(PASSWORD);
  await lead.getByRole('button', { name: 'Sign and release' }).click();
  await expect(lead.getByText('Released.')).toBeVisible();
  for (const [kind, start] of [
    ['PDF', '%PDF'],
    ['JSON', '{'],
    ['CSV', 'type,at'],
  ] as const) {
    const [download] = await Promise.all([
      lead.waitForEvent('download'),
      lead.getByRole('link', { name: kind, exact: true }).click(),
    ]);
    const bytes = fs.readFileSync(await download.path());
    expect(bytes.subarray(0, start.length).toString()).toBe(start);
    expect(bytes.length).toBeGreaterThan(2000);
  }
  const calendar = await lead.request.get(`/api/v1${batch}/schedule`);
  expect(await calendar.text()).toContain('BEGIN:VEVENT');
  expect(await calendar.text()).toContain('Done.');
  await lead.goto(batch);
  const way = lead.getByRole('region', { name: 'Schedule' });
  await expect(way.getByRole('heading', { name: 'How it went' })).toBeVisible();
  await expect(way).toContainText(/Done .*, \d+ h \d+ early/);
  await expect(way.getByRole('listitem').filter({ hasText: 'Stuff' })).toContainText('done');
  await lead.close();
});
