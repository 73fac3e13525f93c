import { coreTargetOf } from '../formula/stage-ends';
import { wetBulbFromRh } from '../heat/psychrometrics';
import type { Reading } from '../lethality/reading';
import type { AlarmState } from '../logbook/chapters/alarms';
import { within } from '../probes/series-at';
import type { Case } from '../verdict/check';
import { servingDueS } from '../verdict/serving-check';
import { longestGrowth } from '../verdict/come-up-check';
import {
  chillView,
  coolingOf,
  coreLogs,
  houseWindow,
  judgedLogs,
  type CoreLog,
} from '../verdict/windows';
import { FAT_OUT_C } from './program-troubles';
import { runStages, type RunStage } from './run-stage';

export type AlarmCode =
  | 'fire_out'
  | 'air_out_of_band'
  | 'core_stall'
  | 'target_reached'
  | 'too_hot'
  | 'come_up_running_out'
  | 'cooling_running_out'
  | 'cooling_not_started'
  | 'no_readings'
  | 'probe_slid_out'
  | 'misses_ready_by'
  | 'cold_smoke_warm'
  | 'stage_too_long'
  | 'serving_running_out';

/** 1: act now. 2: act soon. 3: know it. */
export type AlarmRank = 1 | 2 | 3;
export type Alarm = {
  code: AlarmCode;
  rank: AlarmRank;
  /** °C, s, clock seconds (`atS`, `dueS`); the interface has the words. */
  figures: Record<string, number>;
};

export type AlarmInput = {
  c: Case;
  nowS: number;
  /** Stage over, and too long, as the stage's own end says. */
  stage: { over: boolean; tooLong: boolean } | null;
  /** When the batch is forecast to be packed, clock seconds; null when nobody can say. */
  readyS: number | null;
};

const RANK: Record<AlarmCode, AlarmRank> = {
  fire_out: 1,
  no_readings: 1,
  probe_slid_out: 1,
  target_reached: 1,
  cooling_running_out: 1,
  cooling_not_started: 1,
  come_up_running_out: 1,
  too_hot: 2,
  air_out_of_band: 2,
  core_stall: 2,
  cold_smoke_warm: 2,
  stage_too_long: 2,
  misses_ready_by: 3,
  serving_running_out: 1,
};

/** Usual values of one house; °C and s. */
const BAND_C = 8;
const SETTLE_S = 1500;
const FALL = { windowS: 600, byC: 4, belowC: 6 };
const STALL = { windowS: 1800, riseC: 0.6, shortC: 3, airAboveC: 8 };
const CLOSE_SHARE = 0.75;
const LAST_CALL_S = 1800;
const CHILL_AT_ONCE_S = 900;
const COLD_SMOKE_C = 30;
const NEAR_FAT_OUT_C = 2;
const LATE_S = 900;
const BELIEVABLE_AIR_C = 190;

type View = AlarmInput & {
  at: RunStage | null;
  air: Reading[];
  core: CoreLog | null;
  logs: CoreLog[];
};
type Look = (v: View) => Record<string, number> | null;

const lastOf = (log: readonly Reading[]) => log.at(-1) ?? null;
const since = (log: readonly Reading[], tS: number) => log.filter((r) => r.tS >= tS);
const inHouse = (v: View) => v.c.state.phase === 'in_house' && v.at !== null;
/** The last reading of a log that is credited: what a faulty probe shows is no temperature of a core. */
const lastCredited = (l: CoreLog | null) => l?.spans.at(-1)?.at(-1) ?? null;

const fireOut: Look = (v) => {
  if (!inHouse(v) || v.at!.place !== 'house' || v.at!.stage.airC < 30) return null;
  if (v.nowS - v.at!.startS < FALL.windowS) return null;
  const recent = since(v.air, v.nowS - FALL.windowS);
  const [first, last] = [recent[0], lastOf(recent)];
  if (!first || !last || last.tS - first.tS < FALL.windowS / 2) return null;
  const fellC = first.tempC - last.tempC;
  if (fellC < FALL.byC || last.tempC > v.at!.stage.airC - FALL.belowC) return null;
  return { airC: last.tempC, setC: v.at!.stage.airC, fellC, overS: last.tS - first.tS };
};

const airOutOfBand: Look = (v) => {
  if (!inHouse(v) || v.at!.medium !== 'air' || v.nowS - v.at!.startS < SETTLE_S) return null;
  if (v.at!.stage.rampFromC !== undefined) return null;
  const recent = since(v.air, v.nowS - FALL.windowS);
  const last = lastOf(recent);
  if (!last || recent.length < 3) return null;
  const off = recent.every((r) => Math.abs(r.tempC - v.at!.stage.airC) > BAND_C);
  return off ? { airC: last.tempC, setC: v.at!.stage.airC } : null;
};

