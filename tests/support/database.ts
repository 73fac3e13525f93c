import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import pg from 'pg';
import { seedRules, addHouse } from '@/features/settings/service';
import { saveSite } from '@/features/settings/repository';
import { decideVersion, saveRecipe } from '@/features/recipes/service';
import { makePlainDb, makePool, type Db } from '@/platform/db/client';
import { loadDemo, type DemoDevice } from '../../scripts/demo/load';
import { DEMO_RECIPES } from '../../scripts/demo/recipes';
import { openSite } from '../../scripts/lib/site-database';

/** Two handles: as the application signs in, and as the owner of the tables, who can do what the application can't. */
type Site = { db: Db; url: string; owner: Db; ownerUrl: string; drop: () => Promise<void> };
export type TestDb = Site & { versionId: string };

async function admin(server: string, sql: (name: string) => string, name: string): Promise<void> {
  const client = new pg.Client({ connectionString: server });
  await client.connect();
  await client.query(sql(client.escapeIdentifier(name)));
  await client.end();
}

export async function approve(db: Db, versionId: string): Promise<void> {
  const answer = await decideVersion(
    db,
    { versionId, status: 'approved', reason: 'for tests' },
    'Test',
  );
  if (!answer.ok) throw new Error(answer.code);
}

/** A database with the schema and the rules. */
async function emptySite(): Promise<Site> {
  const name = `jolly_it_${randomUUID().slice(0, 8)}`;
  const server = process.env.DATABASE_URL!;
  await admin(server, (n) => `create database ${n}`, name);
  const ownerUrl = server.replace(/\/[^/]*$/, `/${name}`);
  const { url, db } = await openSite(ownerUrl);
  const owner = makePlainDb(makePool(ownerUrl, 3));
  await seedRules(db);
  await db
    .insertInto('scale')
    .values({ id: 's', name: 'Test scale', capacityG: 60_000, resolutionG: 0.1 })
    .execute();
  const drop = async () => {
    await db.destroy();
    await owner.destroy();
    await admin(server, (n) => `drop database ${n} with (force)`, name);
  };
  return { db, url, owner, ownerUrl, drop };
}

/** A fresh database with a site, a house with two channels and one recipe. */
export async function freshDatabase(): Promise<TestDb> {
  const site = await emptySite();
  const { db } = site;
  const day = { from: '06:00', to: '18:00' };
  await saveSite(db, {
    name: 'Test',
    timeZone: 'America/Chicago',
    locale: 'en-US',
    unitSystem: 'metric',
    workingHours: { 1: day, 2: day, 3: day, 4: day, 5: day, 6: null, 7: null },
  });
  await addHouse(db, {
    id: 'house',
    name: 'House',
    channels: [
      { key: 'core-1', name: 'Core 1', what: 'core' },
      { key: 'air', name: 'Air', what: 'air' },
    ],
  });
  const saved = await saveRecipe(
    db,
    { basedOn: 0, reason: 'first', content: DEMO_RECIPES[0]! },
    'Test',
  );
  if (!saved.ok) throw new Error(saved.code);
  await approve(db, saved.data.versionId);
  return { ...site, versionId: saved.data.versionId };
}

/** The demo in a database of its own, with its simulated houses. */
export async function demoDatabase(
  nowS = Date.now() / 1000,
): Promise<Omit<Site, 'db'> & { demo: Db; devices: DemoDevice[] }> {
  const { db: demo, ...site } = await emptySite();
  return { ...site, demo, devices: await loadDemo(demo, nowS) };
}

/** No entry of this kind can be recorded until it is mended: what else was to be done with it? @returns how to mend it */
export async function breakEntries(owner: Db, kind: string): Promise<() => Promise<void>> {
  await sql`create function broken() returns trigger language plpgsql as $$
    begin raise exception 'broken on purpose'; end $$`.execute(owner);
  await sql`create trigger broken before insert on entry for each row when (new.kind = ${sql.lit(kind)})
    execute function broken()`.execute(owner);
  return async () => void (await sql`drop function broken cascade`.execute(owner));
}
