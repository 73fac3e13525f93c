import { seriousIssues } from './support/axe';
import { randomUUID } from 'node:crypto';
import { expect, test, type Locator, type Page } from './support/test';
import { as, startJob, tell, weighed } from './support/job';
import { HOUR, local } from './support/logger';
import { signIn } from './support/people';

const PHONE = { width: 390, height: 844 };
const COARSE = 'Hollow lane coarse link';
const FINE = 'Silver birch fine sausage';

const makingOf = (page: Page) => page.getByRole('region', { name: 'Making' });
const step = (page: Page, name: RegExp) => makingOf(page).getByRole('form', { name });

/** Ticks off the step whose form is open. */
const done = (form: Locator) => form.getByRole('button', { name: 'Done', exact: true }).click();

/** Ticks off a step for which something was not weighed: asked, and gone on without. */
async function doneWithout(form: Locator): Promise<void> {
  await done(form);
  await form.getByRole('button', { name: /^Mixed without/ }).click();
}

/** Weighs a line that is next in the list. */
async function weigh(page: Page, amount: string): Promise<void> {
  const field = page.getByLabel(/^The scale shows/);
  await field.fill(amount);
  await page.getByRole('button', { name: 'Record', exact: true }).click();
}

test.beforeEach(async ({ page }) => {
  test.setTimeout(600_000);
  await page.setViewportSize(PHONE);
});

