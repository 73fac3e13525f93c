import { randomUUID } from 'node:crypto';
import type { Db } from '@/platform/db/client';
import { hashOf } from '@/platform/hash';
import type { SaveRecipe } from './contract';

export type SaveResult =
  | { ok: true; data: { recipeId: string; versionId: string } }
  | { ok: false; code: 'edited_meanwhile' | 'name_taken' | 'no_such_recipe' };

/** Saves a recipe as a new immutable version; refuses when somebody else has saved one in between. */
export async function saveRecipe(db: Db, input: SaveRecipe, by: string): Promise<SaveResult> {
  return db.transaction().execute(async (tx): Promise<SaveResult> => {
    const taken = await tx
      .selectFrom('recipe')
      .select('id')
      .where('name', '=', input.content.name)
      .executeTakeFirst();
    if (taken && taken.id !== input.recipeId) return { ok: false, code: 'name_taken' };
    const recipeId = input.recipeId ?? randomUUID();
    if (input.recipeId) {
      const row = await tx
        .selectFrom('recipe')
        .select('id')
        .where('id', '=', recipeId)
        .forUpdate()
        .executeTakeFirst();
      if (!row) return { ok: false, code: 'no_such_recipe' };
      await tx
        .updateTable('recipe')
        .set({ name: input.content.name })
        .where('id', '=', recipeId)
        .execute();
    } else {
      await tx.insertInto('recipe').values({ id: recipeId, name: input.content.name }).execute();
    }
    const newest = await tx
      .selectFrom('recipeVersion')
      .select((e) => e.fn.max('number').as('n'))
      .where('recipeId', '=', recipeId)
      .executeTakeFirstOrThrow();
    if ((newest.n ?? 0) !== input.basedOn) return { ok: false, code: 'edited_meanwhile' };
    const versionId = randomUUID();
    await tx
      .insertInto('recipeVersion')
      .values({
        id: versionId,
        recipeId,
        number: input.basedOn + 1,
        content: JSON.stringify(input.content),
        sha256: hashOf(input.content),
        reason: input.reason,
        createdByName: by,
      })
      .execute();
    return { ok: true, data: { recipeId, versionId } };
  });
}
