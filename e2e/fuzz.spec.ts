import { expect, test } from './support/test';
import pg from 'pg';
import { signIn } from './support/people';
import { deviceTokens } from './support/site';
import { fuzz, type Caller } from '../scripts/lib/fuzz';
import { runs } from '../src/core/testing/thorough';

const REQUESTS = runs(6000);

const WATCHED = [
  'entry',
  'reading',
  'recipe_version',
  'program_version',
  'lot',
  'lot_move',
  'ingredient',
  'batch',
  '"user"',
  'house',
  'device',
  'scale',
  'calibration',
  'rule',
];

/** How many rows every table holds. */
async function counts(url: string): Promise<Record<string, number>> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const out: Record<string, number> = {};
  for (const table of WATCHED)
    out[table] = Number((await client.query(`select count(*) as n from ${table}`)).rows[0].n);
  await client.end();
  return out;
}

test.use({ processes: 'one', appEnv: { JOLLY_WATCH_MS: '3600000' } });

test('malformed requests, signed in with each role: no failure, nothing stored', async ({
  browser,
  site: { base, databaseUrl },
}) => {
  test.setTimeout(1_200_000);
  const callers: Caller[] = [
    { name: 'nobody', headers: {} },
    { name: 'device', headers: { authorization: `Bearer ${deviceTokens()[0]}` } },
  ];
  for (const who of ['pia', 'ines', 'tomas', 'maud'] as const) {
    const context = await browser.newContext();
    const page = await context.newPage();
    await signIn(page, who);
    await page.close();
    const cookie = (await context.cookies()).map((c) => `${c.name}=${c.value}`).join('; ');
    callers.push({ name: who, headers: { cookie, origin: base } });
  }
  const before = await counts(databaseUrl);
  const result = await fuzz(base, callers, REQUESTS, 11);
  expect(result.failed).toEqual([]);
  expect(result.sent).toBe(REQUESTS);
  expect(await counts(databaseUrl)).toEqual(before);
  expect((await fetch(`${base}/api/health`)).ok).toBe(true);
});
