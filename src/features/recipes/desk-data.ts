import 'server-only';
import { currentRules, listScales, siteDay } from '@/features/settings/service';
import { listIngredients, openLots, ownCasings } from '@/features/stores/service';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';

/** What the editor needs beside the recipe: the site's rules and scales, its ingredients, lots and prices. */
export async function deskData() {
  const [rules, scales, ingredients, lots, today, casings] = await Promise.all([
    currentRules(db()),
    listScales(db()),
    listIngredients(db()),
    openLots(db()),
    siteDay(db(), nowS()),
    ownCasings(db()),
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
  /* Lots come first to be used first: the first price found is that of the lot to be used next. */
  const prices: Record<string, number> = {};
  for (const l of lots) if (l.costPerKg !== null) prices[l.ingredient] ??= l.costPerKg;
  return { rules, scales, ingredients, meatLots, prices, today, casings };
}
