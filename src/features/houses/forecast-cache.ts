import { placeNow } from '@/core';
import type { Dossier } from '@/features/logbook/service';
import type { Handle } from '@/platform/db/client';
import type { Asker } from '@/workers/pool';
import { forecastBatch, type BatchForecast } from './forecast';
import { housePrior } from './fits';

/** A forecast is made anew when the record changes, and this often as readings come, s. */
const EVERY_S = 20;
const MOST_KEPT = 200;

type Kept = { key: string; forecast: BatchForecast | null };
const shared = globalThis as { jollyForecasts?: Map<string, Kept> };
const kept = (shared.jollyForecasts ??= new Map());

/** The forecast of a batch, refitted when its record changed or enough readings came. */
export async function forecastOf(
  db: Handle,
  d: Dossier,
  asker: Asker,
): Promise<BatchForecast | null> {
  const { run } = d.case.state;
  if (!run) return null;
  const houseId = placeNow(run);
  const key = `${d.entries.at(-1)?.seq ?? 0}:${Math.floor(d.case.nowS / EVERY_S)}`;
  const known = kept.get(d.head.id);
  if (known?.key === key) return known.forecast;
  const { recipe, state } = d.case;
  const prior = await housePrior(db, houseId, { recipe, weather: state.weather.at(-1) });
  const forecast = await forecastBatch(d.case, prior, asker);
  kept.set(d.head.id, { key, forecast });
  if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!);
  return forecast;
}
