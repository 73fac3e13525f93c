import { expect, test } from './support/test';
import { importFile, made, release, saveAndApprove, startJob, tell } from './support/job';
import { HOUR } from './support/logger';
import { signIn } from './support/people';

test.use({ processes: 'one' });

const cooked: [number, Record<string, unknown> & { kind: string }][] = [
  [20, { kind: 'pulled' }],
  [20, { kind: 'chill_started', medium: 'ice_bath' }],
];
const stuffed = (weightG: number): [number, Record<string, unknown> & { kind: string }] => [
  15,
  { kind: 'step_done', step: 'stuff', weightG, tempC: 4 },
];

test('job 1: a recipe that is poached in a water bath only, step by step to its signature', async ({
  page,
  browser,
}) => {
  test.setTimeout(600_000);
  await signIn(page, 'tomas');
  await page.goto('/recipes/new');
  await page.getByLabel('Name', { exact: true }).first().fill('Copper poached link');
  const way = page.getByRole('group', { name: 'The way' });
  const nameOf = async (name: string) => {
    const all = await way
      .getByLabel('Called')
      .evaluateAll((x) => x.map((f) => (f as HTMLInputElement).value));
    return all.indexOf(name) + 1;
  };
  for (const stage of ['Dry', 'Smoke'])
    await way
      .getByRole('button', { name: `Remove step ${await nameOf(stage)}`, exact: true })
      .click();
  const cook = await nameOf('Cook');
  await way.getByLabel(`Step ${cook}`, { exact: true }).selectOption('Water bath');
  await way.getByLabel('Set to').fill('120');
  await page.getByLabel('What changed, and why').fill('poached');
  await page.getByRole('button', { name: /Save as version/ }).click();
  await expect(page.getByText('water boils: at most 98 °C').first()).toBeVisible();
  await way.getByLabel('Set to').fill('76');
  await saveAndApprove(page);
  await expect(page.getByText('cooked, ready to eat')).toBeVisible();

  const floor = await (await browser.newContext({ baseURL: new URL(page.url()).origin })).newPage();
  await signIn(floor, 'ines');
  const { id, began } = await startJob(floor, 'Copper poached link', 40);
  await made(floor, page, id, began);
  await tell(floor, id, began, [stuffed(20_500)]);
  await floor.goto(`/batches/${id}/house`);
  await expect(floor.getByRole('region', { name: 'Start the program' })).toContainText(
    'Copper bath',
  );
  await tell(floor, id, began, [[16, { kind: 'run_started', houseId: 'copper' }], ...cooked]);
  await floor.reload();
  await importFile(floor, began + 16 * HOUR, 'P1');
  await tell(floor, id, began, [[27, { kind: 'step_done', step: 'pack', weightG: 19_000 }]]);
  await release(page, id);
});