const coreStall: Look = (v) => {
  if (!inHouse(v) || v.nowS - v.at!.startS < STALL.windowS) return null;
  const target = coreTargetOf(v.at!.stage);
  const log = v.core?.spans.at(-1) ?? [];
  const recent = since(log, v.nowS - STALL.windowS);
  const [first, last] = [recent[0], lastOf(recent)];
  const air = lastOf(v.air);
  if (target === undefined || !first || !last || last.tS - first.tS < 0.8 * STALL.windowS)
    return null;
  if (last.tempC > target - STALL.shortC || last.tempC - first.tempC > STALL.riseC) return null;
  if (!air || air.tempC < last.tempC + STALL.airAboveC) return null;
  const rh = air.tempC < BELIEVABLE_AIR_C ? v.at!.stage.rh : undefined;
  const figures = { coreC: last.tempC, roseC: last.tempC - first.tempC, targetC: target };
  return rh === undefined ? figures : { ...figures, rh, wetBulbC: wetBulbFromRh(air.tempC, rh) };
};

const targetReached: Look = (v) => {
  if (!inHouse(v) || !v.stage?.over) return null;
  const last = lastCredited(v.core);
  const figures: Record<string, number> = last ? { coreC: last.tempC } : {};
  return figures;
};

const tooHot: Look = (v) => {
  if (!inHouse(v)) return null;
  const hottest = v.logs.reduce<number>(
    (most, l) => Math.max(most, lastCredited(l)?.tempC ?? -Infinity),
    -Infinity,
  );
  return hottest >= FAT_OUT_C - NEAR_FAT_OUT_C ? { coreC: hottest, limitC: FAT_OUT_C } : null;
};

const comeUpRunningOut: Look = (v) => {
  if (!inHouse(v) || v.c.recipe.fermentation) return null;
  const { fromC, toC, maxS } = v.c.rules.come_up.body;
  const g = longestGrowth(v.c, { fromC, toC, maxS });
  if (!g || g.status !== 'incomplete' || !g.now || g.elapsedS < CLOSE_SHARE * maxS) return null;
  const leftS = maxS - g.elapsedS;
  return { leftS, dueS: v.nowS + leftS, toC };
};

const coolingRunningOut: Look = (v) => {
  if (v.c.state.phase !== 'chilling') return null;
  for (const { log } of chillView(v.c)?.counted ?? []) {
    const steps = coolingOf(v.c, log);
    const open = steps.find((s) => s.status === 'incomplete' && s.startS !== null);
    if (!open) continue;
    const leftS = open.startS! + open.maxS - v.nowS;
    const soon =
      leftS < Math.max((1 - CLOSE_SHARE) * open.maxS, Math.min(LAST_CALL_S, open.maxS / 2));
    if (soon) return { leftS, dueS: open.startS! + open.maxS, toC: open.toC };
  }
  return null;
};

const coolingNotStarted: Look = (v) => {
  const pulledS = v.c.state.run?.pulledS;
  if (pulledS == null || v.c.state.chill.length > 0 || v.c.state.phase !== 'chilling') return null;
  return v.nowS - pulledS > CHILL_AT_ONCE_S ? { waitedS: v.nowS - pulledS } : null;
};

/** What waits to be eaten hot is eaten soon, or chilled. */
const servingRunningOut: Look = (v) => {
  if (v.c.state.phase !== 'serving') return null;
  const dueS = servingDueS(v.c)!;
  const leftS = dueS - v.nowS;
  return leftS < LAST_CALL_S ? { leftS, dueS } : null;
};

const noReadings: Look = (v) => {
  const { phase, probes, run } = v.c.state;
  if (phase !== 'in_house' || !run) return null;
  const rule = v.c.rules.probe_evidence.body;
  const placed = probes.filter((p) => p.what === 'core' && p.toS === null && p.name === null);
  if (placed.length === 0) return null;
  const times = placed.map((p) => lastOf(v.c.series[p.channelId] ?? [])?.tS ?? p.fromS);
  const byHandS = v.c.state.hand.reduce((last, h) => Math.max(last, h.tS), 0);
  const silentS = v.nowS - Math.max(...times, byHandS);
  return silentS > rule.maxGapS / 2 ? { silentS, limitS: rule.maxGapS } : null;
};

/** A core that shows the air, or more than a core can: most often a probe that hangs in the air. */
const SLID_OUT = ['reads_air', 'too_high'];

