import { isSlowNow, placeNow } from '@/core';
import type { Dossier } from '@/features/logbook/service';
import type { Handle } from '@/platform/db/client';
import type { Asker } from '@/workers/pool';
import { fermentAhead, type FermentAhead } from '@/features/ripening/service';
import { forecastBatch, type Ahead, type BatchForecast } from './forecast';
import { housePrior } from './fits';

/** A forecast is made anew when the record changes, and this often as readings come, s: of what hangs for weeks seldom. */
const EVERY_S = 20;
const SLOW_EVERY_S = 900;
const MOST_KEPT = 200;

type Kept = { key: string; forecast: BatchForecast | null };
const shared = globalThis as { jollyForecasts?: Map<string, Kept> };
const kept = (shared.jollyForecasts ??= new Map());

/** When a ferment that goes on meets its pH. */
function phAhead(f: FermentAhead): Ahead | null {
  const target = f.forecast.targets.find((t) => t.ph === f.targetPh);
  if (f.overS !== null || target?.status !== 'forecast') return null;
  return { p10: target.p10S, p50: target.p50S, p90: target.p90S };
}

/** The ferment of a batch that hangs, with its hour; null where none goes on. */
export const fermentNow = (db: Handle, d: Dossier, asker: Asker): Promise<FermentAhead | null> =>
  d.case.state.phase === 'in_house' ? fermentAhead(db, d, asker) : Promise.resolve(null);

/** The forecast of a batch, refitted when its record changed or enough readings came. */
export async function forecastOf(
  db: Handle,
  d: Dossier,
  asker: Asker,
): Promise<BatchForecast | null> {
  const { run } = d.case.state;
  if (!run) return null;
  const houseId = placeNow(run);
  const everyS = isSlowNow(d.case.state) ? SLOW_EVERY_S : EVERY_S;
  const key = `${d.entries.at(-1)?.seq ?? 0}:${Math.floor(d.case.nowS / everyS)}`;
  const known = kept.get(d.head.id);
  if (known?.key === key) return known.forecast;
  const { recipe, state } = d.case;
  const ferment = await fermentNow(db, d, asker);
  const prior = await housePrior(db, houseId, { recipe, weather: state.weather.at(-1) });
  const forecast = await forecastBatch(d.case, prior, { ph: ferment && phAhead(ferment), asker });
  kept.set(d.head.id, { key, forecast });
  if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!);
  return forecast;
}
