import { randomUUID } from 'node:crypto';
import { expect, type Page } from './test';
import { PASSWORD, signIn, type Who } from './people';
import { HOUR, local, loggerFile } from './logger';

type Body = Record<string, unknown> & { kind: string };

/** Saves the recipe that is being written, and approves it. @returns its page */
export async function saveAndApprove(page: Page): Promise<void> {
  await page.getByLabel('What changed, and why').fill('for this job');
  await page.getByRole('button', { name: /Save as version/ }).click();
  await expect(page).toHaveURL(/\/recipes\/[0-9a-f-]{36}$/);
  await page.getByLabel('Why it is approved').fill('tried, tasted, within the rules');
  await page.getByRole('button', { name: 'Approve this version' }).click();
  await expect(page.getByText(/Approved by/)).toBeVisible();
  await expect(page.getByRole('link', { name: 'Start a batch' })).toBeVisible();
}

/** Starts a batch of 20 kg that began some hours ago. @returns its id and when it began, ms */
export async function startJob(page: Page, recipe: string, agoH: number) {
  let began = Math.floor((Date.now() - agoH * HOUR) / 60_000) * 60_000;
  /* In the hour that comes twice in autumn its clock time says nothing for sure. */
  if ([began - HOUR, began + HOUR].some((t) => local(t) === local(began))) began -= 2 * HOUR;
  await page.goto('/batches/new');
  await page.getByLabel('Recipe').selectOption({ label: `${recipe}, version 1` });
  await page.getByLabel('Meat on the bench today').fill('20');
  await page.getByText('The batch began earlier').click();
  await page.getByLabel('Began at').fill(local(began));
  await page.getByLabel(/Ready by/).fill(local(Date.now() + 60 * HOUR).slice(0, 16));
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await expect(page.getByRole('heading', { name: 'Weigh the meat' })).toBeVisible();
  return { id: new URL(page.url()).pathname.split('/')[2]!, began };
}

/** Posts what was done, as the person who is signed in, by hours since the batch began. */
export async function tell(
  page: Page,
  ref: string,
  began: number,
  lines: [hours: number, body: Body, id?: string][],
): Promise<void> {
  for (const [h, body, id = randomUUID()] of lines) {
    const answer = await page.request.post(`/api/v1/batches/${ref}/entries`, {
      headers: { origin: new URL(page.url()).origin },
      data: { id, happenedAt: new Date(began + h * HOUR).toISOString(), body, confirmed: true },
    });
    expect([body.kind, await answer.json()]).toEqual([
      body.kind,
      expect.objectContaining({ ok: true }),
    ]);
  }
}

export const weighed = (lineId: string, amountG: number): Body => ({
  kind: 'weighed',
  lineId,
  amountG,
  targetG: amountG,
  scaleId: amountG < 1000 ? 'spice' : 'bench',
  scaleResolutionG: amountG < 1000 ? 0.1 : 5,
  ...(lineId === 'cure' ? { nitriteFraction: 0.0625 } : {}),
});

/** What a new recipe starts from, weighed for 20 kg and held overnight; somebody else looked at the cure. */
export async function made(page: Page, second: Page, id: string, began: number): Promise<void> {
  const cure = randomUUID();
  await tell(page, id, began, [
    [0.1, weighed('m-1', 20_000)],
    [0.2, weighed('cure', 41.6), cure],
  ]);
  await signIn(second, 'tomas');
  await tell(second, id, began, [[0.3, { kind: 'cure_checked', weighedId: cure, readingG: 41.6 }]]);
  await tell(page, id, began, [
    [0.4, weighed('salt', 321)],
    [0.5, weighed('a-1', 60)],
    [1, { kind: 'cure_hold_started', coolerC: 2 }],
    [14, { kind: 'cure_hold_ended', coolerC: 3 }],
  ]);
}

/** Brings a logger's file to the batch whose house page is open. */
export async function importFile(page: Page, startMs: number, logger: string): Promise<void> {
  await page.getByLabel('CSV file of a temperature logger').setInputFiles({
    name: `${logger}.csv`,
    mimeType: 'text/csv',
    buffer: Buffer.from(loggerFile(startMs, logger)),
  });
  await page.getByLabel('What House °F measured').selectOption('Air of the house');
  await page.getByRole('button', { name: 'Import into this batch' }).click();
  await expect(page.getByText('readings imported')).toBeVisible();
}

/** Another person signs in where somebody is signed in. */
export async function as(page: Page, who: Who): Promise<void> {
  await page.context().clearCookies();
  await signIn(page, who);
}

/** The release lead signs the batch. */
export async function release(page: Page, ref: string): Promise<void> {
  await as(page, 'maud');
  await page.goto(`/batches/${ref}/verdict`);
  await expect(page.getByText('Every check passes')).toBeVisible();
  await page.getByLabel('Your password again').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign and release' }).click();
  await expect(page.getByText('Released.')).toBeVisible();
}
