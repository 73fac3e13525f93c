import { expect, test } from './support/test';
import pg from 'pg';
import { App } from './support/app';
import { prepare } from './support/database';
import { signIn } from './support/people';
import { fuzz, type Caller } from '../scripts/lib/fuzz';

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

test('3,000 malformed requests, signed in with each role: no failure, nothing stored', async ({
  browser,
}) => {
  test.setTimeout(300_000);
  const { url, tokens } = prepare('jolly_fuzz', 'demo');
  const app = new App(url, 3250, { JOLLY_WATCH_MS: '3600000' });
  await app.start();
  try {
    const callers: Caller[] = [
      { name: 'nobody', headers: {} },
      { name: 'device', headers: { authorization: `Bearer ${tokens[0]}` } },
    ];
    for (const who of ['pia', 'ines', 'tomas', 'maud'] as const) {
      const context = await browser.newContext({ baseURL: app.base });
      await signIn(await context.newPage(), who);
      const cookie = (await context.cookies()).map((c) => `${c.name}=${c.value}`).join('; ');
      callers.push({ name: who, headers: { cookie, origin: app.base } });
    }
    const before = await counts(url);
    const result = await fuzz(app.base, callers, 3000, 11);
    expect(result.failed).toEqual([]);
    expect(result.sent).toBe(3000);
    expect(await counts(url)).toEqual(before);
    expect((await fetch(`${app.base}/api/health`)).ok).toBe(true);
  } finally {
    await app.kill('SIGTERM');
  }
});
