import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import pg from 'pg';
import { seedRules } from '@/features/settings/service';
import { saveSite } from '@/features/settings/repository';
import { addHouse } from '@/features/settings/service';
import { decideVersion, saveRecipe } from '@/features/recipes/service';
import { makeDb, makePool, type Db } from '@/platform/db/client';
import { migrateToLatest } from '@/platform/db/migrate';
import { loadDemo, type DemoDevice } from '../../scripts/demo/load';
import { DEMO_RECIPES } from '../../scripts/demo/recipes';

export type TestDb = { db: Db; url: string; versionId: string; drop: () => Promise<void> };

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

/** A fresh database with the schema, the rules, a site, a house with two channels and one recipe. */
export async function freshDatabase(): Promise<TestDb> {
  const name = `jolly_it_${randomUUID().slice(0, 8)}`;
  const server = process.env.DATABASE_URL!;
  await admin(server, (n) => `create database ${n}`, name);
  const url = server.replace(/\/[^/]*$/, `/${name}`);
  const db = makeDb(makePool(url, 5));
  await migrateToLatest(db);
  await seedRules(db);
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
  const drop = async () => {
    await db.destroy();
    await admin(server, (n) => `drop database ${n} with (force)`, name);
  };
  return { db, url, versionId: saved.data.versionId, drop };
}

/** The demo in a database of its own, with its simulated houses. */
export async function demoDatabase(): Promise<{
  demo: Db;
  url: string;
  devices: DemoDevice[];
  drop: () => Promise<void>;
}> {
  const t = await freshDatabase();
  await sql`drop schema public cascade`.execute(t.db);
  await sql`create schema public`.execute(t.db);
  const pool = makePool(t.url, 4);
  const demo = makeDb(pool);
  await migrateToLatest(demo);
  await seedRules(demo);
  const devices = await loadDemo(demo, Date.now() / 1000);
  const drop = async () => {
    await demo.destroy();
    await t.drop();
  };
  return { demo, url: t.url, devices, drop };
}
