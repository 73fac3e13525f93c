import { randomUUID } from 'node:crypto';
import { Migrator, sql } from 'kysely';
import pg from 'pg';
import { approvedVersions, latestVersions } from '@/features/recipes/repository';
import { seedRules } from '@/features/settings/service';
import { currentRules } from '@/features/settings/repository';
import { RULE_KINDS } from '@/core';
import { makePlainDb, makePool, type Db } from '@/platform/db/client';
import { migrateToLatest } from '@/platform/db/migrate';
import * as foundations from '@/platform/db/migrations/0001-foundations';
import { hashOf } from '@/platform/hash';
import { DEMO_RECIPES } from '../../scripts/demo/recipes';

const name = `jolly_up_${randomUUID().slice(0, 8)}`;
const url = process.env.DATABASE_URL!.replace(/\/[^/]*$/, `/${name}`);
let db: Db;

async function admin(text: string): Promise<void> {
  const client = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await client.connect();
  await client.query(text);
  await client.end();
}

beforeAll(async () => {
  await admin(`create database ${name}`);
  db = makePlainDb(makePool(url, 3));
  const provider = { getMigrations: async () => ({ '0001-foundations': foundations }) };
  const { error } = await new Migrator({ db, provider }).migrateToLatest();
  if (error) throw error;
});
afterAll(async () => {
  await db.destroy();
  await admin(`drop database ${name} with (force)`);
});

test('a site of the first schema goes on: its newest recipes stay in use, its rules gain the new kinds', async () => {
  const recipeId = randomUUID();
  const { meat, totalSaltFraction, cure, casing, program, process } = DEMO_RECIPES[0]!;
  const old = {
    name: 'Old link',
    meat: meat.map(({ id, name: cut, species, share }) => ({ id, name: cut, species, share })),
    totalSaltFraction,
    cure,
    additions: [],
    casing: { name: casing.name, diameterMm: casing.diameterMm },
    program,
    process,
  };
  await db.insertInto('recipe').values({ id: recipeId, name: 'Old link' }).execute();
  for (const number of [1, 2])
    await db
      .insertInto('recipeVersion')
      .values({
        id: randomUUID(),
        recipeId,
        number,
        content: JSON.stringify(old),
        sha256: hashOf(old),
        reason: `version ${number}`,
        createdByName: 'Tomas',
      })
      .execute();
  await db
    .insertInto('house')
    .values({ id: 'h', name: 'House' } as never)
    .execute();

  await migrateToLatest(url);
  await seedRules(db);

  expect((await approvedVersions(db)).map((v) => [v.content.name, v.number])).toEqual([
    ['Old link', 2],
  ]);
  expect((await latestVersions(db))[0]).toMatchObject({ status: 'approved', sha256: hashOf(old) });
  expect(Object.keys(await currentRules(db)).sort()).toEqual([...RULE_KINDS].sort());
  const houses = await sql<{ sticks: number | null }>`select sticks from house`.execute(db);
  expect(houses.rows).toEqual([{ sticks: null }]);
  await migrateToLatest(url);
});
