'use server';

import { revalidatePath } from 'next/cache';
import type { Recipe } from '@/core';
import { asPerson, type ActionResult } from '@/features/accounts/identify';
import { db } from '@/platform/db/client';
import { fieldsOf, readInput } from '@/platform/read-input';
import { decideSchema, saveRecipeSchema } from './contract';
import { decideVersion, saveRecipe } from './service';

export type Saved =
  | ActionResult<{ recipeId: string }>
  | {
      ok: false;
      code: 'edited_meanwhile';
      newest: { number: number; byName: string; reason: string; content: Recipe };
    };

/** Saves a recipe as a new version. */
export async function saveRecipeAction(input: unknown): Promise<Saved> {
  let meanwhile: Saved | null = null;
  const answer = await asPerson<{ recipeId: string }>('write_recipes', async (person) => {
    const parsed = readInput(saveRecipeSchema, input);
    if (!parsed.success)
      return {
        ok: false,
        code: 'bad_recipe',
        fields: fieldsOf(parsed.error),
      };
    const result = await saveRecipe(db(), parsed.data, person.name);
    if (result.ok) return { ok: true, data: { recipeId: result.data.recipeId } };
    if (result.code === 'edited_meanwhile') meanwhile = result;
    return { ok: false, code: result.code };
  });
  return meanwhile ?? answer;
}

/** Approves or retires a version of a recipe. */
export async function decideVersionAction(input: unknown): Promise<ActionResult> {
  return asPerson('write_recipes', async (person) => {
    const parsed = readInput(decideSchema, input);
    if (!parsed.success)
      return {
        ok: false,
        code: 'bad_input',
        fields: fieldsOf(parsed.error),
      };
    const result = await decideVersion(db(), parsed.data, person.name);
    revalidatePath('/recipes', 'layout');
    return result.ok ? { ok: true, data: undefined } : { ok: false, code: result.code };
  });
}
