import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import pg from 'pg';
import { seedRules } from '@/features/settings/service';
import { isTooMighty } from '@/platform/db/rights';
import { openSite } from '../../scripts/lib/site-database';

const tag = randomUUID().slice(0, 8);
const [OWNER, APP, DATABASE] = [`own_${tag}`, `app_${tag}`, `jolly_roles_${tag}`];
const as = (role: string) => {
  const url = new URL(process.env.DATABASE_URL!);
  url.username = role;
  url.password = 'only-for-tests';
  url.pathname = `/${DATABASE}`;
  return url.href;
};

async function admin(statements: string[]): Promise<void> {
  const client = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await client.connect();
  for (const s of statements) await client.query(s);
  await client.end();
}

beforeAll(() =>
  admin([
    `create role ${OWNER} login password 'only-for-tests'`,
    `create role ${APP} login password 'only-for-tests'`,
    `create database ${DATABASE} owner ${OWNER}`,
  ]),
);
afterAll(() =>
  admin([`drop database ${DATABASE} with (force)`, `drop role ${OWNER}`, `drop role ${APP}`]),
);

test('an owner that may make no roles serves the application too, and that is found too mighty', async () => {
  const { url, db } = await openSite(as(OWNER));
  expect(url).toBe(as(OWNER));
  await seedRules(db);
  expect(await isTooMighty(db)).toBe(true);
  await db.destroy();
});

test('a role that a person made for the application gets its rights, and no more', async () => {
  const { url, db } = await openSite(as(OWNER), as(APP));
  expect(url).toBe(as(APP));
  expect(await isTooMighty(db)).toBe(false);
  await sql`insert into scale values ('x', 'X', 100, 1)`.execute(db);
  for (const statement of [`update rule set title = 'x'`, `delete from ledger`, `drop table scale`])
    await expect(sql.raw(statement).execute(db)).rejects.toThrow(/permission denied|must be owner/);
  await db.destroy();
});
