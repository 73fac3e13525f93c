import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import type { Handle } from '@/platform/db/client';
import type { Role } from '@/platform/roles';

export type PersonRow = {
  id: string;
  name: string;
  email: string;
  role: string | null;
  banned: boolean | null;
  mustChangePassword: boolean;
};

const COLUMNS = ['id', 'name', 'email', 'role', 'banned', 'mustChangePassword'] as const;

export const countPeople = async (db: Handle): Promise<number> =>
  Number(
    (
      await db
        .selectFrom('user')
        .select((e) => e.fn.countAll().as('n'))
        .executeTakeFirstOrThrow()
    ).n,
  );

export const listPeople = (db: Handle): Promise<PersonRow[]> =>
  db.withoutPlugins().selectFrom('user').select(COLUMNS).orderBy('name').execute();

/** People who work here and may sign in: who stands in rosters and on duty lists. */
export const listWorkers = (db: Handle): Promise<{ id: string; name: string }[]> =>
  db
    .withoutPlugins()
    .selectFrom('user')
    .select(['id', 'name'])
    .where('role', '<>', 'reader')
    .where((e) => e.or([e('banned', '=', false), e('banned', 'is', null)]))
    .orderBy('name')
    .execute();

export const findPerson = (db: Handle, id: string): Promise<PersonRow | undefined> =>
  db.withoutPlugins().selectFrom('user').select(COLUMNS).where('id', '=', id).executeTakeFirst();

/** Release leads who can sign in, but for one person. */
export const otherLeads = async (db: Handle, id: string): Promise<number> =>
  (
    await db
      .withoutPlugins()
      .selectFrom('user')
      .select('id')
      .where('role', '=', 'release_lead')
      .where('id', '<>', id)
      .where((e) => e.or([e('banned', '=', false), e('banned', 'is', null)]))
      .execute()
  ).length;

/** Adds a person with the hash of a password. @returns null where the e-mail has an account already */
export async function insertPerson(
  db: Handle,
  person: { name: string; email: string; role: Role },
  passwordHash: string,
): Promise<string | null> {
  const id = randomUUID();
  const email = person.email.toLowerCase();
  const { rows } = await sql<{ id: string }>`
    insert into "user" ("id", "name", "email", "emailVerified", "role", "banned")
    values (${id}, ${person.name}, ${email}, false, ${person.role}, false)
    on conflict ("email") do nothing returning "id"`.execute(db);
  if (!rows[0]) return null;
  await sql`
    insert into "account" ("id", "accountId", "providerId", "userId", "password")
    values (${randomUUID()}, ${id}, 'credential', ${id}, ${passwordHash})`.execute(db);
  return id;
}

export const updatePerson = async (
  db: Handle,
  { id, ...change }: { id: string; name: string; role: Role; banned: boolean },
): Promise<void> => {
  await db.withoutPlugins().updateTable('user').set(change).where('id', '=', id).execute();
};

/** Sets a password, and whether it must be changed at the next sign-in. */
export async function setPassword(
  db: Handle,
  personId: string,
  passwordHash: string,
  mustChange: boolean,
): Promise<void> {
  await sql`
    update "account" set "password" = ${passwordHash}, "updatedAt" = now()
    where "userId" = ${personId} and "providerId" = 'credential'`.execute(db);
  await db
    .withoutPlugins()
    .updateTable('user')
    .set({ mustChangePassword: mustChange })
    .where('id', '=', personId)
    .execute();
}

export const passwordHashOf = async (db: Handle, personId: string): Promise<string | null> =>
  (
    await sql<{ password: string | null }>`
      select "password" from "account"
      where "userId" = ${personId} and "providerId" = 'credential'`.execute(db)
  ).rows[0]?.password ?? null;

/** Ends a person's sessions, all or all but one. */
export async function endSessions(db: Handle, personId: string, but?: string): Promise<void> {
  await sql`
    delete from "session" where "userId" = ${personId} and "token" is distinct from ${but ?? null}`.execute(
    db,
  );
}
