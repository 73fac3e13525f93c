import { randomUUID } from 'node:crypto';
import { judgeFormula, recipeFigures, type Finding, type RuleSet } from '@/core';
import type { Recipe } from '@/core';
import { currentRules } from '@/features/settings/service';
import { sameName } from '@/features/stores/service';
import type { Db, Handle } from '@/platform/db/client';
import { hashOf } from '@/platform/hash';
import { holdLockOn } from '@/platform/locks';
import type { Decide, SaveRecipe } from './contract';
import { findVersion, latestVersions, versionsOf } from './repository';

export type SaveResult =
  | { ok: true; data: { recipeId: string; versionId: string } }
  | { ok: false; code: 'name_taken' | 'no_such_recipe' }
  | {
      ok: false;
      code: 'edited_meanwhile';
      /** The version that somebody else saved. */
      newest: { number: number; byName: string; reason: string; content: Recipe };
    };

/** Saves a recipe as a new immutable version, a draft; refuses when somebody else has saved one in between. */
export async function saveRecipe(db: Db, input: SaveRecipe, by: string): Promise<SaveResult> {
  return db.transaction().execute(async (tx): Promise<SaveResult> => {
    await holdLockOn(tx, 'names', 'recipe');
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
    } else {
      await tx.insertInto('recipe').values({ id: recipeId, name: input.content.name }).execute();
    }
    const [newest] = await versionsOf(tx, recipeId);
    if (newest && newest.number !== input.basedOn) {
      const { number, createdByName: byName, reason, content } = newest;
      return { ok: false, code: 'edited_meanwhile', newest: { number, byName, reason, content } };
    }
    if (input.recipeId)
      await tx
        .updateTable('recipe')
        .set({ name: input.content.name })
        .where('id', '=', recipeId)
        .execute();
    const versionId = randomUUID();
    await tx
      .insertInto('recipeVersion')
      .values({
        id: versionId,
        recipeId,
        number: (newest?.number ?? 0) + 1,
        content: JSON.stringify(input.content),
        sha256: hashOf(input.content),
        reason: input.reason,
        createdByName: by,
      })
      .execute();
    return { ok: true, data: { recipeId, versionId } };
  });
}

/** What keeps a recipe from approval under these rules. */
export const blockersOf = (recipe: Recipe, rules: RuleSet): Finding[] =>
  judgeFormula({ recipe, figures: recipeFigures(recipe), rules }).filter(
    (f) => f.level === 'blocking',
  );

export type DecideResult =
  | { ok: true }
  | { ok: false; code: 'no_such_recipe' | 'already_so' | 'not_approved_yet' }
  | { ok: false; code: 'blocked'; blockers: Finding[] };

/**
 * Approves or retires a version. Approval is refused while a figure of the recipe is outside a rule
 * that blocks; only what was approved can be retired, and a retired version can be approved again.
 */
export async function decideVersion(db: Db, input: Decide, by: string): Promise<DecideResult> {
  return db.transaction().execute(async (tx): Promise<DecideResult> => {
    await tx
      .selectFrom('recipe')
      .innerJoin('recipeVersion as v', 'v.recipeId', 'recipe.id')
      .select('recipe.id')
      .where('v.id', '=', input.versionId)
      .forUpdate('recipe')
      .execute();
    const version = await findVersion(tx, input.versionId);
    if (!version) return { ok: false, code: 'no_such_recipe' };
    if (version.status === input.status) return { ok: false, code: 'already_so' };
    if (input.status === 'retired' && version.status !== 'approved')
      return { ok: false, code: 'not_approved_yet' };
    if (input.status === 'approved') {
      const blockers = blockersOf(version.content, await currentRules(tx));
      if (blockers.length > 0) return { ok: false, code: 'blocked', blockers };
    }
    await tx
      .insertInto('recipeDecision')
      .values({ id: randomUUID(), ...input, decidedByName: by })
      .execute();
    return { ok: true };
  });
}

/** Recipes in use whose newest version names an ingredient, in words. */
export async function recipesNaming(db: Handle, name: string): Promise<string[]> {
  const naming = (await latestVersions(db)).filter(
    ({ content: r, status }) =>
      status !== 'retired' &&
      [...r.meat, ...r.additions, ...(r.cure ? [r.cure] : [])].some((l) => sameName(l.name, name)),
  );
  return naming.map((v) => `recipe ${v.content.name}`);
}

export {
  approvedVersions,
  decisionsOf,
  findVersion,
  latestVersions,
  versionsOf,
} from './repository';
