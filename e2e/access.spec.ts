import { seriousIssues } from './support/axe';
import { expect, test, type Page } from './support/test';
import { openBatch, signIn } from './support/people';
import { SCREENS } from './support/screens';
import { everyDoor } from './support/who-may';

test.use({ processes: 'one' });

/** Pages that only somebody sees who is not signed in yet. */
const BEFORE_PEOPLE = ['/welcome'];
const seen = new Set<string>();

/** Pages of the application that were not looked at. */
const unseen = () =>
  everyDoor()
    .flatMap((door) => (door.startsWith('page ') ? [door.slice('page '.length)] : []))
    .filter((page) => !BEFORE_PEOPLE.includes(page))
    .filter((page) => {
      const pattern = new RegExp(`^${page.replace('[id]', '[^/]+')}$`);
      return ![...seen].some((path) => pattern.test(path));
    });

/** All of it in the light theme; then what the dark one alone can break, its colours, on the same page. */
async function noSeriousIssue(page: Page): Promise<void> {
  seen.add(new URL(page.url()).pathname);
  const light = await seriousIssues(page);
  await page.emulateMedia({ colorScheme: 'dark' });
  const dark = await seriousIssues(page, ['color-contrast']);
  await page.emulateMedia({ colorScheme: 'light' });
  expect({ light, dark }).toEqual({ light: [], dark: [] });
}

test('every screen passes the accessibility check, in both themes', async ({ page }) => {
  /* Some forty screens, each looked through twice. */
  test.setTimeout(900_000);
  await page.emulateMedia({ colorScheme: 'light' });
  await page.goto('/sign-in');
  await noSeriousIssue(page);
  await signIn(page, 'maud');
  for (const path of SCREENS) {
    await page.goto(path);
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
    await noSeriousIssue(page);
  }
  await page.goto('/recipes');
  const recipe = page.getByRole('link', { name: 'Silver birch fine sausage' });
  const href = (await recipe.getAttribute('href'))!;
  for (const path of ['', '/edit', '/sheet?by=meat&amount=20']) {
    await page.goto(href + path);
    await noSeriousIssue(page);
  }
  await page.goto('/stores');
  await page.getByRole('link', { name: 'Pork belly' }).click();
  await expect(page.getByRole('region', { name: 'Where it went' })).toBeVisible();
  await noSeriousIssue(page);
  await page.goto('/bench/programs');
  await page.locator('main a[href^="/bench/programs/"]:not([href$="/new"])').first().click();
  await page.waitForURL(/\/bench\/programs\/[0-9a-f-]{36}/);
  await noSeriousIssue(page);
  for (const tab of ['', '/stuffing', '/house', '/house?log=core', '/verdict', '/log', '/after']) {
    await openBatch(page, 'Chilling', tab);
    await noSeriousIssue(page);
  }
  for (const [where, region] of [
    ['In Warm loft', 'Ferment'],
    ['In Stone room', 'Drying'],
  ] as const) {
    await openBatch(page, where, '/ripening');
    await expect(page.getByRole('region', { name: region, exact: true })).toBeVisible();
    await noSeriousIssue(page);
  }
  expect(unseen()).toEqual([]);
});

test('on a phone nothing scrolls sideways and every target on the floor is large enough', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page, 'ines');
  for (const path of [
    '/',
    '/batches/new?meat=20',
    '/house',
    '/stores',
    '/recipes',
    '/dose-check',
    '/plan',
    '/plan/lists',
  ]) {
    await page.goto(path);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(
      390,
    );
  }
  /* One line of alarms, and under it the next action of four batches at first sight. */
  await page.goto('/');
  await expect(page.getByRole('region', { name: 'Alarms' }).getByRole('listitem')).toHaveCount(1);
  const shown = await page
    .getByRole('region', { name: /^Batches/ })
    .locator('> ul > li')
    .evaluateAll(
      (cards) => cards.filter((c) => c.getBoundingClientRect().bottom <= innerHeight).length,
    );
  expect(shown).toBeGreaterThanOrEqual(4);
  await openBatch(page, 'In Big house', '/house?log=core');
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await openBatch(page, 'In Warm loft', '/ripening');
  await expect(page.getByRole('region', { name: 'Ferment', exact: true })).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await openBatch(page, 'In Big house', '/house?log=core');
  const buttons = await page
    .getByRole('form', { name: 'Log a temperature' })
    .getByRole('button')
    .all();
  for (const b of buttons) expect((await b.boundingBox())!.height).toBeGreaterThanOrEqual(48);
});

test('the core can be logged with the keyboard alone', async ({ page }) => {
  await signIn(page, 'ines');
  await openBatch(page, 'In Big house', '/house?log=core');
  await page.getByLabel('Core temperature').focus();
  await page.keyboard.type('59.5');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Core 59.5 °C logged')).toBeVisible();
});

test('the one switch changes every unit, and the other system stays in sight', async ({ page }) => {
  await signIn(page, 'ines');
  await openBatch(page, 'In Big house', '/house');
  await page.getByRole('button', { name: /Units/ }).click();
  await expect(page.getByTestId('core-now')).toContainText('°F');
  await expect(page.getByRole('region', { name: 'Heat' })).toContainText('°C');
  await page.getByRole('button', { name: /Units/ }).click();
  await expect(page.getByTestId('core-now')).toContainText('°C');
});

test('keys: a list under "?", places under "g", Escape closes what was opened', async ({
  page,
}) => {
  await signIn(page, 'pia');
  const keys = page.getByRole('dialog', { name: 'Keys' });
  await page.keyboard.press('?');
  await expect(keys).toContainText('Close what was opened');
  await page.keyboard.press('Escape');
  await expect(keys).toHaveCount(0);
  await page.keyboard.press('g');
  await page.keyboard.press('e');
  await expect(page).toHaveURL(/\/records$/);
  /* What is typed into a field is text. */
  await page.keyboard.press('/');
  await expect(page.getByLabel('Batch number or recipe')).toBeFocused();
  await page.keyboard.type('g?h');
  await expect(page.getByLabel('Batch number or recipe')).toHaveValue('g?h');
  await expect(page).toHaveURL(/\/records$/);

  await openBatch(page, 'In Big house', '/house');
  const figures = page.getByText('Figures behind the chart').first();
  await figures.focus();
  await page.keyboard.press('Enter');
  const opened = page.locator('details[open]').filter({ has: figures });
  await expect(opened).toHaveCount(1);
  await page.keyboard.press('Escape');
  await expect(opened).toHaveCount(0);
  await expect(figures).toBeFocused();
});

test('somebody new is told what to do first, by role, until they know their way', async ({
  page,
}) => {
  await signIn(page, 'pia');
  const steps = page.getByRole('region', { name: 'First steps' });
  await expect(steps.getByRole('link', { name: 'Read the records' })).toBeVisible();
  await expect(steps.getByRole('link', { name: 'Start a batch' })).toHaveCount(0);
  await steps.getByRole('button', { name: 'I know my way' }).click();
  await expect(steps).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Floor' })).toBeVisible();
  await expect(steps).toHaveCount(0);
});
