import {
  alarmsOf,
  stageProgress,
  type Alarm,
  type AlarmCode,
  type AlarmState,
  type FermentKnown,
  type PlaceKnown,
  type StageProgress,
} from '@/core';
import type { Dossier } from '@/features/logbook/service';
import {
  liveHeat,
  shortName,
  stageEvidence,
  type ChartForecast,
  type LiveHeat,
} from '@/features/batches/service';
import type { Handle } from '@/platform/db/client';
import { giveWay } from '@/platform/give-way';
import type { Asker } from '@/workers/pool';
import type { BatchForecast } from './forecast';
import { fermentNow, forecastOf } from './forecast-cache';
import { placeKnown } from './place-known';
import { isAt } from './program';
import type { FermentAhead } from '@/features/ripening/service';

/** An alarm of a batch with the key under which the record knows it, once it does. */
export type BatchAlarm = Alarm & {
  key: string | null;
  seenBy: string | null;
  /** Who was told of it away from the page, in order. */
  told: AlarmState['told'];
};

export type Member = {
  dossier: Dossier;
  progress: StageProgress | null;
  heat: LiveHeat | null;
  forecast: BatchForecast | null;
  alarms: BatchAlarm[];
  /** What the site knows of where it hangs. */
  place: PlaceKnown | null;
  /** Why nothing could be worked out for it; the others of its load are shown all the same. */
  failed: string | null;
};

/** Alarms of a batch now, each with who has seen it. */
export function alarmsNow(
  d: Dossier,
  progress: StageProgress | null,
  forecast: BatchForecast | null,
  nowS: number,
  { place, ferment }: { place: PlaceKnown | null; ferment: FermentAhead | null },
): BatchAlarm[] {
  const stage = progress && { over: progress.over, tooLong: progress.tooLong };
  const recorded = d.case.state.alarms.filter((a) => a.clearedS === null);
  const readyS = forecast?.readyS ?? null;
  return alarmsOf({
    c: d.case,
    nowS,
    stage,
    readyS,
    place,
    ferment: ferment && fermentKnown(ferment),
  }).map((a) => {
    const known = recorded.findLast((r) => r.alarm === (a.code satisfies AlarmCode));
    const seenBy = known?.acknowledged?.by.name ?? null;
    return { ...a, key: known?.key ?? null, seenBy, told: known?.told ?? [] };
  });
}

/** What an alarm asks of a ferment; once its pH is believed there is nothing more to come. */
function fermentKnown(f: FermentAhead): FermentKnown | null {
  const target = f.forecast.targets.find((t) => t.ph === f.targetPh);
  if (!target) return null;
  const open = f.overS === null;
  const d = f.ruleReachedS === null ? f.degreeHours : null;
  return {
    ph: f.targetPh,
    p10S: open ? target.p10S : null,
    p50S: open ? target.p50S : null,
    alone: f.alone,
    cooled: f.cooled && { tempC: f.cooled.tempC, untilS: f.cooled.untilS },
    degreeHours: d && { ...d, close: d.status !== 'within' },
  };
}

/** A batch at or after the house with all that its load page shows; where that cannot be computed, the batch alone. */
export async function memberOf(
  db: Handle,
  d: Dossier,
  nowS: number,
  asker: Asker = 'page',
): Promise<Member> {
  try {
    return await workedOut(db, d, nowS, asker);
  } catch (error) {
    const failed = error instanceof Error ? error.message : String(error);
    console.warn(`batch ${d.head.code}: ${failed}`);
    return {
      dossier: d,
      progress: null,
      heat: null,
      forecast: null,
      alarms: [],
      place: null,
      failed,
    };
  }
}

async function workedOut(db: Handle, d: Dossier, nowS: number, asker: Asker): Promise<Member> {
  const ferment = await fermentNow(db, d, asker);
  const forecast = await forecastOf(db, d, asker);
  await giveWay();
  const place = await placeKnown(db, d);
  const progress = stageProgress(d.case.state, stageEvidence(d.case), nowS);
  return {
    dossier: d,
    progress,
    heat: d.case.state.phase === 'in_house' ? liveHeat(d.case) : null,
    forecast,
    alarms: alarmsNow(d, progress, forecast, nowS, { place, ferment }),
    place,
    failed: null,
  };
}

/** Batches of a house: those in it, then those that were pulled and still cool; who comes out first comes first. */
export async function loadOf(
  db: Handle,
  open: readonly Dossier[],
  houseId: string,
  nowS: number,
  asker: Asker = 'page',
): Promise<Member[]> {
  const here = open.filter(
    (d) =>
      isAt(d, houseId) && (d.case.state.phase === 'in_house' || d.case.state.phase === 'chilling'),
  );
  const members: Member[] = [];
  for (const d of here) members.push(await memberOf(db, d, nowS, asker));
  const outS = (m: Member) => m.forecast?.done?.p50 ?? Infinity;
  const pulled = (m: Member) => Number(m.dossier.case.state.run!.pulledS !== null);
  return members.sort((a, b) => pulled(a) - pulled(b) || outS(a) - outS(b));
}

/** Batches of a load that still hang in the house and follow its program. */
export const hanging = (members: readonly Member[]) =>
  members.filter((m) => {
    const run = m.dossier.case.state.run!;
    return run.pulledS === null && run.moves.length === 0;
  });

/** Forecasts of a load as a chart shows them: when each cook is done, or each core cold. */
export function forecastMarks(members: readonly Member[]): ChartForecast[] {
  return members.flatMap((m): ChartForecast[] => {
    const f = m.forecast;
    const ahead = f?.done ?? f?.cold;
    if (!ahead || ahead.p50 === null || ahead.p10 === null || f?.basis.status === 'reached')
      return [];
    const { p10, p50, p90 } = ahead;
    return [{ name: shortName(m.dossier.case), p10, p50, p90 }];
  });
}
