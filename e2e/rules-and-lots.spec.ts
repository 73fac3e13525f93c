import { expect, test, type Locator, type Page } from './support/test';
import { signIn } from './support/people';

test.use({ processes: 'one' });

async function openRecipe(page: Page, name: string): Promise<void> {
  await page.goto('/recipes');
  await page.getByRole('link', { name, exact: true }).click();
  await expect(page.getByRole('region', { name: 'Approval' })).toBeVisible();
}

const line = (page: Page, name: string) => page.getByRole('listitem').filter({ hasText: name });

async function takeLot(scope: Locator, lot: RegExp): Promise<void> {
  const value = await scope.getByRole('option', { name: lot }).getAttribute('value');
  await scope.getByLabel('From lot').selectOption(value!);
}

async function weigh(page: Page, name: string, amount: string): Promise<void> {
  await line(page, name)
    .getByLabel(/The scale shows/)
    .fill(amount);
  await line(page, name).getByRole('button', { name: 'Record' }).click();
}

async function startBatch(page: Page, recipe: string, meat: string): Promise<string> {
  await page.goto('/batches/new');
  await page.getByLabel('Recipe').selectOption({ label: `${recipe}, version 1` });
  await page.getByLabel('Meat on the bench today').fill(meat);
  await expect(page.getByTestId('cure-grams')).toBeVisible();
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await expect(page.getByRole('heading', { name: 'Weigh the meat' })).toBeVisible();
  return new URL(page.url()).pathname;
}

test('a customer’s meat is weighed from its owner’s lot, and the log names it', async ({
  page,
}) => {
  await signIn(page, 'ines');
  const batch = await startBatch(page, 'Own venison link (custom work)', '12');
  const venison = line(page, 'Customer venison trim');
  await takeLot(venison, /C-2042.*of M. Tarn/);
  await weigh(page, 'Customer venison trim', '8.4');
  await expect(venison.getByText('weighed by')).toBeVisible();
  await weigh(page, 'Pork belly', '3.6');
  await expect(line(page, 'Pork belly').getByText('weighed by')).toBeVisible();
  await page.goto(`${batch}/log`);
  await expect(page.getByText(/Customer venison trim: .* lot C-2042/)).toBeVisible();
});

test('a lot past its use-by: refused, decided by the release lead with a reason, then weighed', async ({
  page,
  browser,
}) => {
  await signIn(page, 'ines');
  const batch = await startBatch(page, 'Caraway garden link', '10');
  const shoulder = line(page, 'Pork shoulder 80/20');
  await takeLot(shoulder, /PS-398/);
  await expect(shoulder).toContainText('past its use-by');
  await expect(shoulder.getByRole('button', { name: 'Record the decision' })).toHaveCount(0);
  await weigh(page, 'Pork shoulder 80/20', '8.5');
  await expect(shoulder.getByText('A release lead has to decide')).toBeVisible();

  const lead = await (await browser.newContext({ baseURL: new URL(page.url()).origin })).newPage();
  await signIn(lead, 'maud');
  await lead.goto(batch);
  const hers = line(lead, 'Pork shoulder 80/20');
  await takeLot(hers, /PS-398/);
  await hers.getByLabel('Why it may be used all the same').fill('frozen on the day it came');
  await hers.getByRole('button', { name: 'Record the decision' }).click();
  await expect(hers.getByText('past its use-by. Decide here')).toHaveCount(0);
  await weigh(lead, 'Pork shoulder 80/20', '8.5');
  await expect(hers.getByText('weighed by Maud Harrow')).toBeVisible();
  await lead.goto(`${batch}/log`);
  await expect(lead.getByText(/Decision on Pork shoulder 80\/20, past its use-by/)).toBeVisible();
  await lead.close();
});

