import { seriousIssues } from './support/axe';
import { gzipSync } from 'node:zlib';
import { expect, test, type Page } from './support/test';
import { made, saveAndApprove, startJob, tell } from './support/job';
import { HOUR } from './support/logger';
import { signIn } from './support/people';

const PHONE = { width: 390, height: 844 };

/** Writes a recipe of two casings from the one that every new recipe starts from. */
async function writePair(page: Page, name: string): Promise<void> {
  await page.goto('/recipes/new');
  await page.getByLabel('Name', { exact: true }).first().fill(name);
  const parts = page.getByRole('group', { name: 'Parts' });
  await parts.getByRole('button', { name: 'Stuff it into several casings' }).click();
  await parts.getByLabel('Diameter').first().fill('44');
  await saveAndApprove(page);
}

const targetsBigEnough = async (page: Page) =>
  expect(
    await page
      .locator('main button:visible, main a.button:visible')
      .evaluateAll((all) =>
        all
          .filter((e) => e.getBoundingClientRect().height < 48)
          .map((e) => e.textContent?.trim() ?? ''),
      ),
  ).toEqual([]);

const noSeriousIssue = async (page: Page) => expect(await seriousIssues(page)).toEqual([]);

/** From the water to the last link of one part. */
async function stuffPart(page: Page, ref: string): Promise<void> {
  await page.goto(`/batches/${ref}/stuffing`);
  const casing = page.getByRole('region', { name: 'Casing' });
  await expect(casing).toContainText('Soak 30 to 120 min in water of 32 °C');
  await casing.getByLabel('Water, if measured').fill('warm');
  await casing.getByRole('button', { name: 'Into the water now' }).click();
  await expect(casing).toContainText('not a number');
  await casing.getByLabel('Water, if measured').fill('31');
  await casing.getByRole('button', { name: 'Into the water now' }).click();
  await expect(casing).toContainText(/in the water since \d\d:\d\d, Ines Quill: usable at/);

  const links = page.getByRole('region', { name: 'Links' });
  const target = Number((await links.locator('.figure').innerText()).replace(/[^\d.]/g, ''));
  await links.getByLabel('Link 1, length').fill('300');
  for (const n of [1, 2, 3])
    await links.getByLabel(`Link ${n}, weight`).fill(String(Math.round(target * 0.94)));
  await expect(links).toContainText(/\d+\.\d g light: \d+ mm longer\./);
  await links.getByRole('button', { name: 'Record these links' }).click();
  await expect(links).toContainText('Ines Quill');

  const pieces = page.getByRole('region', { name: 'Pieces' });
  await pieces.getByLabel('Which piece').fill('the last, on stick 1');
  await pieces.getByRole('button', { name: 'Kept as piece for the probe' }).click();
  await expect(pieces).toContainText('piece for the probe: the last, on stick 1');
  await pieces.getByRole('button', { name: 'Burst' }).click();
  await expect(pieces).toContainText('Say who stuffs first');
  await pieces.getByLabel('Who stuffs').fill('Tomas');
  await pieces.getByRole('button', { name: 'Burst' }).click();
  await expect(pieces.getByRole('row', { name: /Tomas/ })).toContainText('1');

  const out = page.getByRole('region', { name: 'In and out' });
  await expect(out).toContainText(/fillings?, \d+ pieces from a full one/);
  await out.getByLabel('Batter in').fill('10');
  await out.getByLabel('Stuffed').fill('10.5');
  await out.getByLabel('Stayed in it').fill('0.2');
  await out.getByRole('button', { name: 'Record in and out' }).click();
  await expect(out).toContainText('more came out than went in');
  await out.getByLabel('Stuffed').fill('9.6');
  await out.getByLabel('Casing used').fill('8');
  await out.getByLabel('Salted again').fill('1');
  await out.getByRole('button', { name: 'Record in and out' }).click();
  await expect(out).toContainText('9.6 kg stuffed of 10 kg, 96 %');
  await targetsBigEnough(page);
}

const metresOf = async (page: Page) => {
  await page.goto('/stores/casings');
  const lot = page
    .getByRole('region', { name: 'Lots of casings' })
    .getByRole('listitem')
    .filter({ hasText: 'HC-31' });
  return Number((await lot.innerText()).match(/([\d.]+) m\b/)![1]);
};

