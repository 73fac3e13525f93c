import { pieceInBand } from '../cooling/time-in-band';
import type { WindowStatus } from '../cooling/timed-window';
import type { Reading } from '../lethality/reading';
import type { Case } from './check';
import { holdWarmestC, knownTemps, type KnownTemp } from './known-temps';
import type { PieceLog } from './pieces';
import { logsOf } from './surroundings';

/** How long a product stood where organisms grow, up to its last pull. */
export type Growth = {
  status: WindowStatus;
  elapsedS: number;
  fromC: number;
  toC: number;
  maxS: number;
  /** When it was first there, and whether it is there now. */
  startS: number | null;
  now: boolean;
};

type Band = { fromC: number; toC: number; maxS: number };

/** Points further apart say nothing of the time between, which then counts whole, s. */
const SPARSE_S = 1860;
/** Batter in a cooler is no longer where organisms grow after this, s. Usual. */
const COOLS_S = 2 * 3600;
/** Raw product that is kept no warmer than this is kept cold, °C. Usual limit of raw meat in trade. */
export const KEPT_COLD_C = 7;

/** When the batch was last known to be cold: the end of its hold, or its start. */
const lastCold = ({ state }: Case) => state.hold?.endS ?? state.hold?.startS ?? state.startedS;

/** A cooler that was cold makes its batter cold. */
function coldPoints(c: Case): KnownTemp[] {
  const warmestC = holdWarmestC(c);
  if (warmestC === null || warmestC > c.rules.cure_hold.body.maxCoolerC) return [];
  return c.state.hold!.stretches.flatMap((s) =>
    s.endS !== null && s.endS - s.startS > COOLS_S
      ? [{ tS: s.startS + COOLS_S, tempC: warmestC }]
      : [],
  );
}

/** Temperatures of the product from before its log, in time. */
function before(c: Case, log: PieceLog, cured: boolean): KnownTemp[] {
  const firstS = log.readings[0]!.tS;
  const hand = c.state.hand
    .filter((h) => h.what === 'core')
    .map(({ tS, tempC }) => ({ tS, tempC }));
  const measured = cured ? hand : knownTemps(c);
  const kept = cured
    ? []
    : logsOf(c, 'cooler')
        .flat()
        .filter((r) => r.tempC <= KEPT_COLD_C);
  const end = c.state.hold?.endS;
  const warmestC = holdWarmestC(c);
  const held = end != null && warmestC !== null ? [{ tS: end, tempC: warmestC }] : [];
  return [...measured, ...kept, ...(cured ? held : []), ...coldPoints(c)]
    .filter((p) => p.tS < firstS)
    .sort((a, b) => a.tS - b.tS);
}

/** Seconds in the band between two points; where they are far apart and one is in it, all of the time between. */
function between(a: Reading, b: Reading, band: Band): number {
  const inside = (t: number) => t > band.fromC && t < band.toC;
  if (b.tS - a.tS > SPARSE_S && (inside(a.tempC) || inside(b.tempC))) return b.tS - a.tS;
  return pieceInBand(a, b, band.fromC, band.toC);
}

/**
 * Growth over the life of one piece up to toS: every stay between fromC and toC counts, before, between and
 * after cooks. What nobody measured counts for as long as it can have been: a log that begins warm, from when the
 * product was last known to be cold.
 * @source USDA FSIS Appendix A (rev. 2021), come-up time, taken over the batch's life
 */
export function growthOf(c: Case, log: PieceLog, toS: number, band: Band): Growth {
  const cured = c.recipe.cure !== null;
  const runS = c.state.run?.startS ?? Infinity;
  const cold = (p: Reading): Reading =>
    p.tS <= runS && p.tempC <= KEPT_COLD_C ? { tS: p.tS, tempC: Math.min(p.tempC, band.fromC) } : p;
  const counts = (why: PieceLog['why'][number]) =>
    why === null || why === 'calibration' || why === 'flat_line';
  const own = log.readings.filter((r, i) => r.tS <= toS && counts(log.why[i]!));
  const all = [...before(c, log, cured), ...own];
  const points = cured ? all : all.map(cold);
  const first = points[0];
  if (!first) return { status: 'incomplete', elapsedS: 0, ...band, startS: null, now: false };
  if (first.tempC > band.fromC && !(first.tS >= runS && !cured && first.tempC <= KEPT_COLD_C)) {
    const sinceS = cured ? lastCold(c) : c.state.startedS;
    points.unshift({ tS: Math.min(sinceS, first.tS), tempC: band.fromC });
  }
  let elapsedS = 0;
  let startS: number | null = null;
  for (let i = 1; i < points.length; i += 1) {
    const stayS = between(points[i - 1]!, points[i]!, band);
    if (stayS > 0) startS ??= points[i - 1]!.tS;
    elapsedS += stayS;
  }
  const last = points.at(-1)!;
  const reached = own.some((r) => r.tempC >= band.toC);
  const status = elapsedS > band.maxS + 1e-6 ? 'fail' : reached ? 'pass' : 'incomplete';
  const now = last.tempC > band.fromC && last.tempC < band.toC;
  /* A limit that has run out exactly is over, unless the end was reached. */
  const over = status === 'incomplete' && elapsedS >= band.maxS - 1e-6;
  return { status: over ? 'fail' : status, elapsedS, ...band, startS, now };
}
