import { expect, test, type Page } from './support/test';
import { local } from './support/logger';
import { signIn } from './support/people';

const MIN_MS = 60_000;
const atSite = (ms: number) => local(ms).slice(0, 16);

type Event = { summary: string; startMs: number };
/** What a calendar reads by a link. */
async function calendar(page: Page, link: string): Promise<Event[]> {
  const answer = await page.request.get(link);
  expect(answer.status()).toBe(200);
  const text = (await answer.text()).replaceAll('\r\n ', '');
  return [...text.matchAll(/BEGIN:VEVENT[\s\S]*?END:VEVENT/g)].map(([event]) => {
    const [, y, mo, d, h, mi, s] = /DTSTART:(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)Z/.exec(event)!;
    return {
      summary: /SUMMARY:(.*)/.exec(event)![1]!.trim().replaceAll('\\,', ','),
      startMs: Date.parse(`${y}-${mo}-${d}T${h}:${mi}:${s}Z`),
    };
  });
}

async function makeLink(page: Page, whom: string): Promise<string> {
  await page.goto('/plan/lists');
  await page.getByLabel('Of whom').selectOption({ label: whom });
  await page.getByRole('button', { name: 'Make a link' }).click();
  const made = await page.getByTestId('calendar-link').innerText();
  return new URL(made).pathname;
}

const board = (page: Page) => page.getByRole('group', { name: 'Board' });
const planAll = async (page: Page) => {
  await page.getByRole('button', { name: 'Plan everything' }).click();
  await expect(page.getByText(/^Planned in /)).toBeVisible();
};

test('an eighth batch is wished and planned; one is pinned; the house is out for two hours: the changed plan is taken, lists and calendar follow', async ({
  page,
}) => {
  await signIn(page, 'maud');
  await page.goto('/plan/wishes');
  const wished = page.getByRole('region', { name: 'Wished' });
  await expect(wished.getByText('ready by')).toHaveCount(7);
  await page.getByLabel('Recipe').selectOption({ label: 'Duck and sorrel link' });
  await page.getByRole('textbox', { name: 'Meat' }).fill('0');
  await page.getByLabel(/Ready by/).fill(atSite(Date.now() - 60 * MIN_MS));
  await page.getByRole('button', { name: 'Wish this batch' }).click();
  await expect(page.getByText('The weight must be more than 0.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Meat' }).fill('14');
  await page.getByRole('button', { name: 'Wish this batch' }).click();
  await expect(page.getByText('Ready-by lies in the past').first()).toBeVisible();
  await page.getByLabel(/Ready by/).fill(atSite(Date.now() + 12 * 24 * 60 * MIN_MS));
  await page.getByLabel('For whom').fill('the ferry');
  await page.getByRole('button', { name: 'Wish this batch' }).click();
  await expect(wished.getByText('Duck and sorrel link for the ferry')).toBeVisible();

  await page.goto('/plan');
  await expect(page.getByText(/No place in the plan yet: .*for the ferry/)).toBeVisible();
  await planAll(page);
  await expect(page.getByText(/No place in the plan yet: .*for the ferry/)).toBeHidden();

  /* Both caraway products hang together before the house is shut. */
  const feed = await makeLink(page, 'The whole site');
  const before = await calendar(page, feed);
  expect(before.some((e) => e.summary === 'Light Big house for 2 batches together')).toBe(true);

  /* One step of the batch for the ferry is pinned. */
  await page.goto('/plan');
  await page.getByLabel('Lines').selectOption({ label: 'Batches' });
  await board(page)
    .getByRole('button', { name: /for the ferry: Stuff, .* planned/ })
    .click();
  const chosen = page.getByRole('region', { name: 'Chosen step' });
  await chosen.getByRole('button', { name: 'Pin it here' }).click();
  await expect(chosen.getByRole('button', { name: 'Unpin it' })).toBeVisible();
  const stuffed = (await calendar(page, feed)).find((e) =>
    /^Stuff: .*for the ferry/.test(e.summary),
  )!;

  /* Just when another batch is to be loaded, its house is out. */
  const load = before.find(
    (e) =>
      /^Load the house: .*, (Big|Little) house/.test(e.summary) && !e.summary.includes('ferry'),
  )!;
  const house = /(Big|Little) house$/.exec(load.summary)![0];
  await page.goto('/plan/wishes');
  const shut = page.getByRole('region', { name: 'Shut' });
  await shut.getByLabel('Place or machine').selectOption({ label: house });
  await shut.getByLabel('From').fill(atSite(load.startMs));
  await shut.getByLabel('To').fill(atSite(load.startMs - MIN_MS));
  await shut.getByLabel('Why').fill('the fan');
  await shut.getByRole('button', { name: 'Shut it' }).click();
  await expect(shut.getByText(/ends before it begins/)).toBeVisible();
  await shut.getByLabel('To').fill(atSite(load.startMs + 120 * MIN_MS));
  await shut.getByRole('button', { name: 'Shut it' }).click();
  await expect(shut.getByText(/the fan$/)).toBeVisible();

  await page.goto('/plan');
  const offer = page.getByRole('region', { name: 'A changed plan is offered' });
  await expect(offer.getByText(/steps? moves?, of/)).toBeVisible();
  /* Offered, not imposed. */
  expect(await calendar(page, feed)).toEqual(
    expect.arrayContaining([
      expect.objectContaining({ summary: load.summary, startMs: load.startMs }),
    ]),
  );
  await offer.getByRole('button', { name: 'Take the changed plan' }).click();
  await expect(page.getByText('The changed plan is taken.')).toBeVisible();
  await expect(offer).toBeHidden();
  const after = await calendar(page, feed);
  expect(after.some((e) => e.summary === load.summary && e.startMs === load.startMs)).toBe(false);
  expect(after).toContainEqual(stuffed);

  /* A link that was taken back opens nothing. */
  await page.goto('/plan/lists');
  await expect(page.getByRole('region', { name: 'By the clock, seven days' })).toBeVisible();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText('The whole site, made')).toBeHidden();
  expect((await page.request.get(feed)).status()).toBe(404);
});