test('a batch in two casings on a phone: soak, links, map, smoke that goes out, and the chill said before the pull', async ({
  page,
  browser,
}) => {
  test.setTimeout(600_000);
  const desk = await (await browser.newContext()).newPage();
  await signIn(desk, 'tomas');
  await writePair(desk, 'Pair link');
  await page.setViewportSize(PHONE);
  await signIn(page, 'ines');
  const { id, began } = await startJob(page, 'Pair link', 19);
  await made(page, desk, id, began);
  const before = await metresOf(page);
  const refs = [`${id}.large`, `${id}.small`];
  for (const ref of refs) await stuffPart(page, ref);
  expect(await metresOf(page)).toBeCloseTo(before - 2 * (8 - 1), 6);

  for (const [i, ref] of refs.entries())
    await tell(page, ref, began, [
      [15 + i / 10, { kind: 'step_done', step: 'stuff', weightG: 10_000, tempC: 4 }],
    ]);

  /* The map of the house, by keyboard alone. */
  await page.goto('/house/little/map');
  const hang = page.getByRole('button', { name: 'Hang a stick of Pair link, Large' });
  await hang.focus();
  await page.keyboard.press('Enter');
  const spot = page.getByRole('button', { name: /^Level 1, row 1: free\. Hang Pair link, Large/ });
  await spot.focus();
  await page.keyboard.press('Enter');
  const stick = page.getByRole('button', { name: /^Stick 1: \d+ pieces of Pair link, Large/ });
  await expect(stick).toHaveAccessibleName(/level 1, row 1/);
  await stick.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowDown');
  await expect(stick).toHaveAccessibleName(/level 2, row 2/);
  await expect(page.getByText('Stick 1 to level 2, row 2.')).toBeVisible();
  for (let i = 0; i < 9; i += 1) await page.keyboard.press('ArrowDown');
  await expect(stick).toHaveAccessibleName(/level 2, row 5/);
  await expect(page.getByText('That is outside the house.')).toBeVisible();
  const panel = page.getByRole('region', { name: 'Stick 1' });
  for (let i = 0; i < 20; i += 1)
    await panel.getByRole('button', { name: /one piece more/ }).press('Enter');
  await expect(page.getByText(/pieces of Pair link, Large touch; at most/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'It hangs so' })).toBeDisabled();
  await page.getByRole('button', { name: 'Suggest a map' }).press('Enter');
  await expect(page.getByText('nothing touches, nothing is too long')).toBeVisible();
  await noSeriousIssue(page);
  await page.getByRole('button', { name: 'It hangs so' }).press('Enter');
  await expect(page.getByText('Recorded.')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: /^Stick 1:/ })).toBeVisible();

  /* A fire that goes out is seen at the smoke check, and what was without smoke does not count. */
  await tell(page, refs[0]!, began, [
    [16, { kind: 'run_started', houseId: 'little' }],
    [17, { kind: 'stage_started', stageIndex: 1 }],
    [17.4, { kind: 'smoke_seen', seen: 'thin' }],
    [17.8, { kind: 'smoke_seen', seen: 'thick' }],
  ]);
  await page.goto('/house/little');
  const watch = page.getByRole('region', { name: 'To look at' });
  await watch.getByRole('button', { name: 'Out' }).click();
  const alarm = page.getByRole('region', { name: 'Alarms' });
  await expect(alarm).toContainText('Act now: The smoke is out');
  await expect(alarm).toContainText(/48 min of smoke so far/);
  await watch.getByRole('button', { name: 'Thin' }).click();
  await expect(alarm).not.toContainText('The smoke is out');
  await expect(watch).toContainText(/of smoke that was seen, .* without/);
  await targetsBigEnough(page);

  /* The chill is said before the pull. */
  await page.goto(`/batches/${refs[0]}/house`);
  const after = page.getByRole('region', { name: 'After the pull' });
  await expect(after).toContainText(/Ice bath\s*\d+ min/);
  await expect(after).toContainText(/Ice\s*[\d.]+ kg/);
  await expect(after).toContainText('too short for this diameter by');
  await tell(page, refs[0]!, began, [
    [18.9, { kind: 'pulled' }],
    [18.92, { kind: 'chill_started', medium: 'ice_bath' }],
  ]);
  await page.reload();
  await expect(page.getByRole('region', { name: 'Cooling clock' })).toBeVisible();
  expect(Date.now()).toBeGreaterThan(began + 18.9 * HOUR);
});

