import {
  heatProduct,
  houseTaught,
  type BandScore,
  type HouseFit,
  type HousePrior,
  type Recipe,
  type Weather,
} from '@/core';
import type { Handle } from '@/platform/db/client';

/** Runs that a house is judged by, newest first: older ones had another fan. */
const RUNS = 8;
/** Earlier forecasts that a band is scaled by, newest first. */
const SCORES = 60;
/** Diameters from which a product is of the next kind, mm. */
const THICKER_FROM_MM = [45, 75];

/** Products whose forecasts err alike: about as thick, and with or without water that leaves. */
export function productKind(recipe: Recipe): string {
  const { diameterMm, casingPermeability } = heatProduct(recipe, 4);
  const thickness = ['thin', 'middling', 'thick'][
    THICKER_FROM_MM.filter((mm) => diameterMm >= mm).length
  ]!;
  return casingPermeability === 0 ? `${thickness}, tight` : thickness;
}

/**
 * What a house has taught, of weather like this first, and how its forecasts of this kind of product did; undefined before
 * the first run.
 * @param about `except`: a batch whose own run is not to count; `weather`: of the day that is asked about
 */
export async function housePrior(
  db: Handle,
  houseId: string,
  about: { recipe?: Recipe; except?: string; weather?: Weather | null } = {},
): Promise<HousePrior | undefined> {
  const fits = await db
    .selectFrom('houseFit')
    .select(['filmFactor', 'wind', 'outsideC'])
    .where('houseId', '=', houseId)
    .$if(about.except !== undefined, (q) => q.where('batchId', '!=', about.except!))
    .orderBy('fittedAt', 'desc')
    .limit(RUNS)
    .execute();
  const taught = houseTaught(
    fits.map(({ filmFactor, wind, outsideC }) => ({
      filmFactor,
      weather: wind && { wind, outsideC },
    })),
    about.weather ?? null,
  );
  if (!taught) return undefined;
  const { recipe, except } = about;
  return {
    ...taught,
    scores: recipe && (await scoresOf(db, houseId, productKind(recipe), except)),
  };
}

const scoresOf = (
  db: Handle,
  houseId: string,
  kind: string,
  except?: string,
): Promise<BandScore[]> =>
  db
    .selectFrom('forecastScore')
    .select(['leftS', 'score'])
    .where('houseId', '=', houseId)
    .where('productKind', '=', kind)
    .$if(except !== undefined, (q) => q.where('batchId', '!=', except!))
    .orderBy('madeAt', 'desc')
    .limit(SCORES)
    .execute();

/** Remembers how far the forecasts of a finished run were off; once a run. */
export async function rememberScores(
  db: Handle,
  about: { houseId: string; batchId: string },
  recipe: Recipe,
  scores: readonly BandScore[],
): Promise<void> {
  if (scores.length === 0) return;
  const rows = scores.map((s) => ({ ...about, ...s, productKind: productKind(recipe) }));
  await db
    .insertInto('forecastScore')
    .values(rows)
    .onConflict((c) => c.columns(['batchId', 'leftS']).doNothing())
    .execute();
}

/** Remembers what a finished run's readings came to; once a run. */
export const rememberFit = (
  db: Handle,
  { weather, ...fit }: HouseFit & { houseId: string; batchId: string; coreReadings: number },
) =>
  db
    .insertInto('houseFit')
    .values({ ...fit, wind: weather?.wind ?? null, outsideC: weather?.outsideC ?? null })
    .onConflict((c) => c.columns(['houseId', 'batchId']).doNothing())
    .execute();

export const isRemembered = async (db: Handle, batchId: string): Promise<boolean> =>
  (await db
    .selectFrom('houseFit')
    .select('batchId')
    .where('batchId', '=', batchId)
    .executeTakeFirst()) !== undefined;
