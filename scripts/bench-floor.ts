import { makeDb, makePool } from '../src/platform/db/client';
import { loadDemo } from './demo/load';
import { DEMO_PEOPLE } from './demo/site';
import { withApp } from './lib/bench-app';
import { signInDemo } from './lib/sign-in';

export type Script = { url: string; body: Buffer };

/** The scripts of the Floor page of a demo in this database, as a signed-in person's browser would ask for them. */
export async function floorScripts(url: string): Promise<Script[]> {
  const pool = makePool(url, 4);
  const db = makeDb(pool);
  await db.deleteFrom('device').execute();
  await loadDemo(db, Date.now() / 1000);
  await db.destroy();
  return withApp(url, async (base) => {
    const cookie = await signInDemo(base, DEMO_PEOPLE[0]!.email);
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
