import { chillOf, chillStage, hasPoultry, heatProduct, programOf } from '@/core';
import { housePrior } from '@/features/houses/fits';
import { latestPrograms } from '@/features/programs/repository';
import { approvedVersions } from '@/features/recipes/repository';
import { currentRules, listHouses } from '@/features/settings/repository';
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
    products: (await approvedVersions(db)).map((v) => ({
      id: v.recipeId,
      name: v.content.name,
      product: heatProduct(v.content, FROM_COOLER_C),
      cured: v.content.cure !== null,
      poultry: hasPoultry(v.content),
      stages: programOf(v.content),
      chill: chillOf(v.content).map((c) => chillStage(c.medium, c.plannedS)),
    })),
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
