import { seriousIssues } from './support/axe';
import { expect, test, type Page } from './support/test';
import { signIn } from './support/people';
import { deviceTokens } from './support/site';

test.use({ processes: 'one' });

const report = async (
  page: Page,
  house: 0 | 1,
  readings: { channel: string; at: string; tempC: number }[],
) => {
  const answer = await page.request.post('/api/v1/readings', {
    headers: { authorization: `Bearer ${deviceTokens()[house]}` },
    data: { readings, sentAt: new Date().toISOString() },
  });
  expect(answer.ok(), await answer.text()).toBe(true);
};
const ago = (s: number) => new Date(Date.now() - s * 1000).toISOString();

const noSeriousIssue = async (page: Page) => expect(await seriousIssues(page)).toEqual([]);

test('a formulator writes a program; nonsense is told at its field, a second version stands over the first', async ({
  page,
}) => {
  await signIn(page, 'tomas');
  await page.goto('/bench/programs/new');
  await page.getByLabel('Name', { exact: true }).fill('Walnut morning');
  const first = page.getByRole('listitem', { name: 'Stage 1: Dry' });
  await first.getByLabel('Air').fill('warm');
  await expect(first.getByText('this is not a number')).toBeVisible();
  await first.getByLabel('Air').fill('52');
  await expect(page.getByText(/Dry 52 °C/)).toBeVisible();
  await page.getByRole('button', { name: 'Add a stage' }).click();
  const last = page.getByRole('listitem', { name: /^Stage 4/ });
  await last.getByLabel('Stage', { exact: true }).fill('Bath');
  await page
    .getByRole('listitem', { name: 'Stage 4: Bath' })
    .getByLabel('Where')
    .selectOption('water_bath');
  const bath = page.getByRole('listitem', { name: 'Stage 4: Bath' });
  await bath.getByLabel('Water').fill('120');
  await expect(bath.getByText(/at most 98/)).toBeVisible();
  await bath.getByLabel('Water').fill('76');
  await bath.getByLabel('Core at').fill('70');
  await expect(bath.getByLabel('Joined by')).toBeVisible();
  await noSeriousIssue(page);
  await page.getByRole('button', { name: 'Save as version 1' }).click();
  await page.getByRole('link', { name: 'Walnut morning' }).click();
  await page.getByLabel('What is new').fill('Hotter smoke');
  await page.getByRole('listitem', { name: 'Stage 2: Smoke' }).getByLabel('Air').fill('68');
  await page.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(page).toHaveURL(/programs$/);
  await page.getByRole('link', { name: 'Walnut morning' }).click();
  await expect(page.getByText('Version 2', { exact: true })).toBeVisible();
  await expect(page.getByText(/Tomas Reed.*First version/)).toBeVisible();
});

test('what if: the worker answers while one writes, variants stand side by side, and the other way round', async ({
  page,
}) => {
  await signIn(page, 'tomas');
  await page.goto('/bench');
  await expect(page.locator('[data-ready="yes"]')).toBeVisible();
  const figure = (label: string, column = 1) =>
    page
      .getByRole('region', { name: 'Comparison' })
      .getByRole('row', { name: label })
      .getByRole('cell')
      .nth(column - 1);
  const before = await figure('Pull after').textContent();
  await page.getByLabel('Diameter').fill('70');
  await expect(figure('Pull after')).not.toHaveText(before!);
  await page.getByLabel('Diameter').fill('a lot');
  await expect(page.getByText('this is not a number')).toBeVisible();
  await expect(page.getByText(/the curves are those of before/)).toBeVisible();
  await page.getByLabel('Diameter').fill('90');
  await page.getByRole('button', { name: 'Compare with another' }).click();
  await page.getByLabel('Diameter').fill('24');
  await expect(figure('Pull after', 2)).toHaveText(/h|min/);
  await expect
    .poll(
      async () =>
        (await figure('Pull after', 1).textContent()) !==
        (await figure('Pull after', 2).textContent()),
    )
    .toBe(true);
  await page.getByRole('button', { name: 'Find the set point' }).click();
  await expect(page.getByText('the gentlest that does it')).toBeVisible();
  await page.getByRole('button', { name: /^Put it into/ }).click();
  await page.getByLabel('Within, in all').fill('0.1');
  await page.getByRole('button', { name: 'Find the set point' }).click();
  await expect(page.getByText(/No set point does this/)).toBeVisible();
  await noSeriousIssue(page);
});

