import { createHmac } from 'node:crypto';
import pg from 'pg';
import { makeDb, makePool, type Db } from '../../src/platform/db/client';
import { migrateToLatest } from '../../src/platform/db/migrate';
import { sha256 } from '../../src/platform/hash';

/** How the application signs in, and as which role when that is not the owner of the tables. */
type Access = { url: string; role?: string };

/**
 * The role of the application on a server: neither superuser nor owner of the tables. Name and password follow from the
 * owner's password, so that every machine that knows the owner finds the same; the way back is closed.
 */
function appRole(owner: URL): { role: string; password: string } | null {
  const secret = decodeURIComponent(owner.password);
  if (secret === '') return null;
  return {
    role: `kettle_${sha256(secret).slice(0, 8)}`,
    password: createHmac('sha256', secret).update('kettle application').digest('base64url'),
  };
}

async function ensureRole(client: pg.Client, role: string, password: string): Promise<boolean> {
  const { rows } = await client.query<{ may: boolean; there: boolean }>(
    `select rolsuper or rolcreaterole as may, exists (select 1 from pg_roles where rolname = $1) as there
     from pg_roles where rolname = current_user`,
    [role],
  );
  const [{ may, there } = { may: false, there: false }] = rows;
  if (!may) return false;
  if (!there)
    await client.query(
      `create role ${client.escapeIdentifier(role)} login nosuperuser password ${client.escapeLiteral(password)}`,
    );
  return true;
}

/** Makes the application's role when the owner may; else the application signs in as the owner, and verify says so. */
async function accessOf(ownerUrl: string): Promise<Access> {
  const owner = new URL(ownerUrl);
  const app = appRole(owner);
  if (!app) return { url: ownerUrl };
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    if (!(await ensureRole(client, app.role, app.password))) return { url: ownerUrl };
  } finally {
    await client.end();
  }
  owner.username = app.role;
  owner.password = app.password;
  return { url: owner.href, role: app.role };
}

/**
 * A database that is ready for the application: schema up to date, rights given.
 * @param ownerUrl the database as the owner of its tables
 * @param appUrl the database as the application signs in, when a person has made that role
 * @returns how the application signs in, and a handle on that
 */
export async function openSite(
  ownerUrl: string,
  appUrl?: string,
): Promise<{ url: string; db: Db }> {
  const access = appUrl
    ? { url: appUrl, role: decodeURIComponent(new URL(appUrl).username) }
    : await accessOf(ownerUrl);
  await migrateToLatest(ownerUrl, access.role);
  return { url: access.url, db: makeDb(makePool(access.url, 5)) };
}