test('job 2: a dry stick that was never cooked is signed on its own checks, and on nothing else', async ({
  page,
  browser,
}) => {
  test.setTimeout(600_000);
  await signIn(page, 'ines');
  const stick = page.getByRole('listitem').filter({ hasText: /Quarry dry stick.*In Stone room/s });
  await expect(stick).toContainText('Dry: weigh the marked pieces');
  await stick.getByRole('heading').getByRole('link').click();
  const pieces = page.getByRole('region', { name: 'Marked pieces' });
  await expect(pieces.getByTestId('losses')).toContainText('% lost');
  const form = pieces.getByRole('form', { name: 'Weigh a marked piece' });
  await form.getByLabel('The scale shows').fill('205');
  await form.getByRole('button', { name: 'Record this weight' }).click();
  await expect(form).toContainText('Name the piece');
  for (const [name, grams] of [
    ['Red string', '209'],
    ['Blue string', '215'],
    ['Green string', '221'],
  ] as const) {
    await form.getByLabel('Piece, by its mark').fill(name);
    await form.getByLabel('The scale shows').fill(grams);
    await form.getByLabel(/tare/).fill('14');
    await form.getByRole('button', { name: 'Record this weight' }).click();
    await expect(form.getByLabel('The scale shows')).toHaveValue('');
  }
  await expect(page.getByRole('heading', { name: 'Pull', exact: true })).toBeVisible();
  const id = new URL(page.url()).pathname.split('/')[2]!;
  await tell(page, id, Date.now(), [[0, { kind: 'pulled' }]]);
  await page.reload();
  await page.getByLabel('Finished weight').fill('23');
  await page.getByRole('button', { name: 'Pack done' }).click();
  await page
    .getByRole('button', { name: /Yes, record/ })
    .click({ timeout: 4000 })
    .catch(() => undefined);
  await expect(page.getByRole('heading', { name: 'Name the validated plan' })).toBeVisible();
  await page.goto(`/batches/${id}/verdict`);
  await expect(page.getByText('The release lead has not named')).toBeVisible();
  for (const unasked of ['Lethality', 'Cooling'])
    await expect(page.getByRole('heading', { name: unasked, exact: true })).toHaveCount(0);

  const lead = await (await browser.newContext({ baseURL: new URL(page.url()).origin })).newPage();
  await signIn(lead, 'maud');
  await lead.goto(`/batches/${id}`);
  await lead
    .getByLabel('The site’s validated plan for this product')
    .fill('Plan 7 of 2026, sticks');
  await lead.getByRole('button', { name: 'Name this plan' }).click();
  await expect(lead.getByText('Plan 7 of 2026, sticks')).toBeVisible();
  await release(lead, id);
});

test('job 3: one batter in two casings goes two ways and is released part by part', async ({
  page,
  browser,
}) => {
  test.setTimeout(600_000);
  await signIn(page, 'tomas');
  await page.goto('/recipes/new');
  await page.getByLabel('Name', { exact: true }).first().fill('Twin link');
  const parts = page.getByRole('group', { name: 'Parts' });
  await parts.getByRole('button', { name: 'Stuff it into several casings' }).click();
  await parts.getByLabel('Of the batter').first().fill('70');
  await page.getByLabel('What changed, and why').fill('two casings');
  await page.getByRole('button', { name: /Save as version/ }).click();
  await expect(page.getByText('the parts sum to 110.0 %').first()).toBeVisible();
  await parts.getByLabel('Of the batter').first().fill('60');
  await parts.getByLabel('Diameter').first().fill('44');
  await saveAndApprove(page);

  const floor = await (await browser.newContext({ baseURL: new URL(page.url()).origin })).newPage();
  await signIn(floor, 'ines');
  const { id, began } = await startJob(floor, 'Twin link', 40);
  await made(floor, page, id, began);
  await floor.goto('/');
  await expect(floor.getByRole('listitem').filter({ hasText: 'Twin link, Large' })).toBeVisible();
  await floor.goto(`/batches/${id}`);
  await expect(floor).toHaveURL(new RegExp(`${id}\\.large$`));
  await floor
    .getByRole('navigation', { name: 'Parts' })
    .getByRole('link', { name: 'Small' })
    .click();
  await expect(floor.getByRole('heading', { name: 'Twin link, Small' })).toBeVisible();
  for (const [part, weightG, logger] of [
    ['large', 12_300, 'L1'],
    ['small', 8_200, 'S1'],
  ] as const) {
    const ref = `${id}.${part}`;
    await tell(floor, ref, began, [
      stuffed(weightG),
      [16, { kind: 'run_started', houseId: 'copper' }],
      ...cooked,
    ]);
    await floor.goto(`/batches/${ref}/house`);
    await importFile(floor, began + 16 * HOUR, logger);
    await tell(floor, ref, began, [
      [27, { kind: 'step_done', step: 'pack', weightG: weightG * 0.9 }],
    ]);
    await release(page, ref);
  }
  await floor.goto('/records');
  const rows = floor.getByRole('row').filter({ hasText: 'Twin link' });
  await expect(rows).toHaveCount(2);
});
