import { expect, type Page } from '@playwright/test';

export type Who = 'ines' | 'tomas' | 'maud' | 'pia';
export const PASSWORD = 'alder-and-salt';

export async function signIn(page: Page, who: Who): Promise<void> {
  await page.goto('/sign-in');
  await page.getByLabel('E-mail').fill(`${who}@alderhollow.example`);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'Floor' })).toBeVisible();
}

/** Opens the first batch on the Floor whose card holds the text, at one of its tabs. */
export async function openBatch(page: Page, text: string, tab = ''): Promise<string> {
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
