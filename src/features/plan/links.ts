import { randomBytes, randomUUID } from 'node:crypto';
import type { Handle } from '@/platform/db/client';
import { toEpochS } from '@/platform/clock';
import { sha256 } from '@/platform/hash';

export type CalendarLink = { id: string; personId: string | null; madeS: number; by: string };

/** Links that calendars read the plan by, without their tokens. */
export async function listLinks(db: Handle): Promise<CalendarLink[]> {
  const rows = await db
    .selectFrom('calendarLink')
    .select(['id', 'personId', 'madeAt', 'madeByName'])
    .where('revokedAt', 'is', null)
    .orderBy('madeAt')
    .execute();
  return rows.map(({ id, personId, madeAt, madeByName }) => ({
    id,
    personId,
    madeS: toEpochS(madeAt),
    by: madeByName,
  }));
}

/** Makes a link and returns its token, which is shown once and stored only as a hash. */
export async function makeLink(db: Handle, personId: string | null, by: string): Promise<string> {
  const token = `jc_${randomBytes(32).toString('base64url')}`;
  await db
    .insertInto('calendarLink')
    .values({
      id: randomUUID(),
      personId,
      tokenSha256: sha256(token),
      madeByName: by,
      revokedAt: null,
    })
    .execute();
  return token;
}

export const revokeLink = (db: Handle, id: string) =>
  db
    .updateTable('calendarLink')
    .set({ revokedAt: new Date() })
    .where('id', '=', id)
    .where('revokedAt', 'is', null)
    .execute();

/** Whose plan a token opens; undefined where it opens none. */
export async function linkOf(
  db: Handle,
  token: string,
): Promise<{ personId: string | null } | undefined> {
  return db
    .selectFrom('calendarLink')
    .select('personId')
    .where('tokenSha256', '=', sha256(token))
    .where('revokedAt', 'is', null)
    .executeTakeFirst();
}
