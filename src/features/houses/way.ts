import { chillOf, recipeOfRun } from '@/core';
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
): BatchWay => wayOfBatch(d.case, site, dueOf(d, forecast), nowS);

/** The same with the forecast of what goes on; where there is none, by the planned length. */
export async function wayNow(db: Handle, d: Dossier, site: Site, nowS: number): Promise<BatchWay> {
  const { phase } = d.case.state;
  const runs = phase === 'in_house' || phase === 'chilling';
  const forecast = runs ? await forecastOf(db, d, 'page').catch(() => null) : null;
  return wayWith(d, forecast, site, nowS);
}
