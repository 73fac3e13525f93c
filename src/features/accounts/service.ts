import type { auth } from '@/platform/auth';
import type { Handle } from '@/platform/db/client';
import type { PersonInput } from './contract';

type Auth = ReturnType<typeof auth>;

/** Adds a person with a role. The library hashes the password and refuses a known e-mail. */
export async function addPerson(using: Auth, input: PersonInput): Promise<{ id: string }> {
  const { name, email, password, role } = input;
  const { user } = await using.api.createUser({ body: { name, email, password, role } });
  return { id: user.id };
}

export const countPeople = async (db: Handle) =>
  Number(
    (
      await db
        .selectFrom('user')
        .select((e) => e.fn.countAll().as('n'))
        .executeTakeFirstOrThrow()
    ).n,
  );

export const listPeople = (db: Handle) =>
  db
    .withoutPlugins()
    .selectFrom('user')
    .select(['id', 'name', 'email', 'role', 'banned'])
    .orderBy('name')
    .execute();