test('a step is moved with the keys: what it breaks is said, it is kept and pinned, and taken back', async ({
  page,
}) => {
  await signIn(page, 'tomas');
  await page.goto('/plan');
  await page.getByLabel('Lines').selectOption({ label: 'Batches' });
  const pack = board(page)
    .getByRole('button', { name: /Juniper boar ring for The forester: Pack, .* planned/ })
    .first();
  const was = await pack.getAttribute('aria-label');
  await pack.focus();
  await page.keyboard.press(' ');
  await expect(page.getByText(/Enter keeps it, Escape puts it back/)).toBeVisible();
  /* It waits half a day at most after what comes before it: so much earlier it is before that. */
  for (let i = 0; i < 14; i += 1) await page.keyboard.press('Shift+ArrowLeft');
  await expect(page.getByText(/Juniper boar ring .*what comes before it ends at/)).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('Moved by hand')).toBeHidden();
  await expect(pack).toHaveAttribute('aria-label', was!);

  await pack.focus();
  await page.keyboard.press(' ');
  for (let i = 0; i < 3; i += 1) await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Moved by hand')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Moved and pinned.')).toBeVisible();
  const moved = board(page)
    .getByRole('button', { name: /Juniper boar ring for The forester: Pack, .* pinned/ })
    .first();
  await expect(moved).toBeVisible();
  await page.getByRole('button', { name: 'Take back the last change' }).click();
  await expect(page.getByText('Taken back.')).toBeVisible();
  await expect(pack).toHaveAttribute('aria-label', was!);
});

