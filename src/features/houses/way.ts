import { chillOf, recipeOfRun, type PlacedStep } from '@/core';
import type { Dossier } from '@/features/logbook/service';
import { wayOfBatch, type BatchWay } from '@/features/batches/service';
import type { Site } from '@/features/settings/service';
import type { Handle } from '@/platform/db/client';
import type { BatchForecast } from './forecast';
import { forecastOf } from './forecast-cache';

/** When the step that goes on ends, as the forecast of the run says; null where it says nothing of it. */
function dueOf(d: Dossier, forecast: BatchForecast | null): number | null {
  const { run, chill } = d.case.state;
  if (!run || !forecast) return null;
  const toGo = chillOf(recipeOfRun(d.case.recipe, d.case.state));
  if (run.pulledS !== null)
    return chill.length > 0 && chill.length === toGo.length ? (forecast.cold?.p50 ?? null) : null;
  const last = run.moves.length > 0 || run.stages.at(-1)!.index >= run.program.length - 1;
  return (last ? forecast.done?.p50 : forecast.stage?.p50) ?? forecast.stage?.p50 ?? null;
}

/** The way of a batch now, by a forecast that is at hand. */
export const wayWith = (
  d: Dossier,
  forecast: BatchForecast | null,
  site: Site,
  nowS: number,
  planned: readonly PlacedStep[] = [],
): BatchWay => wayOfBatch(d.case, site, dueOf(d, forecast), nowS, planned);

async function forecastNow(db: Handle, d: Dossier): Promise<BatchForecast | null> {
  const { phase } = d.case.state;
  const runs = phase === 'in_house' || phase === 'chilling';
  return runs ? forecastOf(db, d, 'page').catch(() => null) : null;
}

/** When the step that goes on is forecast to end; null where nothing says so. */
export const dueNow = async (db: Handle, d: Dossier): Promise<number | null> =>
  dueOf(d, await forecastNow(db, d));

/** The same with the forecast of what goes on; where there is none, by the planned length. */
export const wayNow = async (
  db: Handle,
  d: Dossier,
  site: Site,
  nowS: number,
  planned: readonly PlacedStep[],
): Promise<BatchWay> => wayWith(d, await forecastNow(db, d), site, nowS, planned);
