import { expect, test, type Page } from './support/test';
import { openBatch, signIn } from './support/people';

/* A part of the page that is asked for without a network is not there. */
test.use({ expectedErrors: /net::ERR_FAILED/ });

const undo = (page: Page) => page.getByRole('button', { name: 'Undo', exact: true });

test('an event at the house, pressed by mistake, is undone within the minute; both stay in the record', async ({
  page,
}) => {
  await signIn(page, 'ines');
  const href = await openBatch(page, 'In Big house', '/log');
  const struck = page.getByText('Correction: struck out. Reason: Undone at once');
  await expect(struck).toHaveCount(0);
  await page.goto('/house/big');
  await page.getByRole('button', { name: 'Door opened' }).click();
  await expect(page.getByText('Recorded: an event at the house')).toBeVisible();
  await undo(page).click();
  await expect(page.getByText('Undone.')).toBeVisible();
  await expect(undo(page)).toHaveCount(0);
  await page.goto(`${href}/log`);
  await expect(struck).toHaveCount(1);
  await expect(page.getByText('corrected', { exact: true })).toHaveCount(1);
});

test('a pull before its lethality says what is missing, keeping on first; a pull that was pressed is put back', async ({
  page,
}) => {
  await signIn(page, 'ines');
  await page.goto('/house/big');
  const card = page.getByRole('article', { name: /^Juniper boar ring/ });
  const pull = card.getByRole('button', { name: 'Pull Juniper boar ring to chill' });
  await pull.click();
  const asked = card.getByRole('status');
  await expect(asked).toContainText(
    /Juniper boar ring: .*(of 6\.5 log|No core reading).*goes on hold/,
  );
  await expect(asked.getByRole('button').first()).toHaveText('Keep cooking');
  await asked.getByRole('button', { name: 'Keep cooking' }).click();
  await expect(asked).toHaveCount(0);
  await pull.click();
  await asked.getByRole('button', { name: 'Pull anyway' }).click();
  await card.getByRole('button', { name: /^Put it back to cook on, until/ }).click();
  await expect(pull).toBeVisible();
  await page.goto('/');
  await expect(
    page
      .getByRole('listitem')
      .filter({ hasText: 'Juniper boar ring' })
      .filter({ hasText: 'In Big house' }),
  ).not.toContainText('On hold');
});

test('what is undone without a network goes with what it undoes, in order', async ({
  page,
  context,
}) => {
  await signIn(page, 'ines');
  const href = await openBatch(page, 'In Big house', '/house');
  await page.goto('/house/big');
  await page.getByRole('button', { name: 'Sticks rotated' }).click();
  await expect(page.getByText('Recorded: an event at the house')).toBeVisible();
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Fuel added' }).click();
  await undo(page).click();
  await expect(page.getByText(/kept here and will be sent/)).toContainText('2 entries are');
  await context.setOffline(false);
  await expect(page.getByText(/kept here and will be sent/)).toBeHidden({ timeout: 40_000 });
  await page.goto(`${href}/log`);
  await expect(
    page.getByText('Correction: struck out. Reason: Undone at once').first(),
  ).toBeVisible();
});
