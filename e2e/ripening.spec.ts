import { randomUUID } from 'node:crypto';
import { expect, test, type Page } from './support/test';
import { fermentedRecipe } from '../src/core/testing/recipe';
import { as, importFile, release, saveAndApprove, startJob, tell, weighed } from './support/job';
import { signIn } from './support/people';

test.use({ processes: 'one' });

type Line = [number, Record<string, unknown> & { kind: string }, string?];

/** Weighed, cured, stuffed and hung in the stone chamber, the pork frozen before; 20 kg of dry sticks. */
async function hung(page: Page, id: string, began: number): Promise<void> {
  const cure = randomUUID();
  await tell(page, id, began, [
    [0.1, weighed('shoulder', 17_000)],
    [0.2, weighed('fat', 3000)],
    [0.3, weighed('cure', 44.8), cure],
  ]);
  await as(page, 'tomas');
  await tell(page, id, began, [[0.4, { kind: 'cure_checked', weighedId: cure, readingG: 44.8 }]]);
  await as(page, 'ines');
  await tell(page, id, began, [
    [0.5, weighed('salt', 478)],
    [0.6, weighed('dextrose', 160)],
    [0.7, weighed('pepper', 60)],
    [0.8, weighed('culture', 5)],
    ...['shoulder', 'fat'].map((lineId): Line => [
      0.9,
      {
        kind: 'parasites_controlled',
        lineId,
        lotId: null,
        control: { way: 'frozen', thicknessMm: 120, atC: -20, forS: 24 * 86_400 },
      },
    ]),
    [1, { kind: 'cure_hold_started', coolerC: 2 }],
    [14, { kind: 'cure_hold_ended', coolerC: 2 }],
    [15, { kind: 'step_done', step: 'stuff', weightG: 20_600, tempC: 3 }],
    [16, { kind: 'run_started', houseId: 'stone' }],
  ]);
}

/** What somebody read off the chamber's dry and wet bulb, every so many hours. */
const read = (fromH: number, toH: number, everyH: number, airC: number, wetC: number): Line[] =>
  Array.from(
    { length: Math.floor((toH - fromH) / everyH) + 1 },
    (_, k) => fromH + k * everyH,
  ).flatMap((h): Line[] => [
    [h, { kind: 'reading_logged', what: 'air', tempC: airC, thickest: false }],
    [h + 0.05, { kind: 'reading_logged', what: 'wet_bulb', tempC: wetC, thickest: false }],
  ]);

const ph = (h: number, value: number, began: number): Line => [
  h,
  { kind: 'ph_logged', ph: value, meterCheckedS: Math.round(began / 1000 + (h - 1) * 3600) },
];

const pieces = (h: number, share: number): Line[] =>
  [300, 310, 320].map((startG, i): Line => [
    h + i / 60,
    {
      kind: 'piece_weighed',
      piece: ['Red', 'Blue', 'Green'][i]!,
      weightG: Math.round(startG * share),
    },
  ]);

