import { rhFromWetBulb } from '../../heat/psychrometrics';
import { nearest } from '../../probes/series-at';
import { logsOf } from '../../verdict/surroundings';
import type { Case } from '../../verdict/check';
import { inHouse, since, type Look } from './alarm';

/** A chamber has settled after so long, and is then off for so long before anybody is told, s. */
const SETTLE_S = 2 * 3600;
const WINDOW_S = 3600;
/** A wet and a dry bulb within so long belong together, s: they may be read off by one pair of eyes. */
const TOGETHER_S = 900;
/** Off by more than a chamber swings, 0-1 (usual). */
const BAND_RH = 0.1;
const LEAST_PAIRS = 2;

export type Humidity = { tS: number; rh: number; airC: number };

/**
 * Humidity of a chamber from its dry and its wet bulb, by sensor or by hand: one for each reading of the dry one that has a wet
 * one beside it.
 * @param sinceS from when on, s · @returns in time order, rh 0 to 1
 */
export function humidityOf(c: Case, sinceS: number): Humidity[] {
  const wet = logsOf(c, 'wet_bulb');
  return logsOf(c, 'air')
    .flatMap((log) => since(log, sinceS))
    .sort((a, b) => a.tS - b.tS)
    .flatMap((air) => {
      const beside = wet
        .map((log) => nearest(log, air.tS, TOGETHER_S))
        .find((r) => r !== null && r.tempC <= air.tempC + 1);
      if (!beside || air.tempC < 0) return [];
      const rh = rhFromWetBulb(air.tempC, Math.min(beside.tempC, air.tempC));
      return [{ tS: air.tS, airC: air.tempC, rh: Math.min(1, Math.max(0, rh)) }];
    });
}

/** The chamber has been drier or wetter than its stage asks for a whole hour, while a batch ferments or hangs in it. */
export const humidityOff: Look = (v) => {
  if (!inHouse(v) || (v.at!.stage.kind !== 'ferment' && v.at!.stage.kind !== 'hang')) return null;
  const setRh = v.at!.stage.rh;
  if (setRh === undefined || v.nowS - v.at!.startS < SETTLE_S) return null;
  const recent = humidityOf(v.c, v.nowS - WINDOW_S);
  const last = recent.at(-1);
  if (!last || recent.length < LEAST_PAIRS) return null;
  const dry = recent.every((h) => h.rh < setRh - BAND_RH);
  const wet = recent.every((h) => h.rh > setRh + BAND_RH);
  return dry || wet ? { rh: last.rh, setRh, dry: Number(dry) } : null;
};
