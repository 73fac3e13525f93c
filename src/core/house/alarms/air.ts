import type { Reading } from '../../lethality/reading';
import { inHouse, lastOf, since, slowStage, type Look, type View } from './alarm';
import { ownBand } from './own-band';

/** Usual values of one house; °C and s. */
const BAND_C = 8;
const SETTLE_S = 1500;
/** A chamber by its own swing of the last day, °C; it settles with its load for hours, and is off for an hour before anybody is told, s. */
const CHAMBER = { band: { usual: 3, least: 2, most: 4 }, settleS: 3 * 3600, windowS: 3600 };
const FALL = { windowS: 600, byC: 4, belowC: 6 };
const COLD_SMOKE_C = 30;
/** No air stands still to the last digit for so long; so many readings say that it was asked, s. */
const STILL = { windowS: 3 * 3600, readings: 12 };

/** The air of a heated stage falls fast and far below its set point, °C and s: the fire is out, or a door stands open. */
export const fireOut: Look = (v) => {
  if (!inHouse(v) || v.at!.place !== 'house' || v.at!.stage.airC < 30) return null;
  if (v.nowS - v.at!.startS < FALL.windowS) return null;
  /* Corners differ: each sensor is held against itself, and a fire that is out is felt by all that speak. */
  const setC = v.at!.stage.airC;
  const speak = v.airs.map((air) => since(air, v.nowS - FALL.windowS)).filter((l) => l.length > 0);
  const falls = speak.map((recent) => fallOf(recent, setC));
  return falls.length > 0 && falls.every((f) => f !== null) ? { ...falls[0]!, setC } : null;
};

/** How far one sensor fell over the window, where that is a fire going out. */
function fallOf(recent: readonly Reading[], setC: number) {
  const [first, last] = [recent[0], lastOf(recent)];
  if (!first || !last || last.tS - first.tS < FALL.windowS / 2) return null;
  const fellC = first.tempC - last.tempC;
  if (fellC < FALL.byC || last.tempC > setC - FALL.belowC) return null;
  return { airC: last.tempC, fellC, overS: last.tS - first.tS };
}

/** The air has been off its set point for longer than a settled house is, °C. */
export const airOutOfBand: Look = (v) => {
  if (!inHouse(v) || v.at!.medium !== 'air' || v.at!.stage.rampFromC !== undefined) return null;
  const slow = slowStage(v);
  if (v.nowS - v.at!.startS < (slow ? CHAMBER.settleS : SETTLE_S)) return null;
  const forS = slow ? CHAMBER.windowS : FALL.windowS;
  const recent = since(v.air, v.nowS - forS);
  const last = lastOf(recent);
  if (!last || recent.length < 3) return null;
  const bandC = slow ? chamberBandC(v) : BAND_C;
  const off = recent.every((r) => Math.abs(r.tempC - v.at!.stage.airC) > bandC);
  return off
    ? { airC: last.tempC, setC: v.at!.stage.airC, forS, ...(slow ? { chamber: 1 } : {}) }
    : null;
};

/** Band of a chamber by how it kept its set point since it settled, °C. */
function chamberBandC(v: View): number {
  const [fromS, toS] = [v.at!.startS + CHAMBER.settleS, v.nowS - CHAMBER.windowS];
  const settled = v.air.filter((r) => r.tS >= fromS && r.tS < toS);
  return ownBand(
    settled.map((r) => r.tempC - v.at!.stage.airC),
    CHAMBER.band,
  );
}

/** Cold smoke has been warmer than cold smoke is, °C. */
export const coldSmokeWarm: Look = (v) => {
  if (!inHouse(v) || !v.at!.stage.smoke || v.at!.stage.airC > COLD_SMOKE_C) return null;
  /* One corner that is warm is enough. */
  const warm = v.airs
    .map((air) => since(air, v.nowS - FALL.windowS))
    .find((recent) => recent.length > 2 && recent.every((r) => r.tempC > COLD_SMOKE_C + 1));
  return warm ? { airC: lastOf(warm)!.tempC, limitC: COLD_SMOKE_C } : null;
};

/** A chamber's sensor has shown the very same for hours, as no air does: it hangs, or what sends it does. */
export const airStill: Look = (v) => {
  if (!inHouse(v) || v.nowS - v.at!.startS < STILL.windowS) return null;
  for (const air of v.airs) {
    const recent = since(air, v.nowS - STILL.windowS);
    const [first, last] = [recent[0], lastOf(recent)];
    if (!first || !last || recent.length < STILL.readings) continue;
    const long = last.tS - first.tS > 0.9 * STILL.windowS;
    if (long && recent.every((r) => r.tempC === last.tempC))
      return { airC: last.tempC, forS: last.tS - first.tS };
  }
  return null;
};
