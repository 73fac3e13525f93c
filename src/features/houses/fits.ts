import { heatProduct, type BandScore, type HousePrior, type Recipe } from '@/core';
import type { Handle } from '@/platform/db/client';

/** Runs that a house is judged by, newest first: older ones had another fan. */
const RUNS = 8;
/** Even a house that always does the same is not known better than this, ln. */
const LEAST_SD = 0.08;
/** Spread that a few runs cannot take away: shrinks with their number. */
const USUAL_SD = 0.2;

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
 * What a house has taught: geometric mean of its film factors and their spread, and how its forecasts of this
 * kind of product did; undefined before the first run.
 * @param except a batch whose own run is not to count
 */
export async function housePrior(
  db: Handle,
  houseId: string,
  recipe?: Recipe,
  except?: string,
): Promise<HousePrior | undefined> {
  const fits = await db
    .selectFrom('houseFit')
    .select('filmFactor')
    .where('houseId', '=', houseId)
    .$if(except !== undefined, (q) => q.where('batchId', '!=', except!))
    .orderBy('fittedAt', 'desc')
    .limit(RUNS)
    .execute();
  if (fits.length === 0) return undefined;
  const ln = fits.map((r) => Math.log(r.filmFactor));
  const mean = ln.reduce((a, b) => a + b, 0) / ln.length;
  const spread = ln.reduce((sum, v) => sum + (v - mean) ** 2, 0);
  /* As if one more run had come out a usual spread away: one run alone teaches little. */
  const lnSd = Math.max(LEAST_SD, Math.sqrt((spread + USUAL_SD ** 2) / ln.length));
  return {
    h: Math.exp(mean),
    lnSd: Math.min(USUAL_SD, lnSd),
    runs: fits.length,
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
  fit: { houseId: string; batchId: string; filmFactor: number; coreReadings: number },
) =>
  db
    .insertInto('houseFit')
    .values(fit)
    .onConflict((c) => c.columns(['houseId', 'batchId']).doNothing())
    .execute();

export const isRemembered = async (db: Handle, batchId: string): Promise<boolean> =>
  (await db
    .selectFrom('houseFit')
    .select('batchId')
    .where('batchId', '=', batchId)
    .executeTakeFirst()) !== undefined;
