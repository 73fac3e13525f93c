import { simulateDrying, type DryingInput } from './simulate-drying';
import type { DryingFactors } from './piece';

/** How dry the rim is beside the whole, and the room to set where it is too dry. */
export type RimView = {
  status: 'even' | 'drying_fast' | 'hard';
  /** Water of the rim for that of the whole, now and in two days in the room as it is. */
  share: number;
  soonShare: number;
  /** Humidity, 0-1, in which the rim takes up from inside what it gives off; null where nothing need be set. */
  rhInstead: number | null;
};

/**
 * A rim with less than this share of the water of the whole closes; below the first it is to be watched (usual; it is a model's
 * figure: a hand feels the ring, a slice shows it).
 */
const SHARES = { watch: 0.62, hard: 0.5 };
const SOON_S = 2 * 86400;
/** Moister than this grows mould, and dries nothing. */
const MOST_RH = 0.92;
const RH_STEP = 0.01;

/**
 * Is the rim closing, and which humidity lets it even out? The drying model in the room as it is for two days more, then in
 * moister ones: the driest, in whole per cent, in which the rim has come back above the watched share by then, or is at least moister
 * than now.
 * @param run the piece in its room up to `nowS`, whose last air holds · @param factors as fitted
 * @throws RangeError as {@link simulateDrying}
 * At most seven simulations.
 * @source usual practice of the trade: case hardening; shares are usual values of this model
 */
export function rimOf(
  run: Omit<DryingInput, 'untilS' | 'untilLoss' | 'factors'>,
  factors: DryingFactors,
  nowS: number,
): RimView {
  const last = run.air.findLast((a) => a.tS <= nowS) ?? run.air[0]!;
  const soon = (rh: number) => {
    const air = [
      ...run.air.filter((a) => a.tS < nowS),
      { ...last, tS: nowS },
      { ...last, tS: nowS + 1, rh },
    ];
    return simulateDrying({ ...run, air, factors, untilS: nowS + SOON_S }).samples;
  };
  const asItIs = soon(last.rh);
  const share = (asItIs.find((s) => s.tS >= nowS) ?? asItIs.at(-1)!).rimShare;
  const soonShare = asItIs.at(-1)!.rimShare;
  const least = Math.min(share, soonShare);
  if (least >= SHARES.watch) return { status: 'even', share, soonShare, rhInstead: null };
  const wanted = Math.min(SHARES.watch, share + 0.05);
  let [low, high] = [Math.ceil(last.rh / RH_STEP - 1e-6), Math.round(MOST_RH / RH_STEP)];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (soon(middle * RH_STEP).at(-1)!.rimShare >= wanted) high = middle;
    else low = middle;
  }
  const rhInstead = last.rh < high * RH_STEP ? high * RH_STEP : null;
  return { status: least < SHARES.hard ? 'hard' : 'drying_fast', share, soonShare, rhInstead };
}
