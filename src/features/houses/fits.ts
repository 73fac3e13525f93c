import type { HousePrior } from '@/core';
import type { Handle } from '@/platform/db/client';

/** Runs that a house is judged by, newest first: older ones had another fan. */
const RUNS = 8;
/** Even a house that always does the same is not known better than this, ln. */
const LEAST_SD = 0.08;
/** Spread that a few runs cannot take away: shrinks with their number. */
const USUAL_SD = 0.2;

/** What a house has taught: geometric mean of its film factors and their spread; undefined before the first run. */
export async function housePrior(db: Handle, houseId: string): Promise<HousePrior | undefined> {
  const rows = await db
    .selectFrom('houseFit')
    .select('filmFactor')
    .where('houseId', '=', houseId)
    .orderBy('fittedAt', 'desc')
    .limit(RUNS)
    .execute();
  if (rows.length === 0) return undefined;
  const ln = rows.map((r) => Math.log(r.filmFactor));
  const mean = ln.reduce((a, b) => a + b, 0) / ln.length;
  const spread = ln.reduce((sum, v) => sum + (v - mean) ** 2, 0);
  /* As if one more run had come out a usual spread away: one run alone teaches little. */
  const lnSd = Math.max(LEAST_SD, Math.sqrt((spread + USUAL_SD ** 2) / ln.length));
  return { h: Math.exp(mean), lnSd: Math.min(USUAL_SD, lnSd), runs: rows.length };
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
