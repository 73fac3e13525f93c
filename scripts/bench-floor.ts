import { makeDb, makePool } from '../src/platform/db/client';
import { loadDemo, DEMO_PASSWORD, DEMO_PEOPLE } from './demo/load';
import { withApp } from './lib/bench-app';

export type Script = { url: string; body: Buffer };

/** The scripts of the Floor page of a demo in this database, as a signed-in person's browser would ask for them. */
export async function floorScripts(url: string): Promise<Script[]> {
  const pool = makePool(url, 4);
  const db = makeDb(pool);
  await db.deleteFrom('device').execute();
  await loadDemo(db, Date.now() / 1000);
  await db.destroy();
  return withApp(url, async (base) => {
    const signIn = await fetch(`${base}/api/auth/sign-in/email`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: base },
      body: JSON.stringify({ email: DEMO_PEOPLE[0]!.email, password: DEMO_PASSWORD }),
    });
    const cookie = signIn.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; ');
    const html = await (await fetch(`${base}/`, { headers: { cookie } })).text();
    if (!html.includes('Floor')) throw new Error('bench: the Floor page did not open');
    const paths = [
      ...new Set([...html.matchAll(/<script[^>]+src="([^"]+\.js[^"]*)"/g)].map((m) => m[1]!)),
    ];
    return await Promise.all(
      paths.map(async (p) => ({
        url: p,
        body: Buffer.from(await (await fetch(`${base}${p}`)).arrayBuffer()),
      })),
    );
  });
}