test('practice: a run is hung, sped up, broken and judged, and nothing of it is kept', async ({
  page,
}) => {
  await signIn(page, 'ines');
  await page.goto('/bench/practice');
  await page.getByRole('button', { name: 'Hang it and start' }).click();
  await page.getByRole('button', { name: '900×' }).click();
  await expect(page.getByText('The stage has what it waited for')).toBeVisible();
  await page.getByRole('button', { name: /^Next stage/ }).click();
  await page.getByRole('button', { name: 'Probe core-1 slid out' }).click();
  await expect(page.getByText('A core probe shows the air')).toBeVisible();
  await expect(page.getByText(/can never be released/)).toBeVisible();
  await noSeriousIssue(page);
  await page.goto('/');
  await expect(page.getByText('Practice')).toHaveCount(0);
});

test('a probe is checked in ice water; one that is far off is refused with words', async ({
  page,
}) => {
  await signIn(page, 'ines');
  await page.goto('/house/little/probes');
  await page.getByLabel('Shows in ice water').fill('4');
  await page.getByRole('button', { name: 'Record the check' }).click();
  await expect(page.getByText(/off by more than/)).toBeVisible();
  await page.getByLabel('Shows in ice water').fill('0.3');
  await page.getByRole('button', { name: 'Record the check' }).click();
  await expect(page.getByText(/that is taken off from then on/)).toBeVisible();
  await expect(page.getByText(/by Ines Quill, shows 0.3/)).toBeVisible();
  await noSeriousIssue(page);
});

