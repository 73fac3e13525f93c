import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { addHouse } from '@/features/settings/service';
import { saveSite } from '@/features/settings/repository';
import { decideVersion, saveRecipe } from '@/features/recipes/service';
import { makeDb, makePlainDb, makePool, type Db } from '@/platform/db/client';
import { loadDemo, type DemoDevice } from '../../scripts/demo/load';
import { DEMO_RECIPES } from '../../scripts/demo/recipes';
import { copyOf, templates, type Filling } from './templates';

/** Two handles: as the application signs in, and as the owner of the tables, who can do what the application can't. */
type Site = { db: Db; url: string; owner: Db; ownerUrl: string; drop: () => Promise<void> };
export type TestDb = Site & { versionId: string };

export async function approve(db: Db, versionId: string): Promise<void> {
  const answer = await decideVersion(
    db,
    { versionId, status: 'approved', reason: 'for tests' },
    'Test',
  );
  if (!answer.ok) throw new Error(answer.code);
}

/** A database of a test file, copied from a template, with a scale. */
async function openCopy(filling: Filling): Promise<Site> {
  const copy = await copyOf(filling, `jolly_it_${randomUUID().slice(0, 8)}`);
  const db = makeDb(makePool(copy.url, 5));
  const owner = makePlainDb(makePool(copy.ownerUrl, 3));
  await db
    .insertInto('scale')
    .values({ id: 's', name: 'Test scale', capacityG: 60_000, resolutionG: 0.1 })
    .execute();
  const drop = async () => {
    await db.destroy();
    await owner.destroy();
    await copy.drop();
  };
  return { ...copy, db, owner, drop };
}

/** A fresh database with a site, a house with two channels and one recipe. */
export async function freshDatabase(): Promise<TestDb> {
  const site = await openCopy('empty');
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

/** The demo in a database of its own, with its simulated houses; as of another moment it is loaded anew. */
export async function demoDatabase(
  asOfS?: number,
): Promise<Omit<Site, 'db'> & { demo: Db; devices: DemoDevice[] }> {
  const { db: demo, ...site } = await openCopy(asOfS === undefined ? 'demo' : 'empty');
  const devices = asOfS === undefined ? templates().devices : await loadDemo(demo, asOfS);
  return { ...site, demo, devices };
}

/** No entry of this kind can be recorded until it is mended: what else was to be done with it? @returns how to mend it */
export async function breakEntries(owner: Db, kind: string): Promise<() => Promise<void>> {
  await sql`create function broken() returns trigger language plpgsql as $$
    begin raise exception 'broken on purpose'; end $$`.execute(owner);
  await sql`create trigger broken before insert on entry for each row when (new.kind = ${sql.lit(kind)})
    execute function broken()`.execute(owner);
  return async () => void (await sql`drop function broken cascade`.execute(owner));
}
