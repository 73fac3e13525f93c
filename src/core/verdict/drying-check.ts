import type { BatchState } from '../logbook/state';
import { check, type Case, type Check, type Figure } from './check';

export type PieceLoss = {
  piece: string;
  startG: number;
  nowG: number;
  lossFraction: number;
  /** When it was weighed last, epoch s. */
  atS: number;
  weighings: number;
  /** Most by which it was ever heavier than before, as a share. */
  gained: number;
};

/** Loss of every marked piece that still hangs since its first weighing, the one that lost least first. */
export function lossesOf(state: BatchState): PieceLoss[] {
  return Object.entries(state.pieceWeights)
    .filter(([piece]) => !Object.hasOwn(state.endedPieces, piece))
    .map(([piece, log]): PieceLoss => {
      const inTime = [...log].sort((a, b) => a.tS - b.tS);
      const [first, last] = [inTime[0]!, inTime.at(-1)!];
      const gained = inTime.reduce(
        (most, w, i) => (i === 0 ? most : Math.max(most, w.weightG / inTime[i - 1]!.weightG - 1)),
        0,
      );
      return {
        piece,
        startG: first.weightG,
        nowG: last.weightG,
        lossFraction: 1 - last.weightG / first.weightG,
        atS: last.tS,
        weighings: inTime.length,
        gained,
      };
    })
    .sort((a, b) => a.lossFraction - b.lossFraction);
}

type Weighings = BatchState['pieceWeights'][string];

/** What a piece had lost by a time, straight between its weighings; the ends hold. */
function lostBy(log: Weighings, tS: number): number {
  const inTime = [...log].sort((a, b) => a.tS - b.tS);
  const lossOf = (w: Weighings[number]) => 1 - w.weightG / inTime[0]!.weightG;
  const after = inTime.findIndex((w) => w.tS > tS);
  if (after < 0) return lossOf(inTime.at(-1)!);
  if (after === 0) return 0;
  const [a, b] = [inTime[after - 1]!, inTime[after]!];
  return lossOf(a) + ((tS - a.tS) / (b.tS - a.tS)) * (lossOf(b) - lossOf(a));
}

/**
 * How far the pieces that are gone lagged behind those that still hang when they were weighed last, 0-1: a piece that was slow and
 * is eaten speaks for the ones like it that nobody marked, so that its end makes no batch drier. Held against pieces that are judged
 * themselves only: one that was weighed once hides no lag.
 */
export function lagOfEnded({ pieceWeights, endedPieces }: BatchState): number {
  const hanging = Object.entries(pieceWeights).filter(
    ([piece, log]) => log.length > 1 && !Object.hasOwn(endedPieces, piece),
  );
  return Object.keys(endedPieces).reduce((most, piece) => {
    const log = pieceWeights[piece] ?? [];
    if (log.length < 2) return most;
    const tS = Math.max(...log.map((w) => w.tS));
    const least = Math.min(...hanging.map(([, other]) => lostBy(other, tS)));
    return Number.isFinite(least) ? Math.max(most, least - lostBy(log, tS)) : most;
  }, 0);
}

/** What the whole batch has lost at least, 0-1, by its marked pieces; null where none was weighed twice. */
export function leastLossOf(state: BatchState): number | null {
  const [least] = lossesOf(state).filter((l) => l.weighings > 1);
  return least ? least.lossFraction - lagOfEnded(state) : null;
}

function lossOpen(c: Case, target: number, figures: Figure[]): Check | null {
  const rule = c.rules.drying;
  const losses = lossesOf(c.state).filter((l) => l.weighings > 1);
  figures.push(
    { name: 'pieces', value: losses.length, unit: 'count' },
    { name: 'minPieces', value: rule.body.minPieces, unit: 'count' },
    { name: 'targetLoss', value: target * 100, unit: 'percent' },
  );
  const least = leastLossOf(c.state);
  if (least !== null) figures.push({ name: 'loss', value: least * 100, unit: 'percent' });
  const ended = Object.keys(c.state.endedPieces).length;
  if (ended > 0)
    figures.push(
      { name: 'ended', value: ended, unit: 'count' },
      { name: 'lag', value: lagOfEnded(c.state) * 100, unit: 'percent' },
    );
  if (losses.length < rule.body.minPieces)
    return check('drying', rule, 'missing', 'too_few_pieces', figures);
  if (losses.some((l) => l.gained > rule.body.gainShare))
    return check('drying', rule, 'missing', 'piece_gained', figures);
  return least! < target - 1e-9 ? check('drying', rule, 'missing', 'not_dry', figures) : null;
}

/** Whether a water activity was read with a meter that was checked in time. */
export const isCheckedAw = (
  { meterCheckedS, tS }: BatchState['aw'][number],
  maxAgeS: number,
): boolean => meterCheckedS !== null && meterCheckedS <= tS && tS - meterCheckedS <= maxAgeS;

function awOpen(c: Case, most: number, figures: Figure[]): Check | null {
  const rule = c.rules.drying;
  const last = [...c.state.aw].sort((a, b) => a.tS - b.tS).at(-1);
  figures.push({ name: 'maxAw', value: most, unit: 'count' });
  if (!last) return check('drying', rule, 'missing', 'no_aw', figures);
  figures.push({ name: 'aw', value: last.aw, unit: 'count' });
  if (last.aw > most + 1e-9) return check('drying', rule, 'missing', 'too_wet', figures);
  return isCheckedAw(last, rule.body.meterMaxAgeS)
    ? null
    : check('drying', rule, 'missing', 'meter_not_checked', figures);
}

/**
 * Drying to what the recipe asks: the loss of the marked piece that lost least, and the water activity by a meter that
 * was checked. Drying never fails: what is not dry yet dries on.
 */
export function checkDrying(c: Case): Check | null {
  const rule = c.rules.drying;
  const target = c.recipe.drying;
  if (!target) return null;
  const figures: Figure[] = [];
  const { minLossFraction, maxAw } = target;
  const open =
    (minLossFraction === undefined ? null : lossOpen(c, minLossFraction, figures)) ??
    (maxAw === undefined ? null : awOpen(c, maxAw, figures));
  return open ?? check('drying', rule, 'pass', 'dry', figures);
}

/** What is not cooked stands on the site's own validated plan, named by a release lead. */
export const checkPlan = (c: Case): Check =>
  c.state.plan
    ? check('validated_plan', c.rules.drying, 'pass', 'named')
    : check('validated_plan', c.rules.drying, 'missing', 'not_named');
