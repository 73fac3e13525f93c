import { expect, test, type Page } from './support/test';
import { signIn } from './support/people';
import { SCREENS } from './support/screens';

/** Notes whatever a page tried to run that it may not. */
async function watch(page: Page): Promise<string[]> {
  const blocked: string[] = [];
  await page.exposeFunction('noteBlocked', (what: string) => blocked.push(what));
  await page.addInitScript(() =>
    document.addEventListener('securitypolicyviolation', (e) =>
      (window as unknown as { noteBlocked: (w: string) => void }).noteBlocked(
        `${e.effectiveDirective} ${e.blockedURI} ${e.sample}`,
      ),
    ),
  );
  return blocked;
}

async function hoverCharts(page: Page): Promise<void> {
  for (const chart of await page.locator('.apexcharts-canvas').all()) {
    const box = await chart.boundingBox();
    if (!box) continue;
    for (const share of [0.3, 0.5, 0.6])
      await page.mouse.move(box.x + share * box.width, box.y + box.height / 2);
  }
}

const links = (page: Page, start: string) =>
  page
    .locator(`main a[href^="${start}"]`)
    .evaluateAll((as) => [...new Set(as.map((a) => a.getAttribute('href')!))]);

test.use({ fill: 'hostile', processes: 'one' });

test('names that are scripts are text on every screen, in every chart and its tooltip', async ({
  page,
}) => {
  test.setTimeout(900_000);
  const blocked = await watch(page);
  await signIn(page, 'maud');
  const batches = (await links(page, '/batches/')).filter((h) =>
    /^\/batches\/[0-9a-f-]{36}$/.test(h),
  );
  expect(batches.length).toBeGreaterThan(4);
  await page.goto('/recipes');
  const recipes = await links(page, '/recipes/');
  await page.goto('/stores');
  const stores = await links(page, '/stores/');
  const tabs = batches.flatMap((b) =>
    ['', '/house', '/verdict', '/log', '/after'].map((t) => b + t),
  );
  let charts = 0;
  for (const path of [...SCREENS, ...recipes, ...stores, ...tabs]) {
    await page.goto(path);
    await expect(page.locator('h1, h2').first()).toBeVisible();
    if (/house|after|bench/.test(path)) {
      const drawn = page.locator('.apexcharts-canvas');
      /* The bench draws once it has an answer. */
      if (path === '/bench') await drawn.first().waitFor();
      await expect(drawn).toHaveCount(await page.locator('figure[data-chart]').count());
      charts += await drawn.count();
      await hoverCharts(page);
    }
    expect(await page.evaluate(() => (window as unknown as { hit?: number }).hit)).toBeUndefined();
    expect(await page.locator('img[src="x"]').count()).toBe(0);
  }
  expect(charts).toBeGreaterThan(3);
  expect(blocked).toEqual([]);
});

test('every answer carries its policy, and downloads are not kept', async ({ page }) => {
  await signIn(page, 'maud');
  const answer = (await page.goto('/'))!;
  const policy = answer.headers()['content-security-policy']!;
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic';/);
  for (const part of ["frame-ancestors 'none'", "object-src 'none'", "base-uri 'none'"])
    expect(policy).toContain(part);
  expect(policy).not.toMatch(/script-src[^;]*unsafe/);
  const again = (await page.goto('/'))!.headers()['content-security-policy'];
  expect(again).not.toBe(policy);
  const csv = await page.request.get('/api/v1/recipe.schema.json');
  expect(csv.headers()).toMatchObject({
    'x-content-type-options': 'nosniff',
    'referrer-policy': 'same-origin',
    'cache-control': 'no-store',
  });
});
