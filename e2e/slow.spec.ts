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

const noteOf = (page: Page) => page.getByLabel('Note, or reason for a hold');

/** Types a note into the log of a batch, and does not send it. */
async function typeNote(page: Page, text: string): Promise<void> {
  await signIn(page, 'ines');
  await openBatch(page, 'In Big house', '/log');
  await noteOf(page).focus();
  await page.keyboard.type(text);
}

async function sendNote(page: Page, text: string): Promise<void> {
  await expect(noteOf(page)).toHaveValue(text);
  await page.getByRole('button', { name: 'Add the note' }).click();
  await expect(page.getByText(`Note: ${text}`)).toBeVisible();
}

const reloaded = (page: Page) => page.getByText('The server did not answer and this page reloaded');

test('a page that is loaded anew because a refresh got no answer keeps what was typed, also twice', async ({
  page,
}) => {
  await typeNote(page, 'The damper sticks');
  for (let i = 0; i < 2; i += 1) {
    /* What the framework does where the answer to a refresh does not come. */
    await page.evaluate(() => location.replace(location.href));
    await expect(reloaded(page)).toBeVisible();
    await expect(noteOf(page)).toHaveValue('The damper sticks');
  }
  await sendNote(page, 'The damper sticks');
  /* A person asked for the page: it is empty. */
  await noteOf(page).fill('Not this');
  await page.reload();
  await expect(noteOf(page)).toHaveValue('');
});

test('what was typed is kept where the page reloads for a newer build and gets the old one once more', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const Usual = window.EventSource;
    window.EventSource = class extends Usual {
      constructor(...of: ConstructorParameters<typeof EventSource>) {
        super(...of);
        Object.assign(window, { events: this });
      }
    };
  });
  await typeNote(page, 'The damper sticks');
  await page.evaluate(() => {
    const { events } = window as unknown as { events: EventSource };
    events.dispatchEvent(new MessageEvent('build', { data: 'a-newer-one' }));
  });
  await expect(reloaded(page)).toBeVisible();
  await sendNote(page, 'The damper sticks');
});

test.describe('a newer build', () => {
  /* Between the two builds nothing answers. */
  test.use({ expectedErrors: /net::ERR_(CONNECTION|INCOMPLETE|EMPTY|FAILED)/ });

  test('a newer build while a page is open: it reloads by itself, and what was typed is still there', async ({
    page,
    site,
  }) => {
    await typeNote(page, 'The damper sticks');
    await site.app.kill('SIGTERM');
    await site.app.start({ JOLLY_BUILD_ID: 'a-newer-one' });
    await expect(page.getByText('Jolly Kettle was updated and this page reloaded')).toBeVisible({
      timeout: 90_000,
    });
    await expect(page.locator('html')).toHaveAttribute('data-build', 'a-newer-one');
    await sendNote(page, 'The damper sticks');
  });
});