test('a ferment tells its hour, and that it comes and is past, before and after it is too sour', async ({
  page,
}) => {
  test.setTimeout(600_000);
  await signIn(page, 'ines');
  const { id, began } = await startJob(page, 'Quarry dry stick', 42);
  await hung(page, id, began);
  await page.goto(`/batches/${id}/ripening`);
  const ferment = page.getByRole('region', { name: 'Ferment' });
  await expect(ferment).toContainText('no reading yet, so the band is wide');
  await tell(page, id, began, [
    ...read(16, 41, 3, 22, 21),
    ph(18, 5.76, began),
    ph(26, 5.62, began),
    ph(34, 5.36, began),
    ph(41, 5.13, began),
  ]);
  await page.reload();
  await expect(ferment).toContainText('From 4 readings of this batch');
  await expect(ferment).toContainText('pH 5.1, which ends it');
  await expect(ferment).toContainText('°C·h until then; at most 667');
  await page.goto(`/batches/${id}/house`);
  await expect(page.getByText('The pH comes').first()).toBeVisible();

  await page.goto(`/batches/${id}/ripening`);
  const form = page.getByRole('form', { name: 'Log a pH' });
  await form.getByLabel('The meter shows').fill('0.4');
  await form.getByRole('button', { name: 'Log this pH' }).click();
  await expect(form.getByText('No sausage has this pH.')).toBeVisible();
  await form.getByLabel('The meter shows').fill('4,9');
  await form.getByLabel('Meter', { exact: true }).selectOption('Spear meter 1');
  await form.getByRole('button', { name: 'Log this pH' }).click();
  await expect(ferment).toContainText('From 5 readings of this batch');
  await page.goto(`/batches/${id}/house`);
  await expect(page.getByText('Sourer than asked').first()).toBeVisible();

  await as(page, 'maud');
  const reason = { disposition: 'destroy', reason: 'the test is over', checks: [] };
  await tell(page, id, Date.now(), [[0, { kind: 'disposed', ...reason }]]);
});

