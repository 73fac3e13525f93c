import { expect, test as base, type BrowserContext, type Page } from '@playwright/test';
import { Faults } from './faults';
import { Sites, type Fill, type Site } from './site';

export { expect } from '@playwright/test';
export type { APIRequestContext, Browser, BrowserContext, Locator, Page } from '@playwright/test';

/** Has the application taken over every button and form of the page? What was pressed before that, nobody heard. */
const IS_HEARD = `!document.documentElement.hasAttribute('data-waking') && [...document.querySelectorAll('button, form')].every((el) =>
  Object.keys(el).some((key) => key.startsWith('__react')))`;
const MOST_MS = 10_000;

/** Comes back once the page hears what is pressed; a page that is none of the application's is left as it is. */
async function untilHeard(page: Page): Promise<void> {
  const endMs = Date.now() + MOST_MS;
  while (Date.now() < endMs) {
    const isHeard = await page.evaluate<boolean>(IS_HEARD).catch(() => true);
    if (isHeard) return;
    await page.evaluate(() => new Promise((next) => requestAnimationFrame(next))).catch(() => null);
  }
}

/** Whoever opens a page here presses nothing before it hears: on a slow machine that takes a while. */
function patient(page: Page): void {
  const [goto, reload] = [page.goto.bind(page), page.reload.bind(page)];
  page.goto = async (...args) => {
    const response = await goto(...args);
    await untilHeard(page);
    return response;
  };
  page.reload = async (...args) => {
    const response = await reload(...args);
    await untilHeard(page);
    return response;
  };
}

type PerTest = {
  /** What the file's database holds at its beginning. */
  fill: Fill;
  /** Of how many processes the file's application is: `one` where each page is looked at for itself, which is quicker. */
  processes: 'one' | 'as shipped';
  /** Environment of the file's application, besides the usual. */
  appEnv: Record<string, string>;
  /** Errors that a test brings about on purpose; every other one fails it. */
  expectedErrors: RegExp | null;
  /** Where the application is that a file has started itself. */
  elsewhere: string | null;
  site: Site;
  noErrors: void;
};
type PerWorker = { sites: Sites; faults: Faults; opened: BrowserContext[] };

export const test = base.extend<PerTest, PerWorker>({
  fill: ['demo', { option: true }],
  processes: ['as shipped', { option: true }],
  appEnv: [{}, { option: true }],
  elsewhere: [null, { option: true }],
  expectedErrors: [null, { option: true }],
  sites: [
    async ({}, use, { parallelIndex }) => {
      const sites = new Sites(parallelIndex);
      await use(sites);
      await sites.end();
    },
    { scope: 'worker', timeout: 180_000 },
  ],
  faults: [async ({}, use) => use(new Faults()), { scope: 'worker' }],
  opened: [async ({}, use) => use([]), { scope: 'worker' }],
  site: [
    /* A file that starts an application itself asks for no site. */
    async ({ sites, fill, processes, appEnv }, use, info) => {
      const env = processes === 'one' ? { JOLLY_PROCESSES: '1', ...appEnv } : appEnv;
      await use((await sites.of(info.file, fill, env)) as Site);
    },
    { auto: true, timeout: 180_000 },
  ],
  baseURL: async ({ site, elsewhere }, provide) => provide(elsewhere ?? site.base),
  noErrors: [
    async ({ faults, expectedErrors, opened }, use) => {
      faults.take(null);
      opened.length = 0;
      await use();
      /* What a test opened besides its page would go on refreshing beside the tests that follow. */
      await Promise.all(opened.map((context) => context.close()));
      expect(faults.take(expectedErrors), 'errors in the pages of this test').toEqual([]);
    },
    { auto: true },
  ],
  browser: [
    async ({ browser, sites, faults, opened }, use) => {
      const newContext = browser.newContext.bind(browser);
      browser.newContext = async (options) => {
        const context = await newContext({ ...sites.address, ...options });
        context.on('page', patient);
        faults.watch(context);
        opened.push(context);
        return context;
      };
      await use(browser);
      browser.newContext = newContext;
    },
    { scope: 'worker' },
  ],
});
