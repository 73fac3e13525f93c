import { coreTargetOf } from '../../recipe/stage-ends';
import { wetBulbFromRh } from '../../heat/psychrometrics';
import { FAT_OUT_C } from '../../run/program-troubles';
import { inHouse, lastCredited, lastOf, since, type Look } from './alarm';

/** Usual values of one house; °C and s. */
const STALL = { windowS: 1800, riseC: 0.6, shortC: 3, airAboveC: 8 };
const NEAR_FAT_OUT_C = 2;
const BELIEVABLE_AIR_C = 190;

/** The core hardly rises, still short of its target, in air that is warmer, °C: most often it cools as it dries. */
export const coreStall: Look = (v) => {
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

/** The stage has what it waited for, with the core where it is credited, °C. */
export const targetReached: Look = (v) => {
  if (!inHouse(v) || !v.stage?.over) return null;
  const last = lastCredited(v.core);
  const figures: Record<string, number> = last ? { coreC: last.tempC } : {};
  return figures;
};

/** A core is about to lose its fat, °C. */
export const tooHot: Look = (v) => {
  if (!inHouse(v)) return null;
  const hottest = v.logs.reduce<number>(
    (most, l) => Math.max(most, lastCredited(l)?.tempC ?? -Infinity),
    -Infinity,
  );
  return hottest >= FAT_OUT_C - NEAR_FAT_OUT_C ? { coreC: hottest, limitC: FAT_OUT_C } : null;
};

/** No core has been read for half of what the rule lets pass, s. */
export const noReadings: Look = (v) => {
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

/** A core log ends in what no core shows: since when, and which channel. */
export const probeSlidOut: Look = (v) => {
  if (!inHouse(v)) return null;
  for (const log of v.logs) {
    const end = lastOf(log.readings)?.tS;
    const out = log.rejected.find((r) => SLID_OUT.includes(r.reason) && r.toS === end);
    if (out) return { fromS: out.fromS, channelId: log.channelId ?? 0 };
  }
  return null;
};