test('a rule of the site’s own asks for its source, and blocks what it forbids', async ({
  page,
}) => {
  await signIn(page, 'maud');
  await page.goto('/settings');
  const rule = page
    .getByRole('listitem')
    .filter({ hasText: 'US comminuted, keep refrigerated, version 1' });
  await rule.getByRole('button', { name: 'Own figures' }).click();
  await rule.getByLabel('ppm of the').selectOption('whole batch');
  await rule.getByLabel('Limits expressed as').selectOption('nitrite ion');
  await rule.getByLabel('At most (ppm)').fill('70');
  await rule.getByLabel('At least (ppm)').fill('40');
  await rule.getByLabel('Source of these figures').fill('short');
  await rule.getByRole('button', { name: 'Save as a new version' }).click();
  await expect(rule.getByText('Say where these figures come from')).toBeVisible();
  await rule.getByLabel('Source of these figures').fill('Plan of the site, approved by its vet');
  await rule.getByRole('button', { name: 'Save as a new version' }).click();
  const own = page.getByRole('listitem').filter({ hasText: 'keep refrigerated, version 2' });
  await expect(own).toContainText('in use');
  await expect(own).toContainText('ppm of the whole batch · Limits expressed as nitrite ion');

  // 150 ppm on the meat are more than 70 ppm of ion on this batch: no batch starts from it now.
  await openRecipe(page, 'Millrace slicing log');
  await expect(page.getByRole('region', { name: 'Figures' })).toContainText('Blocks approval');
  await page.goto('/batches/new');
  await page.getByLabel('Recipe').selectOption({ label: 'Millrace slicing log, version 1' });
  await page.getByLabel('Meat on the bench today').fill('20');
  await expect(page.getByTestId('cure-grams')).toBeVisible();
  await expect(page.getByText('Limits 60 to 105 ppm of the whole batch')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start this batch' })).toBeDisabled();

  await page.goto('/settings');
  const usual = page
    .getByRole('listitem')
    .filter({ hasText: 'US comminuted, keep refrigerated, version 1' });
  await usual.getByRole('button', { name: 'Use it for new batches' }).click();
  await expect(usual).toContainText('in use');
});

test('limits are shown in the reader’s units, and their figures stay what they were', async ({
  page,
}) => {
  await signIn(page, 'maud');
  await page.goto('/settings');
  const rule = page.getByRole('listitem').filter({ hasText: 'Standard two-step cooling' });
  await expect(rule).toContainText('from 54.4 °C');
  await expect(rule).toContainText('within 90 min');
  await page.getByRole('button', { name: /Units/ }).click();
  await expect(rule).toContainText('from 129.92 °F');
  await page.getByRole('button', { name: /Units/ }).click();
  await expect(rule).toContainText('from 54.4 °C');
});

test('a time in the log is corrected, and the first one stays to be read', async ({ page }) => {
  await signIn(page, 'ines');
  const batch = await startBatch(page, 'Caraway garden link', '10');
  await page.goto(`${batch}/log`);
  await page.getByLabel('Note, or reason for a hold').fill('delivery at the door');
  await page.getByRole('button', { name: 'Add the note' }).click();
  const note = page.getByRole('listitem').filter({ hasText: 'Note: delivery at the door' });
  await note.first().getByRole('button', { name: 'Correct' }).click();
  await page.getByLabel(/When it happened/).fill('2031-01-01T10:00:00');
  await page.getByLabel('Why').fill('wrote it down late');
  await page.getByRole('button', { name: 'Record the correction' }).click();
  await expect(page.getByText('That time lies in the future.')).toBeVisible();
});

test('a version is retired with a reason, and batches start from it no more', async ({ page }) => {
  await signIn(page, 'tomas');
  await openRecipe(page, 'Orchard supper coil (fresh)');
  await page.getByText('Retire it').click();
  await page.getByLabel('Why it is retired').fill('out of season');
  await page.getByRole('button', { name: 'Retire this version' }).click();
  await expect(page.getByText(/Retired by Tomas Reed/)).toBeVisible();
  await expect(page.getByRole('link', { name: 'Start a batch' })).toHaveCount(0);
  await page.getByLabel('Why it is approved').fill('apples again');
  await page.getByRole('button', { name: 'Approve this version' }).click();
  await expect(page.getByRole('link', { name: 'Start a batch' })).toBeVisible();
});