test('casings of our own, a lot that is counted, and words for nonsense', async ({
  page,
}, info) => {
  const name = `Willow runner ${info.repeatEachIndex}-${Date.now() % 10_000}`;
  await signIn(page, 'tomas');
  await page.goto('/stores/casings');
  await page.getByText('Add a casing of our own').click();
  const own = page.getByRole('region', { name: 'A casing of our own' });
  await own.getByLabel('Begin with what is usual of').selectOption('sheep');
  await own.getByLabel('Name').fill(name);
  await own.getByLabel('Longest usual soak (min)').fill('10');
  await own.getByRole('button', { name: 'Add this casing' }).click();
  await expect(own).toContainText('in that order');
  await own.getByLabel('Longest usual soak (min)').fill('45');
  await own.getByRole('button', { name: 'Add this casing' }).click();
  await expect(page.getByRole('region', { name: 'Kinds of casings' })).toContainText(name);

  const receive = page.getByRole('region', { name: 'Receive casings' });
  await receive.getByLabel('Casing', { exact: true }).selectOption({ label: name });
  await receive.getByLabel('Lot number').fill('WR-1');
  await receive.getByLabel('Supplier').fill('Weir Casings');
  await receive.getByLabel('How many').fill('four');
  await receive.getByLabel('Length of one').fill('12');
  await receive.getByLabel('Stuffed to').fill('24');
  await receive.getByRole('button', { name: 'Receive these casings' }).click();
  await expect(receive.getByRole('alert')).toBeVisible();
  await receive.getByLabel('How many').fill('4');
  await receive.getByRole('button', { name: 'Receive these casings' }).click();
  const lot = page
    .getByRole('region', { name: 'Lots of casings' })
    .getByRole('listitem')
    .filter({ hasText: name });
  await expect(lot).toContainText('48 m in 4 strands');
  await lot.getByText('Open, salt again, count').click();
  await lot.getByRole('button', { name: 'Opened today' }).click();
  await expect(lot).toContainText('opened');
  await lot.getByLabel('Left (m)').fill('30');
  await lot.getByLabel('Why it differs').fill('two strands were torn');
  await lot.getByRole('button', { name: 'Record the count' }).click();
  await expect(lot).toContainText('30 m in 3 strands');
});

test('the cleaning list offers what fits, and keeps who did it', async ({ page }) => {
  await signIn(page, 'ines');
  await page.goto('/cleaning');
  const list = page.getByRole('region', { name: 'To be cleaned' });
  await expect(list.getByRole('listitem').filter({ hasText: 'Big house, walls' })).toContainText(
    'Only when the houses are cold',
  );
  const grinder = list.getByRole('listitem').filter({ hasText: 'Grinder, plates and knives' });
  await grinder.getByLabel(/Note on/).fill('knife 2 is blunt');
  await grinder.getByRole('button', { name: /^Done/ }).click();
  await expect(page.getByRole('region', { name: 'Cleaning record' })).toContainText(
    /Grinder, plates and knives · Ines Quill\s*knife 2 is blunt/,
  );
  await expect(grinder.getByRole('button', { name: /^Done/ })).toHaveCount(0);
});

/** Scripts that a page asks for before anything else, gzip, bytes; the same limit whatever the machine. */
const MOST_SCRIPT_BYTES = 230_000;

test('the first load of the Floor is small: what only some press needs comes after it', async ({
  page,
}) => {
  await signIn(page, 'ines');
  const html = await (await page.request.get('/')).text();
  const scripts = new Set(
    [...html.matchAll(/<script([^>]*) src="([^"]+)"([^>]*)>/g)]
      /* Old browsers alone load what the others know by themselves. */
      .filter(([, before, , after]) => !/nomodule/i.test(before! + after!))
      .map(([, , src]) => src!),
  );
  expect(scripts.size).toBeGreaterThan(5);
  let bytes = 0;
  for (const src of scripts) bytes += gzipSync(await (await page.request.get(src)).body()).length;
  expect(bytes).toBeLessThanOrEqual(MOST_SCRIPT_BYTES);
});