test('a step is dragged: what it breaks is said while it moves, and it can be put back', async ({
  page,
}) => {
  await signIn(page, 'tomas');
  await page.goto('/plan');
  await page.getByLabel('Lines').selectOption({ label: 'Batches' });
  await page.getByLabel('Zoom').selectOption({ label: 'Two weeks' });
  const bar = board(page)
    .getByRole('button', { name: /Heather tang ring: Stuff, .* planned/ })
    .first();
  await bar.scrollIntoViewIfNeeded();
  const was = await bar.getAttribute('aria-label');
  const box = (await bar.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  /* More than a day later: what follows may wait half a day for it at most. */
  for (let i = 1; i <= 10; i += 1) await page.mouse.move(x + i * 10, y);
  /* From when it would be is said on the way, and is where it is then. */
  const says = page.locator('p', { hasText: /While it moves, Heather tang ring, Stuff: / });
  await expect(says).toBeVisible();
  /* The look follows the pointer with a lag: what it says once the pointer rests is where the bar will be. */
  let at = '';
  const rests = async () => {
    const before = at;
    [, at = ''] = /Stuff: (.*?)\./.exec(await says.innerText())!;
    return at === before;
  };
  await expect.poll(rests, { intervals: [600] }).toBe(true);
  await page.mouse.up();
  await expect(
    page.locator('p', { hasText: `Moved by hand, Heather tang ring, Stuff: ${at}` }),
  ).toBeVisible();
  await expect(
    page.getByText(/Heather tang ring, Ferment: what comes before it ends at/),
  ).toBeVisible();
  await expect(bar).not.toHaveAttribute('aria-label', was!);
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(page.getByText('Moved by hand')).toBeHidden();
  await expect(bar).toHaveAttribute('aria-label', was!);
});

test('who works when: a shift over midnight, days off, hours besides; nonsense is told; a reader changes nothing', async ({
  page,
  browser,
}) => {
  await signIn(page, 'maud');
  await page.goto('/settings/hours');
  const shifts = page.getByRole('region', { name: 'Shifts' });
  await shifts.getByLabel('Who').selectOption({ label: 'Ines Quill' });
  await shifts.getByLabel('From').fill('22:00');
  await shifts.getByLabel('To').fill('04:00');
  await shifts.getByRole('button', { name: 'Add the shift' }).click();
  await expect(shifts.getByText(/one day at least/)).toBeVisible();
  await shifts.getByLabel('Sat').check();
  await shifts.getByRole('button', { name: 'Add the shift' }).click();
  const night = shifts.getByText('Ines Quill: Sat, 22:00 to 04:00 the day after');
  await expect(night).toBeVisible();
  const off = page.getByRole('region', { name: 'Days off' });
  await off.getByLabel('First day').fill('2027-01-06');
  await off.getByLabel('Last day').fill('2027-01-05');
  await off.getByLabel('What for').fill('Stocktaking');
  await off.getByRole('button', { name: 'Add the days off' }).click();
  await expect(off.getByText(/ends before it begins/)).toBeVisible();
  await off.getByLabel('Last day').fill('2027-01-07');
  await off.getByRole('button', { name: 'Add the days off' }).click();
  await expect(off.getByText(/Everybody: .*Stocktaking/)).toBeVisible();
  const more = page.getByRole('region', { name: 'Hours besides' });
  await more.getByLabel('Day').fill('2027-01-09');
  await more.getByLabel('From').fill('08:00');
  await more.getByLabel('To').fill('12:00');
  await more.getByRole('button', { name: 'Add the hours' }).click();
  await expect(more.getByText(/08:00 to 12:00/)).toBeVisible();
  await shifts
    .getByRole('listitem')
    .filter({ hasText: '22:00 to 04:00' })
    .getByRole('button', { name: 'Remove' })
    .click();
  await expect(night).toBeHidden();
  const reader = await (await browser.newContext()).newPage();
  await signIn(reader, 'pia');
  await reader.goto('/settings/hours');
  await expect(reader.getByText(/Stocktaking/)).toBeVisible();
  await expect(reader.getByRole('button', { name: /^(Add|Remove)/ })).toHaveCount(0);
  await reader.goto('/plan');
  await expect(board(reader)).toBeVisible();
  await expect(reader.getByRole('button', { name: 'Plan everything' })).toHaveCount(0);
  await reader.context().close();
});

test('an hour that comes twice is asked for, and one that the clock leaves out is said', async ({
  page,
}) => {
  await signIn(page, 'maud');
  await page.goto('/plan/wishes');
  const shut = page.getByRole('region', { name: 'Shut' });
  const twice = (label: string) => shut.getByRole('group', { name: `${label}: the clock is set` });
  await shut.getByLabel('From').fill('2027-03-14T02:30');
  await expect(shut.getByText(/leaves this hour out: it is taken as 03:30/)).toBeVisible();
  await shut.getByLabel('From').fill('2027-11-07T01:30');
  await expect(twice('From').getByLabel('The first (UTC-05:00)')).toBeChecked();
  await expect(twice('To')).toBeHidden();
  await shut.getByLabel('To').fill('2027-11-07T01:10');
  await shut.getByLabel('Why').fill('a new door');
  await shut.getByRole('button', { name: 'Shut it' }).click();
  await expect(shut.getByText(/ends before it begins/)).toBeVisible();
  /* A quarter past the second one is forty-five minutes after half past the first; what is chosen stays chosen. */
  await twice('To').getByLabel('The second (UTC-06:00)').check();
  await shut.getByLabel('To').fill('2027-11-07T01:15');
  await expect(twice('To').getByLabel('The second (UTC-06:00)')).toBeChecked();
  await shut.getByRole('button', { name: 'Shut it' }).click();
  const made = shut.getByRole('listitem').filter({ hasText: 'a new door' });
  await expect(made).toContainText('01:30 (UTC-05:00)');
  await expect(made).toContainText('01:15 (UTC-06:00)');
  await made.getByRole('button', { name: 'Open again' }).click();
  await expect(made).toHaveCount(0);
});

test('two people plan at once: the second is told, and nothing of the first is lost', async ({
  page,
  browser,
}) => {
  await signIn(page, 'maud');
  await page.goto('/plan');
  await expect(board(page)).toBeVisible();
  const other = await (await browser.newContext()).newPage();
  await signIn(other, 'tomas');
  await other.goto('/plan');
  await expect(board(other)).toBeVisible();
  const both = [page, other];
  await Promise.all(both.map((p) => p.getByRole('button', { name: 'Plan everything' }).click()));
  /* Each looks for seconds; whoever keeps second began from a plan that is no longer the last. */
  const isTold = (p: Page) => p.getByText(/Somebody else kept another plan meanwhile/).isVisible();
  await expect
    .poll(async () => (await Promise.all(both.map(isTold))).sort())
    .toEqual([false, true]);
  await planAll((await isTold(page)) ? page : other);
  await other.context().close();
});

test('what if: something is tried in a copy, compared, and dropped or taken', async ({ page }) => {
  await signIn(page, 'maud');
  await page.goto('/plan');
  await page.getByText('What if …').click();
  await page.getByLabel('Try', { exact: true }).selectOption({ label: 'A batch is not made' });
  await page.getByLabel('Which').selectOption({ label: 'Juniper boar ring for The forester' });
  await page.getByRole('button', { name: 'Try it in a copy' }).click();
  const copy = page.getByRole('region', { name: 'What if' });
  await expect(copy.getByText('without Juniper boar ring for The forester').first()).toBeVisible();
  await expect(copy.getByRole('row', { name: /^Fires/ })).toBeVisible();
  await expect(
    board(page).getByRole('button', { name: /Juniper boar ring for The forester/ }),
  ).toHaveCount(0);
  await copy.getByRole('button', { name: 'Drop it' }).click();
  await expect(page).toHaveURL(/\/plan$/);
  await expect(
    board(page)
      .getByRole('button', { name: /Juniper boar ring for The forester/ })
      .first(),
  ).toBeVisible();

  await page.goto('/plan');
  await page.getByText('What if …').click();
  await page.getByLabel('Try', { exact: true }).selectOption({ label: 'A batch is not made' });
  await page.getByLabel('Which').selectOption({ label: 'Juniper boar ring for The forester' });
  await page.getByRole('button', { name: 'Try it in a copy' }).click();
  await copy.getByRole('button', { name: 'Take it as the plan' }).click();
  await expect(page).toHaveURL(/\/plan$/);
  await page.goto('/plan/wishes');
  await expect(page.getByRole('region', { name: 'Wished' })).toBeVisible();
  await expect(page.getByText('Juniper boar ring for The forester')).toHaveCount(0);
});

test('a wished batch is started and keeps its place; on a phone the day stands by the clock', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page, 'ines');
  await page.goto('/plan');
  await expect(page.getByRole('region', { name: 'Next 24 hours' })).toBeVisible();
  await expect(board(page)).toBeHidden();
  await page.goto('/plan/wishes');
  const first = page.getByRole('listitem').filter({ hasText: 'Orchard supper coil' });
  await first.getByRole('button', { name: 'Start it now' }).click();
  await expect(page).toHaveURL(/\/batches\/[0-9a-f-]{36}$/);
  await page.goto('/plan');
  await expect(page.getByRole('region', { name: 'Next 24 hours' })).toBeVisible();
  await expect(
    page.getByRole('status').filter({ hasText: /No place in the plan yet: .*Orchard/ }),
  ).toHaveCount(0);
});

