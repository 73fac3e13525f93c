import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { DEMO_RECIPES } from '../scripts/demo/recipes';
import { startJob, tell, weighed } from './support/job';
import { signIn } from './support/people';

const RECIPE = 'Caraway garden link';

test('on a phone: from the freezer through the grinder, each step with what it leads to', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page, 'ines');
  const { id, began } = await startJob(page, RECIPE, 3);
  const making = page.getByRole('region', { name: 'Making' });
  await expect(making).toHaveCount(0);
  const { meat } = DEMO_RECIPES.find((r) => r.name === RECIPE)!;
  await tell(
    page,
    id,
    began,
    meat.map((m, i) => [0.1 + i / 10, weighed(m.id, Math.round(m.share * 4000) * 5)]),
  );
  await page.reload();
  await expect(making.getByRole('listitem').first()).toContainText('Prepare');
  const form = (name: RegExp) => making.getByRole('form', { name });
  await form(/^Prepare/)
    .getByRole('button', { name: 'Done' })
    .click();
  await expect(making.getByRole('listitem').first()).toContainText('Ines Quill');

  const chill = form(/^Chill the meat/);
  await chill.getByLabel('Meat now').fill('5');
  await expect(chill.getByTestId('chill-minutes')).toContainText(/About \d+ min to −?-?1 °C/);
  await chill.getByLabel('Freezer').fill('4');
  await expect(chill.getByTestId('chill-minutes')).toContainText('does not get it');
  await chill.getByLabel('Freezer').fill('cold');
  await expect(chill.getByTestId('chill-minutes')).toContainText('Give a depth');
  await chill.getByLabel('Freezer').fill('-18');
  await chill.getByLabel('Meat now').fill('warm');
  await chill.getByRole('button', { name: 'Done' }).click();
  await expect(chill.getByText(/This is not a number/)).toBeVisible();
  await chill.getByLabel('Meat now').fill('5');
  await chill.getByLabel('Surface after').fill('-0.5');
  await chill.getByRole('button', { name: 'Done' }).click();

  const grind = form(/^Grind/);
  await grind.getByLabel('Meat before').fill('3.5');
  await expect(grind.getByText(/Comes out at about/)).toBeVisible();
  await expect(grind.getByText(/Over 4 °C: chill it to .* first, about \d+ min/)).toBeVisible();
  await grind.getByLabel('Meat after').fill('6');
  await expect(grind.getByText(/Over 4 °C: chill it before it goes on/)).toBeVisible();
  for (const b of await grind.getByRole('button').all())
    expect((await b.boundingBox())!.height).toBeGreaterThanOrEqual(48);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.filter((v) => ['serious', 'critical'].includes(v.impact ?? ''))).toEqual([]);
  await grind.getByRole('button', { name: 'Done' }).click();
  await expect(making).toContainText('from 3.5 °C to 6 °C');
  /* What came out of the grinder goes into the mixer. */
  await expect(form(/^Mix/).getByText(/Comes out at about/)).toBeVisible();
  await page.goto(`/batches/${id}/log`);
  await expect(page.getByText('Grind done, from 3.5 °C to 6 °C')).toBeVisible();
});
