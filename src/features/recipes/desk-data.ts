import 'server-only';
import { currentRules } from '@/features/settings/repository';
import { listIngredients, openLots } from '@/features/stores/repository';
import { db } from '@/platform/db/client';

/** What the editor needs beside the recipe: the site's rules, its ingredients and its meat lots. */
export async function deskData() {
  const [rules, ingredients, lots] = await Promise.all([
    currentRules(db()),
    listIngredients(db()),
    openLots(db()),
  ]);
  const meatLots = lots
    .filter((l) => l.kind === 'meat')
    .map(({ id, code, ingredient, leftG, fatFraction, costPerKg, useBy, owner, facts }) => ({
      id,
      code,
      ingredient,
      leftG,
      fatFraction,
      costPerKg,
      useBy,
      owner,
      facts,
    }));
  return { rules, ingredients, meatLots };
}
