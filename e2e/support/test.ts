import { test as base, type Page } from '@playwright/test';

export { expect } from '@playwright/test';
export type { APIRequestContext, Browser, BrowserContext, Locator, Page } from '@playwright/test';

/** Has the application taken over every button and form of the page? What was pressed before that, nobody heard. */
const IS_HEARD = `[...document.querySelectorAll('button, form')].every((el) =>
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

export const test = base.extend<object, object>({
  browser: [
    async ({ browser }, use) => {
      const newContext = browser.newContext.bind(browser);
      browser.newContext = async (...args) => {
        const context = await newContext(...args);
        context.on('page', patient);
        return context;
      };
      await use(browser);
      browser.newContext = newContext;
    },
    { scope: 'worker' },
  ],
});
