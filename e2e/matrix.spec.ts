import { expect, test, type APIRequestContext, type Browser } from './support/test';
import { PASSWORD, openBatch, signIn } from './support/people';
import { deviceTokens } from './support/site';
import { openApiDocument } from '../src/features/readings/openapi';
import { WHO_MAY, everyDoor, type Identity } from './support/who-may';

test.use({ processes: 'one' });

const ACCOUNTS: Partial<Record<Identity, 'pia' | 'ines' | 'tomas' | 'maud'>> = {
  reader: 'pia',
  operator: 'ines',
  formulator: 'tomas',
  lead: 'maud',
};

test('every page and route says who may', () =>
  expect(Object.keys(WHO_MAY).sort()).toEqual(everyDoor()));

test('the OpenAPI document has every route that needs no account', () => {
  const NOT_OURS = ['/api/auth/[...all]', '/sw.js'];
  const open = Object.entries(WHO_MAY)
    .filter(([, who]) => who.includes('nobody') || who.includes('device'))
    .map(([door]) => door.split(' ') as [string, string])
    .filter(([method, route]) => method !== 'page' && !NOT_OURS.includes(route))
    .map(([method, route]) => `${method} ${route.replace('[token]', '{token}')}`);
  const told = Object.entries(openApiDocument().paths).flatMap(([path, ways]) =>
    Object.keys(ways).map((method) => `${method.toUpperCase()} ${path}`),
  );
  expect(told.sort()).toEqual([...open, 'POST /api/v1/shown'].sort());
});

async function contextOf(browser: Browser, identity: Identity): Promise<APIRequestContext> {
  const account = ACCOUNTS[identity];
  const token = deviceTokens()[0]!;
  const context = await browser.newContext({
    ...(identity === 'device' ? { extraHTTPHeaders: { authorization: `Bearer ${token}` } } : {}),
  });
  if (account) {
    const page = await context.newPage();
    await signIn(page, account);
    await page.close();
  }
  return context.request;
}

/** Real ids for the addresses that have one. */
async function idsOf(browser: Browser): Promise<Record<string, string>> {
  const page = await (await browser.newContext()).newPage();
  await signIn(page, 'maud');
  const batch = (await openBatch(page, 'In Big house')).split('/').at(-1)!;
  const idIn = async (at: string, start: string) => {
    await page.goto(at);
    const href = await page
      .locator(`main a[href^="${start}"]`)
      .evaluateAll(
        (as, from) =>
          as
            .map((a) => a.getAttribute('href')!)
            .find((h) => /[0-9a-f]{8}-/.test(h.slice(from.length))),
        start,
      );
    return href!.slice(start.length).split(/[/?]/)[0]!;
  };
  return {
    '/batches/[id]': batch,
    '/recipes/[id]': await idIn('/recipes', '/recipes/'),
    '/stores/[id]': await idIn('/stores', '/stores/'),
    '/bench/programs/[id]': await idIn('/bench/programs', '/bench/programs/'),
    '/house/[id]': 'big',
  };
}

for (const identity of ['nobody', 'reader', 'operator', 'formulator', 'lead', 'device'] as const)
  test(`who may what: ${identity}`, async ({ browser }) => {
    test.setTimeout(600_000);
    const ids = await idsOf(browser);
    const request = await contextOf(browser, identity);
    const wrong: string[] = [];
    for (const [door, who] of Object.entries(WHO_MAY)) {
      const [method, route] = door.split(' ') as [string, string];
      const at = Object.entries(ids)
        .reduce((r, [pattern, id]) => r.replace(pattern, pattern.replace('[id]', id)), route)
        .replace('[...all]', 'sign-in/email');
      const query = route.endsWith('/sheet')
        ? '?by=meat&amount=20'
        : route.endsWith('/record')
          ? '?as=json'
          : route.endsWith('/run')
            ? '?as=csv'
            : '';
      if (door === 'GET /api/v1/events' && who.includes(identity)) continue;
      const answer =
        method === 'POST'
          ? await request.post(at, { data: {}, maxRedirects: 0 })
          : await request.get(at + query, { maxRedirects: 0 });
      const status = answer.status();
      const sentAway =
        status >= 300 &&
        status < 400 &&
        /sign-in|not-allowed/.test(answer.headers().location ?? '');
      const refused = status === 401 || status === 403 || sentAway;
      if (status >= 500 || refused === who.includes(identity)) wrong.push(`${door}: ${status}`);
    }
    expect(wrong).toEqual([]);
  });

test('a one-time password opens the account page and nothing else, until it is changed', async ({
  browser,
}) => {
  const lead = await (await browser.newContext()).newPage();
  await signIn(lead, 'maud');
  await lead.goto('/settings/people');
  await lead.getByLabel('Name', { exact: true }).last().fill('Ruth Vale');
  await lead.getByLabel('E-mail').fill('ruth@alderhollow.example');
  await lead.getByLabel('First password, at least 10 characters').fill(PASSWORD);
  await lead.getByRole('button', { name: 'Add this person' }).click();
  await expect(lead.getByText('Added.')).toBeVisible();
  await lead.reload();
  await lead.getByText('Ruth Vale has lost the password').click();
  await lead.getByRole('button', { name: 'New password for Ruth Vale' }).click();
  const said = await lead.getByText(/for one sign-in: /).innerText();
  const once = /sign-in: ([a-z2-9-]+)\./.exec(said)![1]!;

  const page = await (await browser.newContext()).newPage();
  await page.goto('/sign-in');
  await page.getByLabel('E-mail').fill('ruth@alderhollow.example');
  await page.getByLabel('Password').fill(once);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'Your account' })).toBeVisible();
  await page.goto('/recipes');
  await expect(page).toHaveURL(/account/);
  expect((await page.request.get('/api/v1/events')).status()).toBe(403);
  await page.getByLabel('Password until now').fill(once);
  await page.getByLabel('New password').fill('password123');
  await page.getByRole('button', { name: 'Change it' }).click();
  await expect(page.getByText('among the first that anybody would try')).toBeVisible();
  await page.getByLabel('New password').fill('nine-tin-whistles');
  await page.getByRole('button', { name: 'Change it' }).click();
  await expect(page.getByRole('heading', { name: 'Floor' })).toBeVisible();

  await lead.reload();
  const row = lead.getByRole('listitem').filter({ hasText: 'ruth@alderhollow.example' });
  await row.getByLabel('Account').selectOption('off');
  await row.getByRole('button', { name: 'Save' }).click();
  await expect(row.getByText('Saved.')).toBeVisible();
  await expect(page).toHaveURL(/sign-in/);
});