const probeSlidOut: Look = (v) => {
  if (!inHouse(v)) return null;
  for (const log of v.logs) {
    const end = lastOf(log.readings)?.tS;
    const out = log.rejected.find((r) => SLID_OUT.includes(r.reason) && r.toS === end);
    if (out) return { fromS: out.fromS, channelId: log.channelId ?? 0 };
  }
  return null;
};

const coldSmokeWarm: Look = (v) => {
  if (!inHouse(v) || !v.at!.stage.smoke || v.at!.stage.airC > COLD_SMOKE_C) return null;
  const recent = since(v.air, v.nowS - FALL.windowS);
  const last = lastOf(recent);
  return last && recent.length > 2 && recent.every((r) => r.tempC > COLD_SMOKE_C + 1)
    ? { airC: last.tempC, limitC: COLD_SMOKE_C }
    : null;
};

const stageTooLong: Look = (v) =>
  inHouse(v) && v.stage?.tooLong && !v.stage.over
    ? { forS: v.nowS - v.at!.startS, maxS: v.at!.stage.maxS ?? 0 }
    : null;

const missesReadyBy: Look = (v) => {
  const { readyByS, phase } = v.c.state;
  if (v.readyS === null || (phase !== 'in_house' && phase !== 'chilling')) return null;
  return v.readyS > readyByS + LATE_S
    ? { readyS: v.readyS, dueS: readyByS, lateS: v.readyS - readyByS }
    : null;
};

const LOOKS: Record<AlarmCode, Look> = {
  fire_out: fireOut,
  no_readings: noReadings,
  probe_slid_out: probeSlidOut,
  target_reached: targetReached,
  cooling_running_out: coolingRunningOut,
  cooling_not_started: coolingNotStarted,
  come_up_running_out: comeUpRunningOut,
  too_hot: tooHot,
  air_out_of_band: airOutOfBand,
  core_stall: coreStall,
  cold_smoke_warm: coldSmokeWarm,
  stage_too_long: stageTooLong,
  misses_ready_by: missesReadyBy,
  serving_running_out: servingRunningOut,
};

/** An alarm that says the same in sharper words makes the other one silent. */
const SILENCES: Partial<Record<AlarmCode, AlarmCode>> = {
  fire_out: 'air_out_of_band',
  target_reached: 'stage_too_long',
};

function viewOf(input: AlarmInput): View {
  const { c, nowS } = input;
  const window = houseWindow(c);
  const logs = window ? coreLogs(c, window.fromS, window.toS, 'house') : [];
  const airs = c.state.probes
    .filter((p) => p.what === 'air')
    .map((p) => within(c.series[p.channelId] ?? [], window?.fromS ?? nowS, Infinity));
  const air = airs.length > 1 ? airs.flat().sort((a, b) => a.tS - b.tS) : (airs[0] ?? []);
  const slowest = judgedLogs(logs).reduce<CoreLog | null>(
    (a, b) =>
      !a || (lastCredited(b)?.tempC ?? Infinity) < (lastCredited(a)?.tempC ?? Infinity) ? b : a,
    null,
  );
  return { ...input, at: runStages(c.state).at(-1) ?? null, air, core: slowest, logs };
}

/**
 * What is wrong with a batch right now, most urgent first: each with its figures. Pure; the same record,
 * readings and time give the same alarms.
 * @source field standard, sections 2.11, 3.5, 3.8 and 9; usual bands and times of one house
 */
export function alarmsOf(input: AlarmInput): Alarm[] {
  const view = viewOf(input);
  const found = (Object.keys(LOOKS) as AlarmCode[]).flatMap((code): Alarm[] => {
    const figures = LOOKS[code](view);
    return figures ? [{ code, rank: RANK[code], figures }] : [];
  });
  const silent = new Set(found.map((a) => SILENCES[a.code]));
  return found.filter((a) => !silent.has(a.code)).sort((a, b) => a.rank - b.rank);
}

export type AlarmChanges = { raise: (Alarm & { key: string })[]; clear: string[] };

/**
 * What the record has to be told: alarms that are on and not recorded as on, and recorded ones that are
 * over. A key is the code and how many times it has been on: `fire_out:2`.
 */
export function alarmChanges(
  recorded: readonly AlarmState[],
  active: readonly Alarm[],
): AlarmChanges {
  const open = recorded.filter((a) => a.clearedS === null);
  const on = new Set<string>(active.map((a) => a.code));
  return {
    raise: active
      .filter((a) => !open.some((o) => o.alarm === a.code))
      .map((a) => ({
        ...a,
        key: `${a.code}:${recorded.filter((r) => r.alarm === a.code).length + 1}`,
      })),
    clear: open.filter((o) => !on.has(o.alarm)).map((o) => o.key),
  };
}