test('a batch that cannot be in time: what could be done is looked for, and another day tried in a copy', async ({
  page,
}) => {
  await signIn(page, 'maud');
  await page.goto('/plan/wishes');
  await page.getByLabel('Recipe').selectOption({ label: 'Duck and sorrel link' });
  await page.getByRole('textbox', { name: 'Meat' }).fill('6');
  await page.getByLabel(/Ready by/).fill(atSite(Date.now() + 60 * MIN_MS));
  await page.getByLabel('For whom').fill('the hasty');
  await page.getByRole('button', { name: 'Wish this batch' }).click();
  await expect(page.getByText('Duck and sorrel link for the hasty')).toBeVisible();
  await page.goto('/plan');
  await planAll(page);
  const late = page
    .getByRole('region', { name: 'Late' })
    .getByRole('listitem')
    .filter({ hasText: /^Duck and sorrel link for the hasty is ready/ });
  await late.getByRole('button', { name: 'What could be done?' }).click();
  const day = late.getByRole('listitem').filter({ hasText: 'Another day' });
  await expect(day).toBeVisible({ timeout: 60_000 });
  await day.getByRole('button', { name: 'Try it in a copy' }).click();
  const copy = page.getByRole('region', { name: 'What if' });
  await expect(copy.getByText(/Duck and sorrel link for the hasty is due/).first()).toBeVisible();
  await expect(late).toHaveCount(0);
  await copy.getByRole('button', { name: 'Drop it' }).click();
  await expect(late).toBeVisible();
});
