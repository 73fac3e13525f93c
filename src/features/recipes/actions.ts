'use server';

import { asPerson, type ActionResult } from '@/features/accounts/identify';
import { db } from '@/platform/db/client';
import { saveRecipeSchema } from './contract';
import { saveRecipe } from './service';

/** Saves a recipe as a new version. */
export async function saveRecipeAction(
  input: unknown,
): Promise<ActionResult<{ recipeId: string }>> {
  return asPerson<{ recipeId: string }>('write_recipes', async (person) => {
    const parsed = saveRecipeSchema.safeParse(input);
    if (!parsed.success) {
      const fields = Object.fromEntries(
        parsed.error.issues.map((i) => [
          i.path.filter((p) => p !== 'content').join('.'),
          i.message,
        ]),
      );
      return { ok: false, code: 'bad_recipe', fields };
    }
    const result = await saveRecipe(db(), parsed.data, person.name);
    return result.ok ? { ok: true, data: { recipeId: result.data.recipeId } } : result;
  });
}
