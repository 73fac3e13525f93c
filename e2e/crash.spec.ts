import { expect, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import path from 'node:path';
import pg from 'pg';
import { App } from './support/app';
import { prepare } from './support/database';
import { PASSWORD } from './support/people';

const ROOT = path.resolve(import.meta.dirname, '..');
const ownServer = (verb: 'start' | 'kill' | 'stop') =>
  execFileSync('node_modules/.bin/tsx', ['scripts/crash-server.ts', verb], {
    cwd: ROOT,
    encoding: 'utf8',
  }).trim();

type Acknowledged = { readings: string[]; entries: string[] };

/** Streams readings and notes as fast as they are answered, and remembers what was acknowledged. */
function stream(app: App, token: string, cookie: string, batchId: string, startMs: number) {
  const done: Acknowledged = { readings: [], entries: [] };
  let going = true;
  let n = 0;
  const post = (url: string, headers: Record<string, string>, body: unknown) =>
    fetch(`${app.base}${url}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...headers },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(8000),
    })
      .then((r) => (r.ok ? r.json() : null))
      .catch(() => null);
  const loop = async () => {
    while (going) {
      const at = new Date(startMs + n * 1000).toISOString();
      n += 1;
      const id = randomUUID();
      const [reading, entry] = await Promise.all([
        post(
          '/api/v1/readings',
          { authorization: `Bearer ${token}` },
          { readings: [{ channel: 'air', at, tempC: 20 }] },
        ),
        post(
          `/api/v1/batches/${batchId}/entries`,
          { cookie },
          { id, happenedAt: new Date().toISOString(), body: { kind: 'noted', text: `note ${n}` } },
        ),
      ]);
      if (reading && (reading as { ok?: boolean }).ok) done.readings.push(at);
      if (entry && (entry as { ok?: boolean }).ok) done.entries.push(id);
      if (!reading || !entry) await new Promise((resolve) => setTimeout(resolve, 100));
    }
  };
  const running = loop();
  return { done, stop: async () => ((going = false), await running) };
}

test('killed outright, application then database: all that was acknowledged is there', async () => {
  test.setTimeout(240_000);
  const before = process.env.DATABASE_URL;
  process.env.DATABASE_URL = ownServer('start');
  const { url, tokens } = prepare('jolly_crash', 'demo');
  const app = new App(url, 3220);
  try {
    await app.start();
    const signIn = await fetch(`${app.base}/api/auth/sign-in/email`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: app.base },
      body: JSON.stringify({ email: 'ines@alderhollow.example', password: PASSWORD }),
    });
    const cookie = signIn.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; ');
    const client = new pg.Client({ connectionString: url });
    await client.connect();
    const batchId = (
      await client.query(
        'select id from batch where closed_at is null order by started_at desc limit 1',
      )
    ).rows[0].id as string;
    await client.end();
    const { done, stop } = stream(
      app,
      tokens[0]!,
      cookie,
      batchId,
      Date.parse('2026-01-01T00:00:00Z'),
    );
    const until = (count: number) =>
      expect
        .poll(() => Math.min(done.entries.length, done.readings.length), { timeout: 60_000 })
        .toBeGreaterThan(count);
    await until(30);
    await app.kill('SIGKILL');
    await app.start();
    await until(done.entries.length + 20);
    ownServer('kill');
    ownServer('start');
    await app.waitUntilWell();
    await until(done.entries.length + 20);
    await stop();

    const after = new pg.Client({ connectionString: url });
    await after.connect();
    const entries = new Set(
      (await after.query('select id from entry')).rows.map((r: { id: string }) => r.id),
    );
    const readings = new Set(
      (
        await after.query(
          'select r.at from reading r join channel c on c.id = r.channel_id where c.key = $1',
          ['air'],
        )
      ).rows.map((r: { at: Date }) => r.at.toISOString()),
    );
    await after.end();
    expect(done.entries.filter((id) => !entries.has(id))).toEqual([]);
    expect(done.readings.filter((at) => !readings.has(at))).toEqual([]);
    const verified = execFileSync('node_modules/.bin/tsx', ['scripts/main.ts', 'verify'], {
      cwd: ROOT,
      encoding: 'utf8',
      env: { ...process.env, DATABASE_URL: url },
    });
    expect(verified).toContain('nothing has been changed');
  } finally {
    await app.kill('SIGKILL');
    ownServer('stop');
    process.env.DATABASE_URL = before;
  }
});
