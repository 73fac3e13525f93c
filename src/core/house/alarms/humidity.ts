import { humidityOf } from '../../verdict/humidity-of';
import { inHouse, type Look } from './alarm';

/** A chamber has settled after so long, and is then off for so long before anybody is told, s. */
const SETTLE_S = 2 * 3600;
const WINDOW_S = 3600;
/** A wet and a dry bulb within so long belong together, s: they may be read off by one pair of eyes. */
const TOGETHER_S = 900;
/** Off by more than a chamber swings, 0-1 (usual). */
const BAND_RH = 0.1;
const LEAST_PAIRS = 2;

/** The chamber has been drier or wetter than its stage asks for a whole hour, while a batch ferments or hangs in it. */
export const humidityOff: Look = (v) => {
  if (!inHouse(v) || (v.at!.stage.kind !== 'ferment' && v.at!.stage.kind !== 'hang')) return null;
  const setRh = v.at!.stage.rh;
  if (setRh === undefined || v.nowS - v.at!.startS < SETTLE_S) return null;
  const recent = humidityOf(v.c, { sinceS: v.nowS - WINDOW_S, nearS: TOGETHER_S });
  const last = recent.at(-1);
  if (!last || recent.length < LEAST_PAIRS) return null;
  const dry = recent.every((h) => h.rh < setRh - BAND_RH);
  const wet = recent.every((h) => h.rh > setRh + BAND_RH);
  return dry || wet ? { rh: last.rh, setRh, dry: Number(dry) } : null;
};
