import { randomUUID } from 'node:crypto';
import type { Handle } from '@/platform/db/client';
import { sha256 } from '@/platform/hash';
import type { DeviceInput } from './contract';

export type PushDevice = { id: string; endpoint: string; p256dh: string; auth: string };

/** A person has no more devices than this: with one more the oldest goes. */
const MOST = 8;

/** Keeps a device of a person; one that was somebody else's is theirs now. */
export async function keepDevice(db: Handle, personId: string, input: DeviceInput): Promise<void> {
  const row = { personId, ...input.keys };
  await db
    .insertInto('pushDevice')
    .values({ id: randomUUID(), endpoint: input.endpoint, ...row })
    .onConflict((c) => c.column('endpoint').doUpdateSet(row))
    .execute();
  await db
    .deleteFrom('pushDevice')
    .where('personId', '=', personId)
    .where('id', 'not in', (q) =>
      q
        .selectFrom('pushDevice')
        .select('id')
        .where('personId', '=', personId)
        .orderBy('createdAt', 'desc')
        .limit(MOST),
    )
    .execute();
}

/** A device of a person is told nothing more. */
export const dropDevice = (db: Handle, personId: string, endpoint: string) =>
  db
    .deleteFrom('pushDevice')
    .where('personId', '=', personId)
    .where('endpoint', '=', endpoint)
    .execute();

const COLUMNS = ['id', 'endpoint', 'p256dh', 'auth'] as const;

export const devicesOf = (db: Handle, personId: string): Promise<PushDevice[]> =>
  db.selectFrom('pushDevice').select(COLUMNS).where('personId', '=', personId).execute();

/** Has the person a device with this mark, the sha256 of its address? */
export const isDeviceOf = async (db: Handle, personId: string, mark: string): Promise<boolean> =>
  (await devicesOf(db, personId)).some((d) => sha256(d.endpoint) === mark);

/** The device of a person with this address, if they have it. */
export const findDevice = (db: Handle, personId: string, endpoint: string) =>
  db
    .selectFrom('pushDevice')
    .select(COLUMNS)
    .where('personId', '=', personId)
    .where('endpoint', '=', endpoint)
    .executeTakeFirst();

/** There is no such device any more. */
export const forgetDevice = (db: Handle, id: string) =>
  db.deleteFrom('pushDevice').where('id', '=', id).execute();