test('a coarse batch in two loads: a pass over the limit, an over-pour put right, water found by the bowl', async ({
  page,
}) => {
  await signIn(page, 'ines');
  const { id, began } = await startJob(page, COARSE, 1);
  await tell(page, id, began, [
    [0.05, weighed('shoulder', 32_000)],
    [0.06, weighed('fat', 8_000)],
  ]);
  await page.reload();
  const loads = makingOf(page).getByRole('form', { name: 'Loads' });
  await expect(loads).toContainText('Paddle mixer holds 25 kg');
  await loads.getByRole('button', { name: 'Make it in 2 loads' }).click();
  await expect(page.getByText('Cure #1, load 2')).toBeVisible();

  /* Each load has its own share of the cure, with its own second look. */
  const cures = [randomUUID(), randomUUID()];
  for (const [i, cure] of cures.entries())
    await tell(page, id, began, [[0.1 + i / 20, { ...weighed('cure', 41.6), load: i + 1 }, cure]]);
  await as(page, 'tomas');
  for (const [i, weighedId] of cures.entries())
    await tell(page, id, began, [
      [0.11 + i / 20, { kind: 'cure_checked', weighedId, readingG: 41.6 }],
    ]);
  await as(page, 'ines');
  await page.goto(`/batches/${id}`);

  /* Pepper is poured over in the first load: what it does, what puts it right. */
  const pepper = page.getByRole('listitem').filter({ hasText: /^Black pepper, load 1/ });
  await pepper.getByRole('button', { name: 'Weigh' }).click();
  await weigh(page, '80');
  await expect(
    page.getByText(/Black pepper is 0.4 % of the meat in place of 0.35 %/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Yes, record 80.0 g' }).click();
  await expect(pepper).toContainText('To put it right: 2.86 kg of meat');
  await expect(pepper).toContainText('5.9 g Cure #1');
  const more = [
    ['cure', 5.9],
    ['shoulder', 2_285],
    ['fat', 570],
  ] as const;
  const topped = randomUUID();
  for (const [i, [lineId, amountG]] of more.entries())
    await tell(page, id, began, [
      [
        0.2 + i / 100,
        { ...weighed(lineId, amountG), more: true, load: 1, confirmed: true },
        lineId === 'cure' ? topped : randomUUID(),
      ],
    ]);
  await as(page, 'tomas');
  await tell(page, id, began, [[0.25, { kind: 'cure_checked', weighedId: topped, readingG: 5.9 }]]);
  await as(page, 'ines');
  await page.goto(`/batches/${id}`);
  await expect(pepper).toContainText('80.0 g');
  await expect(pepper).not.toContainText('To put it right');

  /* From frost to the second pass, with one that comes out too warm. */
  await done(step(page, /^Prepare/));
  const chill = step(page, /^Chill the meat/);
  await chill.getByLabel('Meat now').fill('5');
  await expect(chill.getByTestId('chill-minutes')).toContainText(/About \d+ min to −?-?1 °C/);
  await chill.getByLabel('Freezer').fill('cold');
  await expect(chill.getByTestId('chill-minutes')).toContainText('Give a depth');
  await chill.getByLabel('Freezer').fill('-18');
  await chill.getByRole('button', { name: 'In the freezer now' }).click();
  await expect(chill.getByTestId('chill-minutes')).toContainText(/: until \d\d:\d\d/);
  await chill.getByLabel('Surface after').fill('-0.5');
  await done(chill);

  const first = step(page, /8 mm plate, pass 1 of 2/);
  await expect(first).toContainText('walks on the bench');
  await first.getByLabel('Meat before').fill('3.5');
  await expect(first.getByText(/Comes out at about/)).toBeVisible();
  await expect(first.getByText(/Over 4 °C: chill it to .* first, about \d+ min/)).toBeVisible();
  await first.getByLabel('Meat before').fill('0');
  await first.getByLabel('Meat after').fill('37');
  await done(first);
  await expect(first.getByText(/unusual for raw meat/)).toBeVisible();
  await first.getByRole('button', { name: 'No, go back' }).click();
  await first.getByLabel('Meat after').fill('8');
  await expect(first.getByText(/stop, chill it/)).toBeVisible();
  await done(first);
  const second = step(page, /4.5 mm plate, pass 2 of 2/);
  await second.getByLabel('Meat before').fill('0.5');
  await second.getByLabel('Meat after').fill('3.4');
  await done(second);

  /* The first load is mixed; the half of its water that stood on the shelf shows in the bowl's weight. */
  const mix = step(page, /^Mix until it binds/);
  await mix.getByRole('button', { name: /^In ?: Ice water, portion 1 of 2/ }).click();
  await expect(mix.getByText(/in, Ines Quill/)).toBeVisible();
  await mix.getByLabel('Meat after').fill('3.9');
  await done(mix);
  /* Nobody has weighed what went in: asked, and told late it counts as of when it happened. */
  await expect(mix.getByText(/^Not weighed yet for load 1: /)).toContainText('Salt');
  await mix.getByRole('button', { name: 'Weigh first' }).click();
  await tell(page, id, began, [
    [0.3, { ...weighed('water', 1_830), load: 1 }],
    [0.31, { ...weighed('salt', 390), load: 1 }],
    [0.32, { ...weighed('savory', 27.4), load: 1 }],
  ]);
  await page.reload();
  await mix.getByLabel('Meat after').fill('3.9');
  await done(mix);
  await expect(makingOf(page).getByText(/Load 1, Ines Quill/)).toBeVisible();
  await makingOf(page).getByText('Weigh the bowl against its parts').click();
  const bowl = makingOf(page).getByRole('form', { name: 'Weigh the bowl' });
  await bowl.getByLabel('Full bowl').fill('5');
  await bowl.getByLabel('Empty bowl').fill('6');
  await bowl.getByRole('button', { name: 'Weigh it' }).click();
  await expect(bowl.getByText('The full bowl is lighter than its container.')).toBeVisible();
  await bowl.getByLabel('Full bowl').fill('30.2');
  await bowl.getByRole('button', { name: 'Weigh it' }).click();
  await expect(bowl).toContainText('half of the Ice water left out would fit');
  const due = makingOf(page).getByRole('form', { name: 'The bowl is not what went into it' });
  await due.getByLabel('Answer').fill('second half stood on the shelf: added');
  await due.getByRole('button', { name: 'Answer' }).click();
  await expect(due).toHaveCount(0);
  expect(await seriousIssues(page)).toEqual([]);

  /* The second load, mixed without its salt: its bowl proves nothing, and what is missing comes next. */
  await done(mix);
  await mix.getByRole('button', { name: /^Mixed without/ }).click();
  await expect(makingOf(page).getByText('Load 2 was mixed before its cure')).toBeVisible();
  const next = page.getByRole('region', { name: 'Next step' });
  await expect(next.getByRole('heading', { name: /^Weigh the .* for load 2$/ })).toBeVisible();
  await expect(next.getByRole('button', { name: 'Start the cure hold' })).toHaveCount(0);
  await bowl.getByText('Load 2', { exact: true }).click();
  await bowl.getByLabel('Full bowl').fill('32');
  await bowl.getByRole('button', { name: 'Weigh it' }).click();
  await expect(bowl.getByText(/^Load 2 was mixed without its .*Salt/)).toBeVisible();

  /* A spoonful of each. */
  for (const load of [1, 2]) {
    const trial = step(page, /^Cook a spoonful/);
    await trial.getByLabel('Raw').fill('25');
    await trial.getByLabel('Cooked').fill('21');
    await expect(trial.getByText(/16 % ran out: more than 10 %/)).toBeVisible();
    await trial.getByLabel('Cooked').fill('24');
    await trial.getByRole('button', { name: 'Record the trial' }).click();
    await expect(makingOf(page).getByText(new RegExp(`Load ${load}, Ines Quill`))).toHaveCount(2);
  }
  await makingOf(page).getByText('Correct the batter after its trial').click();
  const taste = makingOf(page).getByRole('form', { name: 'Correct the batter' });
  await taste.getByLabel('Batter left').fill('10');
  await taste.getByLabel('Salt wanted').fill('2.1');
  await taste.getByRole('button', { name: 'Work it out' }).click();
  await expect(taste.getByText(/Add 18\.\d g Salt/)).toBeVisible();

  /* The record has all of it, as a table too. */
  const csv = await (await page.request.get(`/api/v1/batches/${id}/record?as=csv`)).text();
  for (const words of [
    'Made in 2 equal loads',
    'pass 2',
    'Bowl weighed, load 1',
    'Trial cook, load 2',
    'on top of what was weighed, load 1',
  ])
    expect(csv).toContain(words);
});

test('a fine emulsion is chopped with live readings to its ceiling', async ({ page }) => {
  await signIn(page, 'ines');
  const { id, began } = await startJob(page, FINE, 1);
  await tell(page, id, began, [
    [0.05, weighed('lean', 9_000)],
    [0.06, weighed('veal', 5_000)],
    [0.07, weighed('fat', 6_000)],
  ]);
  await page.reload();
  for (const name of [/^Prepare/, /^Chill the meat/]) await done(step(page, name));
  const grind = step(page, /^Grind/);
  await done(grind);
  const lean = step(page, /^Chop lean with salt/);
  await expect(lean).toContainText('Cure #1');
  await expect(lean).toContainText('Sodium phosphate');
  await lean.getByLabel('Batter now').fill('1');
  await lean.getByRole('button', { name: 'Log it' }).click();
  /* By the usual rise there are minutes left to 9 °C. */
  await expect(lean.getByTestId('seconds-left')).toHaveText(/^[3-5]:\d\d$/);
  await expect(lean.getByText(/by the usual rise/)).toBeVisible();
  await lean.getByLabel('Batter now').fill('6');
  await doneWithout(lean);
  await doneWithout(step(page, /^Chop on/));
  const last = step(page, /^Chop to the end/);
  await expect(last).toContainText('Skimmed milk powder');
  await last.getByLabel('Batter now').fill('3');
  await expect(last.getByText(/binder goes in from 4 °C on/)).toBeVisible();
  await last.getByLabel('Batter now').fill('13.5');
  await last.getByRole('button', { name: 'Log it' }).click();
  await expect(last.getByText('Stop: 12 °C')).toBeVisible();
  await expect(last.getByTestId('seconds-left')).toHaveText('0:00');
  /* Over its ceiling: it waits for a decision. */
  await expect(page.getByText(/On hold/).first()).toBeVisible();
  await page.goto(`/batches/${id}/verdict`);
  await expect(page.getByText(/It was 13.5 °C, limit 13 °C/).first()).toBeVisible();
});

test('two tablets on one batch: what one ticks, the other sees, and nothing goes in twice', async ({
  page,
  browser,
}) => {
  await signIn(page, 'ines');
  const { id, began } = await startJob(page, COARSE, 1);
  await tell(page, id, began, [
    [0.05, weighed('shoulder', 16_000)],
    [0.06, weighed('fat', 4_000)],
  ]);
  await page.reload();
  const other = await browser.newPage({ viewport: PHONE });
  await signIn(other, 'tomas');
  await other.goto(`/batches/${id}`);
  await expect(step(other, /^Prepare/)).toBeVisible();
  /* Both press at once: one is taken, the other is told. */
  await other.route('**/api/v1/batches/*/entries', async (route) => {
    await done(step(page, /^Prepare/));
    await expect(makingOf(page).getByText(/Ines Quill/)).toBeVisible();
    await route.continue();
  });
  await done(step(other, /^Prepare/));
  await expect(other.getByText(/ticked already, perhaps on another screen/).first()).toBeVisible();
  await other.unroute('**/api/v1/batches/*/entries');
  await expect(makingOf(other).getByText(/Ines Quill/)).toBeVisible();
  /* An addition that went in once is ticked on both. */
  await page.getByRole('button', { name: /^Do it now ?: Mix/ }).click();
  await step(page, /^Mix/)
    .getByRole('button', { name: /^In ?: Salt/ })
    .click();
  await other.getByRole('button', { name: /^Do it now ?: Mix/ }).click();
  await expect(step(other, /^Mix/).getByText(/in, Ines Quill/)).toBeVisible();
  await expect(step(other, /^Mix/).getByRole('button', { name: /^In ?: Salt/ })).toHaveCount(0);
  const again = await other.request.post(`/api/v1/batches/${id}/entries`, {
    headers: { origin: new URL(other.url()).origin },
    data: {
      id: '33333333-3333-4333-8333-333333333333',
      happenedAt: new Date().toISOString(),
      body: { kind: 'addition_ticked', lineId: 'salt' },
    },
  });
  expect(await again.json()).toMatchObject({ ok: false, code: 'already_added' });
  /* Done before its time: said so, in words. */
  await step(page, /^Mix/).getByLabel('Meat after').fill('3');
  await doneWithout(step(page, /^Mix/));
  await done(step(page, /^Chill the meat/));
  await expect(makingOf(page).getByText(/out of order/)).toBeVisible();
  await other.close();
});

test('on the Floor a pass temperature is logged with two taps and its digits', async ({ page }) => {
  await signIn(page, 'ines');
  const { id, began } = await startJob(page, COARSE, 1);
  await tell(page, id, began, [
    [0.05, weighed('shoulder', 16_000)],
    [0.06, weighed('fat', 4_000)],
    [0.07, weighed('cure', 41.6)],
  ]);
  await page.reload();
  for (const name of [/^Prepare/, /^Chill the meat/]) {
    await done(step(page, name));
    await expect(step(page, name)).toHaveCount(0);
  }
  await page.goto('/');
  const code = (await page.locator(`a[href="/batches/${id}"]`).first().innerText()).trim();
  const card = page.getByRole('listitem').filter({ has: page.locator(`a[href="/batches/${id}"]`) });
  await expect(card).toContainText(code.split('\n')[0]!);
  await card.getByRole('button', { name: 'Log its temperature' }).click();
  const pad = card.getByRole('group', { name: 'Number pad' });
  await pad.getByRole('button', { name: '3', exact: true }).click();
  await done(card.getByRole('form', { name: /pass 1 of 2/ }));
  await expect(card).toContainText('pass 2 of 2');
});

test('work that is told late stands at its time, in the making and in the house', async ({
  page,
}) => {
  await signIn(page, 'ines');
  const { id, began } = await startJob(page, COARSE, 1);
  await tell(page, id, began, [
    [0.05, weighed('shoulder', 16_000)],
    [0.06, weighed('fat', 4_000)],
  ]);
  await page.reload();
  const early = local(began + 0.2 * HOUR);
  const prepare = step(page, /^Prepare/);
  await prepare.getByRole('button', { name: 'Happened now. Change the time' }).click();
  await prepare.getByLabel(/^When it happened/).fill(early);
  await done(prepare);
  await expect(makingOf(page).getByText(`Ines Quill, ${early.slice(11, 16)}`)).toBeVisible();
  /* The next one is now again. */
  const chill = step(page, /^Chill the meat/);
  await expect(chill.getByRole('button', { name: 'Happened now. Change the time' })).toBeVisible();
});
