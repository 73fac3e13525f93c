import { randomUUID } from 'node:crypto';
import type { Db } from '@/platform/db/client';
import { holdLockOn } from '@/platform/locks';
import type { SaveProgram } from './contract';

export type SavedProgram =
  | { ok: true; data: { programId: string; number: number } }
  | { ok: false; code: 'edited_meanwhile' | 'name_taken' | 'no_such_program' };

/** Saves a stage program as a new version; the one that was edited must still be the newest. */
export async function saveProgram(
  db: Db,
  input: SaveProgram,
  byName: string,
): Promise<SavedProgram> {
  return db.transaction().execute(async (tx) => {
    await holdLockOn(tx, 'names', 'program');
    const taken = await tx
      .selectFrom('program')
      .select('id')
      .where((e) => e.fn('lower', ['name']), '=', input.name.toLowerCase())
      .executeTakeFirst();
    if (taken && taken.id !== input.programId) return { ok: false, code: 'name_taken' };
    const programId = input.programId ?? randomUUID();
    if (input.programId) {
      const known = await tx
        .updateTable('program')
        .set({ name: input.name })
        .where('id', '=', programId)
        .executeTakeFirst();
      if (known.numUpdatedRows === 0n) return { ok: false, code: 'no_such_program' };
    } else await tx.insertInto('program').values({ id: programId, name: input.name }).execute();
    const newest = await tx
      .selectFrom('programVersion')
      .select((e) => e.fn.max('number').as('number'))
      .where('programId', '=', programId)
      .executeTakeFirst();
    const number = newest?.number ?? 0;
    if (number !== input.basedOn) return { ok: false, code: 'edited_meanwhile' };
    await tx
      .insertInto('programVersion')
      .values({
        id: randomUUID(),
        programId,
        number: number + 1,
        content: JSON.stringify(input.stages),
        reason: input.reason,
        createdByName: byName,
      })
      .execute();
    return { ok: true, data: { programId, number: number + 1 } };
  });
}

export { latestPrograms, programVersion, versionsOfProgram } from './repository';
