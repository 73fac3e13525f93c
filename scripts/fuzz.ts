import { spawn } from 'node:child_process';
import { fuzz, type Caller } from './lib/fuzz';
import { appCommand } from './lib/app';
import { buildIfNeeded } from './lib/build';
import { ROOT } from './lib/paths';
import { freePort } from './lib/ports';
import { startPostgres } from './lib/postgres';
import { readyLedger, sessionSecret } from './lib/secret';
import { openSite } from './lib/site-database';
import { waitFor } from './lib/supervisor';
import { signInDemo } from './lib/sign-in';
import { emptyDatabase, loadDemo } from './demo/load';
import { DEMO_PEOPLE } from './demo/site';
import { seedRules } from '../src/features/settings/service';

/** `./kettle fuzz 20000 [seed]`: malformed requests against a demo of its own, signed in with each role. */
export async function runFuzz(count: number, seed: number): Promise<void> {
  const server = await startPostgres('pg-fuzz');
  await emptyDatabase(server.url);
  readyLedger('nothing kept');
  const { url, db } = await openSite(server.url);
  await seedRules(db);
  const devices = await loadDemo(db, Date.now() / 1000);
  await db.destroy();
  buildIfNeeded();
  const port = await freePort(3960);
  const base = `http://127.0.0.1:${port}`;
  const { command, args } = appCommand(port);
  const env = {
    ...process.env,
    DATABASE_URL: url,
    BETTER_AUTH_SECRET: sessionSecret(),
    JOLLY_WATCH_MS: '3600000',
    NODE_ENV: 'production' as const,
  };
  const app = spawn(command, args, { cwd: ROOT, env, stdio: 'ignore' });
  try {
    await waitFor(`${base}/api/health`);
    const callers: Caller[] = [
      { name: 'nobody', headers: {} },
      { name: 'device', headers: { authorization: `Bearer ${devices[0]!.token}` } },
    ];
    for (const { email, role } of DEMO_PEOPLE)
      callers.push({
        name: role,
        headers: { cookie: await signInDemo(base, email), origin: base },
      });
    const begun = performance.now();
    const result = await fuzz(base, callers, count, seed);
    const seconds = ((performance.now() - begun) / 1000).toFixed(0);
    console.log(`${result.sent} requests in ${seconds} s, by status:`, result.byStatus);
    for (const f of result.failed) console.log(`FAILED ${f}`);
    console.log(`${result.failed.length} failed`);
    process.exitCode = result.failed.length === 0 ? 0 : 1;
  } finally {
    app.kill('SIGTERM');
    if (!server.wasRunning) server.stop();
  }
}
