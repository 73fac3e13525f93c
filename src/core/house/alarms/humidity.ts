import { humidityOf } from '../../verdict/humidity-of';
import { inHouse, slowStage, type Look } from './alarm';
import { ownBand } from './own-band';

/** A chamber has settled after so long, and is then off for so long before anybody is told, s. */
const SETTLE_S = 2 * 3600;
const WINDOW_S = 3600;
/** A wet and a dry bulb within so long belong together, s: they may be read off by one pair of eyes. */
const TOGETHER_S = 900;
/** Off by more than a chamber swings, 0-1: usual, and the least and most that its own swing of the last day makes of it. */
const BAND_RH = { usual: 0.1, least: 0.06, most: 0.15 };
const LEARNED_S = 24 * 3600;
/** Its own swing is read off so often, s. */
const EVERY_S = 600;
const LEAST_PAIRS = 2;

/** The chamber has been drier or wetter than its stage asks for a whole hour, while a batch ferments or hangs in it. */
export const humidityOff: Look = (v) => {
  if (!inHouse(v) || !slowStage(v)) return null;
  const setRh = v.at!.stage.rh;
  if (setRh === undefined || v.nowS - v.at!.startS < SETTLE_S) return null;
  const recent = humidityOf(v.c, { sinceS: v.nowS - WINDOW_S, nearS: TOGETHER_S });
  const last = recent.at(-1);
  if (!last || recent.length < LEAST_PAIRS) return null;
  const settledS = Math.max(v.at!.startS + SETTLE_S, v.nowS - LEARNED_S);
  const before = humidityOf(v.c, { sinceS: settledS, nearS: TOGETHER_S, everyS: EVERY_S });
  const offs = before.filter((h) => h.tS < v.nowS - WINDOW_S).map((h) => h.rh - setRh);
  const band = ownBand(offs, BAND_RH);
  const dry = recent.every((h) => h.rh < setRh - band);
  const wet = recent.every((h) => h.rh > setRh + band);
  return dry || wet ? { rh: last.rh, setRh, dry: Number(dry) } : null;
};