/** Puts the site where it is now half past four in the afternoon, or back. @returns the zone that it had */
async function siteZone(page: Page, wanted?: string): Promise<string> {
  await page.goto('/settings/site');
  const zone = page.getByLabel('Time zone');
  const before = await zone.inputValue();
  const zones = await zone.locator('option').allTextContents();
  const hourIn = (timeZone: string) =>
    Number(new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit' }).format(new Date()));
  await zone.selectOption(wanted ?? zones.find((z) => hourIn(z) === 16)!);
  await page.getByRole('button', { name: 'Save the site' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  return before;
}

test('a pH that comes in the night is told on the afternoon’s floor, with a chamber in which it waits', async ({
  page,
}) => {
  test.setTimeout(600_000);
  await signIn(page, 'ines');
  const { id, began } = await startJob(page, 'Quarry dry stick', 42);
  await as(page, 'maud');
  const before = await siteZone(page);
  try {
    await as(page, 'ines');
    await hung(page, id, began);
    await tell(page, id, began, [
      ...read(16, 41, 3, 22, 21),
      ph(18, 5.77, began),
      ph(26, 5.66, began),
      ph(34, 5.46, began),
      ph(41.5, 5.27, began),
    ]);
    await page.goto(`/batches/${id}/ripening`);
    await expect(page.getByRole('region', { name: 'Ferment' })).toContainText('pH 5.1');
    await page.goto('/');
    await page
      .getByRole('region', { name: 'Alarms' })
      .getByRole('link', { name: /The pH comes Quarry dry stick/ })
      .click();
    await expect(page.getByText('when nobody is there').first()).toHaveText(
      /pH 5.1 about .*when nobody is there\. Come, or set the chamber to \d+ °C now: then it waits until/,
    );
    await as(page, 'maud');
    const reason = { disposition: 'destroy', reason: 'the test is over', checks: [] };
    await tell(page, id, Date.now(), [[0, { kind: 'disposed', ...reason }]]);
  } finally {
    await as(page, 'maud');
    await siteZone(page, before);
  }
});

test('what a scale shows is taken by one press, once it is at rest; a meter fills in itself and its sample', async ({
  page,
  playwright,
  baseURL,
}) => {
  test.setTimeout(600_000);
  await signIn(page, 'maud');
  await page.goto('/settings/equipment');
  const part = page.getByRole('region', { name: 'Scales and meters that say what they show' });
  const register = async (name: string, what: string) => {
    await part.getByLabel('Name').fill(name);
    await part.getByLabel('What it is').selectOption({ label: what });
    await part.getByRole('button', { name: 'Register this instrument' }).click();
    await expect(part.getByText(`${name}: never heard`)).toBeVisible();
    const words = await part.getByText(/Write this token into it now/).textContent();
    return playwright.request.newContext({
      baseURL,
      extraHTTPHeaders: { authorization: `Bearer ${/jk_\S+/.exec(words!)![0]}` },
    });
  };
  const scale = await register('Hall scale', 'A scale');
  const meter = await register('Hall meter', 'The pH meter Spear meter 1');
  const shows = async (of: typeof scale, data: object) => {
    const answer = await of.post('/api/v1/shown', { data });
    expect(await answer.json()).toEqual({ ok: true });
  };
  const wrong = await scale.post('/api/v1/shown', { data: { value: 5, unit: 'pH', steady: true } });
  expect([wrong.status(), await wrong.json()]).toEqual([
    400,
    expect.objectContaining({ message: 'a scale shows g, kg, oz or lb' }),
  ]);

  await as(page, 'ines');
  const { id, began } = await startJob(page, 'Quarry dry stick', 30);
  await hung(page, id, began);
  await page.goto(`/batches/${id}/ripening`);
  const weigh = page.getByRole('form', { name: 'Weigh a marked piece' });
  await weigh.getByLabel('Piece, by its mark').fill('White');
  await shows(scale, { value: 0.8, unit: 'kg', steady: false });
  await expect(weigh.getByText('not at rest yet')).toBeVisible();
  await expect(weigh.getByRole('button', { name: 'Take 800.0 g' })).toBeDisabled();
  await shows(scale, { value: 0.812, unit: 'kg', steady: true });
  await weigh.getByRole('button', { name: 'Take 812.0 g' }).click();
  await expect(weigh.getByLabel('The scale shows')).toHaveValue('812');
  await weigh.getByRole('button', { name: 'Record this weight' }).click();
  const losses = page.getByTestId('losses');
  await expect(losses).toContainText('White');
  /* Typed over what was taken: no instrument showed that. */
  await weigh.getByLabel('Piece, by its mark').fill('Grey');
  await weigh.getByRole('button', { name: 'Take 812.0 g' }).click();
  await weigh.getByLabel('The scale shows').fill('400');
  await weigh.getByLabel('The scale shows').fill('812');
  await weigh.getByRole('button', { name: 'Record this weight' }).click();
  await expect(losses).toContainText('Grey');

  const form = page.getByRole('form', { name: 'Log a pH' });
  await form.getByLabel('Meter', { exact: true }).selectOption({ index: 0 });
  await shows(meter, { value: 5.52, unit: 'pH', steady: true, sampleC: 21.5 });
  await form.getByRole('button', { name: 'Take pH 5.52 at 21.5 °C' }).click();
  await expect(form.getByLabel('The meter shows')).toHaveValue('5.52');
  await expect(form.getByLabel('The sample is at')).toHaveValue('21.5');
  await expect(form.getByLabel('Meter', { exact: true }).locator('option:checked')).toContainText(
    'Spear meter 1',
  );
  await form.getByRole('button', { name: 'Log this pH' }).click();
  await expect(page.getByRole('region', { name: 'Ferment' })).toContainText(
    'From 1 reading of this batch',
  );
  await losses.getByText('White is gone?').click();
  await losses.getByRole('button', { name: 'eaten, or cut open' }).click();
  await expect(page.getByText('White is gone?')).toHaveCount(0);
  await page.goto(`/batches/${id}/log`);
  await expect(page.getByText('Piece White is weighed no more: eaten, or cut open')).toBeVisible();
  await expect(page.getByText('Piece White: 812.0 g, as Hall scale showed it')).toBeVisible();
  await expect(page.getByText('Piece Grey: 812.0 g')).toBeVisible();
  await expect(page.getByText('Piece Grey: 812.0 g, as')).toHaveCount(0);
  await expect(page.getByText(/pH 5.\d+ .*, as Hall meter showed it/)).toBeVisible();

  await page.goto('/house/meters');
  const check = page.getByRole('region', { name: 'Check a meter' });
  await check.getByLabel('Meter', { exact: true }).selectOption('Pocket meter');
  await check.getByLabel('Shows in it').fill('6.5');
  await shows(meter, { value: 7.05, unit: 'pH', steady: true, sampleC: 18 });
  await check.getByRole('button', { name: 'Take pH 7.05 at 18 °C' }).click();
  await shows(meter, { value: 4.04, unit: 'pH', steady: true, sampleC: 18 });
  await check.getByRole('button', { name: 'Take pH 4.04 at 18 °C' }).click();
  for (const [label, value] of [
    ['Shows in it', '7.05'],
    ['Shows in pH 4.01', '4.04'],
    ['Buffers are at', '18'],
  ] as const)
    await expect(check.getByLabel(label)).toHaveValue(value);
  const chosen = check.getByLabel('Meter', { exact: true }).locator('option:checked');
  await expect(chosen).toHaveText('Spear meter 1');

  await as(page, 'maud');
  const reason = { disposition: 'destroy', reason: 'the test is over', checks: [] };
  await tell(page, id, Date.now(), [[0, { kind: 'disposed', ...reason }]]);
  await page.goto('/settings/equipment');
  for (const name of ['Hall scale', 'Hall meter']) {
    const row = part.getByRole('listitem').filter({ hasText: name });
    await row.getByRole('button', { name: 'Revoke its token' }).click();
    await expect(row).toHaveCount(0);
  }
  for (const of of [scale, meter]) await of.dispose();
});

test('fermented, smoked, dried over weeks to its signature; a dry room is told of before the rim is hard', async ({
  page,
}) => {
  test.setTimeout(600_000);
  await signIn(page, 'ines');
  const { id, began } = await startJob(page, 'Quarry dry stick', 27 * 24);
  await hung(page, id, began);
  await tell(page, id, began, [
    ...pieces(16.2, 1),
    ...read(16, 52, 3, 22, 21),
    ph(30, 5.5, began),
    ph(44, 5.25, began),
    ph(51, 5.08, began),
    [52, { kind: 'stage_started', stageIndex: 1 }],
    [60, { kind: 'stage_started', stageIndex: 2 }],
    ...read(61, 27 * 24 - 1, 36, 14, 8),
    ...pieces(4 * 24, 0.9),
    ...pieces(8 * 24, 0.83),
    ...pieces(13 * 24, 0.76),
    ...pieces(19 * 24, 0.71),
  ]);
  await page.goto(`/batches/${id}/ripening`);
  const drying = page.getByRole('region', { name: 'Drying', exact: true });
  await expect(drying.getByTestId('drying-days')).toContainText('Red');
  await expect(drying).toContainText('In the room as its sensors say');
  await expect(drying).toContainText(/The rim (dries too fast|is closing)/);
  await expect(drying).toContainText('% humidity for two days');

  const form = page.getByRole('form', { name: 'Weigh a marked piece' });
  await form.getByLabel('Piece, by its mark').fill('Red');
  await form.getByLabel('The scale shows').fill('heavy');
  await form.getByRole('button', { name: 'Record this weight' }).click();
  await expect(form).toContainText('Give the weight as a number');
  await form.getByLabel('The scale shows').fill('7.5');
  await form.getByRole('button', { name: 'Record this weight' }).click();
  await expect(form).toContainText('7.5 g for Red, which weighed 213.0 g');
  await expect(form.getByRole('button', { name: 'It is 212.6 g' })).toBeVisible();
  await tell(page, id, began, pieces(27 * 24 - 0.5, 0.64));
  await page.reload();
  await expect(drying.getByText('Pass')).toBeVisible();
  await expect(drying.getByTestId('drying-days')).toContainText('shown');

  await as(page, 'maud');
  await tell(page, id, began, [
    [27 * 24 - 0.3, { kind: 'plan_named', plan: 'Plan 7 of 2026, sticks' }],
    [27 * 24 - 0.2, { kind: 'pulled' }],
    [27 * 24 - 0.1, { kind: 'step_done', step: 'pack', weightG: 13_100 }],
  ]);
  await release(page, id);
});

test('a pH meter is an instrument: checked in its buffers it is believed, found wrong it is not, nor what it showed', async ({
  page,
}) => {
  test.setTimeout(600_000);
  await signIn(page, 'maud');
  await page.goto('/house/meters');
  await page.getByText('Add a meter').click();
  await page.getByLabel('Name, as it is written on it').fill('Glass 7');
  await page.getByRole('button', { name: 'Add this meter' }).click();
  const inUse = page.getByRole('region', { name: 'Meters in use' }).getByRole('listitem');
  const glass = inUse.filter({ hasText: 'Glass 7' });
  await expect(glass).toContainText('never checked');
  const check = page.getByRole('region', { name: 'Check a meter' });
  const shows = async (middle: string, sour: string) => {
    await check.getByLabel('Meter', { exact: true }).selectOption('Glass 7');
    await check.getByLabel('Shows in it').fill(middle);
    await check.getByLabel('Shows in pH 4.01').fill(sour);
    await check.getByLabel('Buffers are at').fill('20');
    await check.getByRole('button', { name: 'Record the check' }).click();
  };
  await shows('seven', '4');
  await expect(check.getByText(/give what it showed/i)).toBeVisible();
  await shows('7.12', '4.1');
  await expect(check.getByText('Good: slope 100')).toBeVisible();
  await expect(glass).toContainText('Good today');

  await as(page, 'ines');
  const { id, began } = await startJob(page, 'Quarry dry stick', 60);
  await hung(page, id, began);
  await tell(page, id, began, read(16, 58, 3, 22, 21));
  await page.goto(`/batches/${id}/ripening`);
  const form = page.getByRole('form', { name: 'Log a pH' });
  await form.getByLabel('Meter', { exact: true }).selectOption({ label: 'Glass 7' });
  await form.getByLabel('The sample is at').fill('warm');
  await form.getByLabel('The meter shows').fill('5.2');
  await form.getByRole('button', { name: 'Log this pH' }).click();
  await expect(form.getByText('This is not a number')).toBeVisible();
  await form.getByLabel('The sample is at').fill('19');
  await form.getByRole('button', { name: 'Log this pH' }).click();
  const ferment = page.getByRole('region', { name: 'Ferment' });
  await expect(ferment).toContainText('From 1 reading of this batch');
  await expect(ferment.getByText('Pass')).toBeVisible();
  await page.goto(`/batches/${id}/log`);
  await expect(
    page.getByText('pH 5.1 (shown 5.2) of the test piece at 19 °C, by Glass 7'),
  ).toBeVisible();

  await page.goto('/house/meters');
  await shows('7.0', '4.9');
  await expect(check.getByText('Wrong: slope')).toBeVisible();
  await expect(check.getByText('is no evidence any more')).toBeVisible();
  await expect(glass).toContainText('Found wrong');
  await page.goto(`/batches/${id}/ripening`);
  await expect(ferment.getByText('Pass')).toHaveCount(0);
  await expect(ferment).toContainText('by a meter that was not checked that day does not count');

  await as(page, 'maud');
  const reason = { disposition: 'destroy', reason: 'the test is over', checks: [] };
  await tell(page, id, Date.now(), [[0, { kind: 'disposed', ...reason }]]);
});

test('what the label of a culture says is a card of the stores; nonsense is told by name', async ({
  page,
}) => {
  await signIn(page, 'tomas');
  await page.goto('/stores');
  await page.getByRole('link', { name: 'Cultures' }).click();
  const card = page.getByRole('region', { name: 'Slow culture' });
  await expect(card).toContainText('Latilactobacillus sakei');
  await expect(card).toContainText('the label names no range');
  await expect(card).toContainText('Lot CU-22');
  await card.getByText('Change the card').click();
  await card.getByLabel('Works from').fill('30');
  await card.getByLabel('Best at').fill('20');
  await card.getByRole('button', { name: 'Save the card' }).click();
  await expect(card).toContainText('the coldest is below the best');
  await card.getByLabel('Works from').fill('8');
  await card.getByLabel('Best at').fill('27');
  await card.getByLabel('Up to').fill('38');
  await card.getByRole('button', { name: 'Save the card' }).click();
  await expect(card).toContainText('8 °C to 38 °C, best at 27 °C');
});

test('fermented, smoked, cooked, then dried in a place of its own: signed on the checks of each', async ({
  page,
}) => {
  test.setTimeout(600_000);
  await signIn(page, 'tomas');
  await page.goto('/recipes/import');
  const plain = fermentedRecipe();
  const additions = plain.additions.map((a) => ({ ...a, allergens: [] }));
  const recipe = { ...plain, additions, name: 'Tollgate cooked ring' };
  await page.getByLabel('JSON or CSV').setInputFiles({
    name: 'ring.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify({ format: 'jolly-kettle/recipe', version: 1, recipe })),
  });
  await page.getByLabel('Order', { exact: true }).selectOption('Ferment, smoke, cook, dry');
  await page.getByLabel('Dried: loss at least').fill('15');
  await saveAndApprove(page);

  await as(page, 'ines');
  const { id, began } = await startJob(page, 'Tollgate cooked ring', 9 * 24);
  await tell(page, id, began, [
    ...recipe.meat.map((m): Line => [0.1, weighed(m.id, m.share * 20_000)]),
  ]);
  const cure = randomUUID();
  const { targetPpm, nitriteFraction } = recipe.cure!;
  const cureG = Math.round(((20_000 * targetPpm) / 1e6 / nitriteFraction) * 10) / 10;
  await tell(page, id, began, [[0.2, weighed('cure', cureG), cure]]);
  await as(page, 'tomas');
  await tell(page, id, began, [[0.3, { kind: 'cure_checked', weighedId: cure, readingG: cureG }]]);
  await as(page, 'ines');
  await tell(page, id, began, [
    [0.4, weighed('salt', Math.round(recipe.totalSaltFraction * 20_000 - cureG * 0.9375))],
    ...recipe.additions.map((a): Line => [0.5, weighed(a.id, Math.max(1, a.fraction * 20_000))]),
    [1, { kind: 'cure_hold_started', coolerC: 2 }],
    [10, { kind: 'cure_hold_ended', coolerC: 2 }],
    [11, { kind: 'step_done', step: 'stuff', weightG: 20_600, tempC: 4 }],
    [12, { kind: 'run_started', houseId: 'little' }],
    ...read(12, 33, 3, 30, 28.5),
    [32, { kind: 'ph_logged', ph: 5.05 }],
    [32.5, { kind: 'ph_logged', ph: 5.02 }],
    [33, { kind: 'stage_started', stageIndex: 1 }],
    [34, { kind: 'stage_started', stageIndex: 2 }],
    [35, { kind: 'stage_started', stageIndex: 3 }],
    [37, { kind: 'pulled' }],
    [37, { kind: 'chill_started', medium: 'ice_bath' }],
  ]);
  await page.goto(`/batches/${id}/house`);
  await importFile(page, began + 33 * 3_600_000, 'P2');
  await tell(page, id, began, [[45, { kind: 'drying_started' }], ...pieces(45, 1)]);
  await page.goto(`/batches/${id}/ripening`);
  const drying = page.getByRole('region', { name: 'Drying', exact: true });
  await expect(drying).toContainText('Red');
  await tell(page, id, began, pieces(190, 0.84));
  await page.reload();
  await expect(drying.getByText('Pass')).toBeVisible();
  await tell(page, id, began, [
    [200, { kind: 'step_done', step: 'bloom' }],
    [201, { kind: 'step_done', step: 'pack', weightG: 16_400 }],
  ]);
  await page.goto(`/batches/${id}/verdict`);
  for (const name of ['Fermentation', 'Lethality', 'Cooling', 'Drying'])
    await expect(page.getByRole('heading', { name, exact: true })).toBeVisible();
  await release(page, id);
});
