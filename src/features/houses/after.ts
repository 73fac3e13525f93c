import { runStages, type Case, type Reading } from '@/core';
import type { Dossier } from '@/features/logbook/service';
import type { Handle } from '@/platform/db/client';
import { judgeNow } from '@/features/logbook/service';
import { forecastBatch, type Ahead } from './forecast';
import { housePrior } from './fits';
import { LOOKS, caseAt } from './look-back';

export type StageTime = { name: string; kind: string; plannedS: number; tookS: number };
export type LookBack = { atS: number; coreC: number | null; ahead: Ahead };
export type Overlay = { code: string; startedS: number; readings: Reading[] };

export type AfterRun = {
  stages: StageTime[];
  pulledS: number | null;
  /** What the forecast said on the way, by the readings of then. */
  lookBacks: LookBack[];
  stuffedG: number | null;
  packedG: number | null;
  /** Core of the thickest piece by seconds since the run began: this run, then earlier ones. */
  overlays: Overlay[];
};

const MOST_EARLIER = 4;

/** Core log of the thickest piece since the run began. */
function overlayOf(d: Dossier): Overlay | null {
  const { run, probes } = d.case.state;
  const probe = probes.find((p) => p.what === 'core' && p.thickest);
  if (!run || !probe) return null;
  const readings = (d.case.series[probe.channelId] ?? [])
    .filter((r) => r.tS >= Math.max(run.startS, probe.fromS))
    .map((r) => ({ tS: r.tS - run.startS, tempC: r.tempC }));
  return readings.length > 1 ? { code: d.head.code, startedS: run.startS, readings } : null;
}

function stageTimes(c: Case): StageTime[] {
  const stages = runStages(c.state);
  const endS = c.state.run?.pulledS ?? c.nowS;
  return stages.map((s, i) => ({
    name: s.stage.name,
    kind: s.stage.kind,
    plannedS: s.stage.plannedS,
    tookS: (stages[i + 1]?.startS ?? endS) - s.startS,
  }));
}

/** Earlier batches of the same recipe that have been through a house, newest first. */
async function earlier(db: Handle, d: Dossier, nowS: number): Promise<Overlay[]> {
  const rows = await db
    .selectFrom('batch')
    .innerJoin('recipeVersion as v', 'v.id', 'batch.recipeVersionId')
    .select('batch.id')
    .where('v.recipeId', '=', d.head.recipeId)
    .where('batch.startedAt', '<', new Date(d.head.startedS * 1000))
    .orderBy('batch.startedAt', 'desc')
    .limit(MOST_EARLIER)
    .execute();
  const out: Overlay[] = [];
  for (const { id } of rows) {
    const other = await judgeNow(db, id, nowS);
    const overlay = other && overlayOf(other);
    if (overlay) out.push(overlay);
  }
  return out;
}

/** A run looked back at: stages against plan, forecasts against what happened, loss, earlier runs; null before the run. */
export async function afterRun(db: Handle, d: Dossier, nowS: number): Promise<AfterRun | null> {
  const { run, steps } = d.case.state;
  if (!run) return null;
  const endS = run.pulledS ?? Math.min(nowS, d.case.nowS);
  const prior = await housePrior(db, run.houseId, {
    recipe: d.case.recipe,
    except: d.head.batchId,
    weather: d.case.state.weather.at(-1),
  });
  const own = overlayOf(d);
  const looks =
    run.pulledS === null ? [] : LOOKS.map((share) => run.startS + share * (endS - run.startS));
  const lookBacks: LookBack[] = [];
  for (const atS of looks) {
    const then = await forecastBatch(caseAt(d, atS), prior);
    if (!then?.done) continue;
    const coreC = own?.readings.findLast((r) => r.tS <= atS - run.startS)?.tempC ?? null;
    lookBacks.push({ atS, coreC, ahead: then.done });
  }
  return {
    stages: stageTimes(d.case),
    pulledS: run.pulledS,
    lookBacks,
    stuffedG: steps.stuff?.weightG ?? null,
    packedG: steps.pack?.weightG ?? null,
    overlays: [...(own ? [own] : []), ...(await earlier(db, d, nowS))],
  };
}
