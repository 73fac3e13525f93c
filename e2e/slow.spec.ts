import { expect, test, type Page } from './support/test';
import { openBatch, signIn } from './support/people';
import { SlowProxy } from './support/slow-proxy';

const LATE_MS = 3000;
const PORT = 3290;
const SLOWER = 4;
test.use({ appEnv: { JOLLY_ORIGINS: `http://127.0.0.1:${PORT}` } });

/** Opens a page as somebody does who does not wait for it: what is on the screen is there before its scripts. */
async function openAtOnce(page: Page, url: string): Promise<void> {
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  await devtools.send('Page.navigate', { url });
}
const isWaking = (page: Page) =>
  page.evaluate(() => document.documentElement.hasAttribute('data-waking'));

test('what is chosen and typed before the scripts come is kept, and a button that does not answer yet looks so', async ({
  page,
  site,
}) => {
  const proxy = new SlowProxy(site.base, LATE_MS);
  const slow = await proxy.start(PORT);
  try {
    await signIn(page, 'ines');
    await openAtOnce(page, `${slow}/batches/new`);
    const recipe = page.getByLabel('Recipe');
    const first = await recipe.inputValue();
    await recipe.focus();
    await page.keyboard.type('Juniper');
    await page.getByLabel('Meat on the bench today').focus();
    await page.keyboard.type('22');
    expect(await isWaking(page)).toBe(true);
    const chosen = await recipe.inputValue();
    expect(chosen).not.toBe(first);
    const start = page.getByRole('button', { name: 'Start this batch' });
    await expect
      .poll(() => start.evaluate((b) => Number(getComputedStyle(b).opacity)))
      .toBeLessThan(0.6);
    await expect.poll(() => isWaking(page), { timeout: 60_000 }).toBe(false);
    await expect(page).toHaveURL(/meat=22/);
    await expect(page).toHaveURL(new RegExp(`recipe=${chosen}`));
    await expect(recipe).toHaveValue(chosen);
    await expect(page.getByLabel('Meat on the bench today')).toHaveValue('22');
    await expect.poll(() => start.evaluate((b) => Number(getComputedStyle(b).opacity))).toBe(1);
    await start.click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Juniper boar ring');
    /* Before the network goes: what a page still asks for would fail. */
    await page.goto('about:blank');
  } finally {
    await proxy.stop();
  }
});

test('a page that is loaded anew because a refresh got no answer keeps what was typed, also twice', async ({
  page,
}) => {
  await signIn(page, 'ines');
  await openBatch(page, 'In Big house', '/log');
  const note = page.getByLabel('Note, or reason for a hold');
  await note.focus();
  await page.keyboard.type('The damper sticks');
  for (let i = 0; i < 2; i += 1) {
    /* What the framework does where the answer to a refresh does not come. */
    await page.evaluate(() => location.replace(location.href));
    await expect(page.getByText('The server did not answer and this page reloaded')).toBeVisible();
    await expect(note).toHaveValue('The damper sticks');
  }
  await page.getByRole('button', { name: 'Add the note' }).click();
  await expect(page.getByText('Note: The damper sticks')).toBeVisible();
  /* Asked for anew by a person, it is as new. */
  await note.fill('Not this');
  await page.reload();
  await expect(note).toHaveValue('');
});

test.describe('a newer build', () => {
  /* Between the two builds nothing answers. */
  test.use({ expectedErrors: /net::ERR_(CONNECTION|INCOMPLETE|EMPTY|FAILED)/ });

  test('a newer build while a page is open: it reloads by itself, and what was typed is still there', async ({
    page,
    site,
  }) => {
    await signIn(page, 'ines');
    await openBatch(page, 'In Big house', '/log');
    const note = page.getByLabel('Note, or reason for a hold');
    await note.focus();
    await page.keyboard.type('The damper sticks');
    await site.app.kill('SIGTERM');
    await site.app.start({ JOLLY_BUILD_ID: 'a-newer-one' });
    await expect(page.getByText('Jolly Kettle was updated and this page reloaded')).toBeVisible({
      timeout: 90_000,
    });
    await expect(page.locator('html')).toHaveAttribute('data-build', 'a-newer-one');
    await expect(note).toHaveValue('The damper sticks');
    await page.getByRole('button', { name: 'Add the note' }).click();
    await expect(page.getByText('Note: The damper sticks')).toBeVisible();
  });
});
