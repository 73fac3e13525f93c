import type { Cookie } from '@playwright/test';
import { expect, type Page } from './test';

export type Who = 'ines' | 'tomas' | 'maud' | 'pia';
export const PASSWORD = 'alder-and-salt';

/** Sessions of this run by address and person: sign-ins are limited, and rightly so. */
const sessions = new Map<string, Cookie[]>();

async function throughTheForm(page: Page, who: Who): Promise<void> {
  await page.goto('/sign-in');
  await page.getByLabel('E-mail').fill(`${who}@alderhollow.example`);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign in' }).click();
}

/** Signs in, by the session of an earlier test where it still holds. */
export async function signIn(page: Page, who: Who): Promise<void> {
  await page.goto('/sign-in');
  const key = `${new URL(page.url()).origin} ${who}`;
  const known = sessions.get(key);
  if (known) {
    await page.context().addCookies(known);
    await page.goto('/');
  }
  if (!known || page.url().includes('/sign-in')) await throughTheForm(page, who);
  await expect(page.getByRole('heading', { name: 'Floor' })).toBeVisible();
  const cookies = await page.context().cookies();
  sessions.set(
    key,
    cookies.filter((c) => c.name.includes('session')),
  );
}

/** Opens the first batch on the Floor whose card holds the text, at one of its tabs. */
export async function openBatch(page: Page, text: string | RegExp, tab = ''): Promise<string> {
  await page.goto('/');
  const link = page
    .getByRole('listitem')
    .filter({ hasText: text })
    .getByRole('heading')
    .getByRole('link')
    .first();
  const href = (await link.getAttribute('href'))!;
  await page.goto(href + tab);
  return href;
}