test('a load of two diameters: the link is lost, a probe slides out, the thin one leaves for a bath, chill and verdict; a second browser sees it', async ({
  page,
  browser,
}) => {
  test.setTimeout(600_000);
  await signIn(page, 'ines');
  const other = await browser.newPage();
  await signIn(other, 'maud');
  await page.goto('/house/big');
  await other.goto('/house/big');
  const duck = page.getByRole('article', { name: /^Duck and sorrel link/ });
  const ring = page.getByRole('article', { name: /^Juniper boar ring/ });
  await expect(duck.getByText('24 mm')).toBeVisible();
  await expect(ring.getByText('56 mm')).toBeVisible();
  await ring.getByText('what it rests on').click();
  await expect(ring.getByText(/Made from this run’s own readings/)).toBeVisible();
  await noSeriousIssue(page);

  /* The link was away: nothing for six minutes, then everything at once. */
  const shown = (tempC: number, i: number) => tempC + (i % 4) * 0.05;
  const course = (fromS: number, toS: number) =>
    Array.from({ length: Math.floor((fromS - toS) / 10) }, (_, i) => {
      const at = ago(fromS - i * 10);
      return [
        { channel: 'air', at, tempC: shown(67, i) },
        { channel: 'wet', at, tempC: shown(53, i) },
        { channel: 'core-1', at, tempC: shown(55, i) },
        { channel: 'core-2', at, tempC: shown(55.5, i) },
        { channel: 'core-3', at, tempC: shown(58, i) },
        { channel: 'core-4', at, tempC: shown(58.4, i) },
      ];
    }).flat();
  await expect(page.getByText('No core readings').first()).toBeVisible({ timeout: 420_000 });
  await page.getByRole('button', { name: 'I see to it' }).first().click();
  await expect(other.getByText('Seen by Ines Quill').first()).toBeVisible();
  await report(page, 0, course(400, 10));
  await expect(page.getByText('No core readings')).toHaveCount(0);

  const moment = (secondsAgo: number, core: number) => [
    { channel: 'air', at: ago(secondsAgo), tempC: 67 },
    { channel: 'core-1', at: ago(secondsAgo), tempC: core },
  ];
  await report(page, 0, [...moment(4, 66.7), ...moment(1, 67.1)]);
  await expect(page.getByText('A core probe shows the air')).toBeVisible({ timeout: 40_000 });
  await expect(other.getByText('A core probe shows the air')).toBeVisible({ timeout: 40_000 });

  /* Somebody puts it back: out with its reason, in again, and the log of the piece goes on. */
  await page.getByRole('link', { name: 'Juniper boar ring' }).click();
  const probes = page.getByRole('region', { name: 'Probes' });
  await probes.getByRole('listitem').filter({ hasText: 'Core 1' }).getByRole('button').click();
  await probes.getByRole('button', { name: 'It slid out of its piece' }).click();
  await expect(probes.getByRole('listitem').filter({ hasText: 'Core 1' })).toHaveCount(0);
  await probes.getByLabel('Put in a probe').selectOption({ label: 'Core 1, thickest piece' });
  await probes.getByRole('button', { name: 'Put in', exact: true }).click();
  await expect(probes.getByRole('listitem').filter({ hasText: 'Core 1' })).toHaveCount(1);
  await report(page, 0, [...moment(0, 55.2)]);
  await page.goto('/house/big');
  await expect(page.getByText('A core probe shows the air')).toHaveCount(0, { timeout: 40_000 });
  await page.getByRole('button', { name: 'Wood added' }).click();
  await duck.getByText('Out of the load, to go on elsewhere').click();
  await duck.getByLabel('At', { exact: true }).fill('76');
  await duck.getByLabel('Until the core is').fill('74');
  await duck.getByRole('button', { name: 'Move Duck and sorrel link' }).click();
  await expect(duck.getByText(/· Water bath/)).toBeVisible();
  await expect(other.getByRole('article', { name: /^Duck/ }).getByText(/· Water bath/)).toBeVisible(
    {
      timeout: 20_000,
    },
  );
  const told = await page.request.get('/api/v1/house', {
    headers: { authorization: `Bearer ${deviceTokens()[0]}` },
  });
  const program = (await told.json()) as {
    channels: { key: string; piece: { medium: string } | null }[];
  };
  expect(program.channels.find((c) => c.key === 'core-3')!.piece!.medium).toBe('water');
  expect(program.channels.find((c) => c.key === 'core-1')!.piece!.medium).toBe('air');

  await page.getByText('Change the program of this run').click();
  await page.getByLabel('What', { exact: true }).selectOption('pause');
  await page.getByLabel('Why').fill('power cut');
  await page.getByRole('button', { name: 'Pause the program' }).click();
  await expect(ring.getByText('paused')).toBeVisible();
  await page.getByRole('button', { name: 'Go on with the program' }).click();
  await expect(ring.getByText('paused')).toHaveCount(0);
  await duck.getByRole('button', { name: 'Pull Duck and sorrel link to chill' }).click();
  await duck.getByRole('button', { name: 'Pull anyway' }).click();
  await page.getByRole('link', { name: 'Duck and sorrel link' }).click();
  await page.getByRole('button', { name: /^Ice bath begins/ }).click();
  await expect(page.getByRole('region', { name: 'Cooling clock' })).toBeVisible();
  await page.getByRole('link', { name: 'Verdict' }).click();
  await expect(page.getByText('Probe evidence').first()).toBeVisible();
  const ringHref = await other
    .getByRole('link', { name: 'Juniper boar ring' })
    .getAttribute('href');
  await other.goto(ringHref!.replace('/house', '/verdict'));
  await expect(other.getByText(/A probe was taken out on purpose/).first()).toBeVisible();
  await page.getByRole('link', { name: 'After' }).click();
  await expect(page.getByRole('heading', { name: 'Stages against program' })).toBeVisible();
  await expect(page.getByRole('row', { name: /^Water bath/ })).toBeVisible();
  await noSeriousIssue(page);
  await other.close();
});
