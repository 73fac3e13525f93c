import { chillOf, chillStage, hasPoultry, heatProduct, partRecipes, programOf } from '@/core';
import { housePrior } from '@/features/houses/service';
import { latestPrograms } from '@/features/programs/service';
import { approvedVersions } from '@/features/recipes/service';
import { currentRules, listHouses } from '@/features/settings/service';
import type { Handle } from '@/platform/db/client';
import type { BenchData } from './variant';

/** How slowly a house follows its set point where nobody measured it, s. Usual. */
const USUAL_LAG_S = 420;
const FROM_COOLER_C = 4;

/** What can be put on the bench: approved recipes, programs, houses with what they taught, the site's rules. */
export async function benchData(db: Handle): Promise<BenchData> {
  const rules = await currentRules(db);
  const houses = await Promise.all(
    (await listHouses(db)).map(async (h) => {
      const prior = await housePrior(db, h.id);
      const film = prior?.h ?? 1;
      return { id: h.id, name: h.name, film, lagS: USUAL_LAG_S, runs: prior?.runs ?? 0 };
    }),
  );
  return {
    products: (await approvedVersions(db)).flatMap((v) =>
      partRecipes(v.content)
        .filter((r) => programOf(r).length > 0)
        .map((r) => ({
          id: r.ofPart ? `${v.recipeId}.${r.ofPart.id}` : v.recipeId,
          name: r.name,
          product: heatProduct(r, FROM_COOLER_C),
          cured: r.cure !== null,
          poultry: hasPoultry(r),
          stages: programOf(r),
          chill: chillOf(r).map((c) => chillStage(c.medium, c.plannedS)),
        })),
    ),
    programs: (await latestPrograms(db)).map((p) => ({
      id: p.programId,
      name: p.name,
      stages: p.content,
    })),
    houses,
    rules: {
      come_up: rules.come_up,
      uncured_smoke: rules.uncured_smoke,
      cooling: rules.cooling,
      lethality: rules.lethality,
    },
  };
}
