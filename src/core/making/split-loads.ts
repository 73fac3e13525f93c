import { QuantityError, requirePositive } from '../guard';

export type SplitLine = {
  lineId: string;
  /** What all loads together take, g, and the division of the scale that weighs it, g. */
  totalG: number;
  resolutionG: number;
};
export type Load = { load: number; totalG: number; lines: { lineId: string; amountG: number }[] };

/** More loads than this are a smaller batch, or a bigger bowl. */
export const MOST_LOADS = 20;
/** Binary noise of a sum, g. */
const NOISE_G = 1e-6;

/** Free of binary noise such as 6.3999999999999995. */
const exact = (g: number) => Number(g.toFixed(6));

/**
 * Splits a batch into equal loads that a bowl takes: as few as fit, each with its own share of every line at the step of
 * the scale that weighs it. Loads of one line differ by one step at most, and their sum is what was given, exactly: what is
 * no whole number of steps goes with the first load.
 * @param input.totalG all that goes into the bowl, g, > 0 · @param input.capacityG what the bowl takes, g, > 0
 * @throws RangeError for figures that are not positive, or a bowl that would need more than twenty loads
 * @source usual practice of the trade: equal loads rather than full ones and a rest, each with its own weighed share of cure
 * @example splitLoads({ totalG: 30000, capacityG: 12000, lines: [] }).length // 3
 */
export function splitLoads(input: {
  totalG: number;
  capacityG: number;
  lines: readonly SplitLine[];
}): Load[] {
  const totalG = requirePositive('totalG', input.totalG);
  const capacityG = requirePositive('capacityG', input.capacityG);
  const count = loadsFor(totalG, capacityG);
  if (count > MOST_LOADS)
    throw new QuantityError('capacityG', capacityG, `a bowl that takes it in ${MOST_LOADS} loads`);
  return shareLoads(totalG, count, input.lines);
}

/** As few equal loads as a bowl takes. */
export const loadsFor = (totalG: number, capacityG: number): number =>
  Math.max(1, Math.ceil((totalG - NOISE_G) / capacityG));

/** The same for a number of loads that somebody has chosen, 1 to 20. */
export function shareLoads(totalG: number, count: number, lines: readonly SplitLine[]): Load[] {
  if (!Number.isInteger(count) || count < 1 || count > MOST_LOADS)
    throw new QuantityError('count', count, `a whole number from 1 to ${MOST_LOADS}`);
  const shares = new Map(lines.map((l) => [l.lineId, shareOf(l, count)]));
  return Array.from({ length: count }, (_, i) => ({
    load: i + 1,
    totalG: exact(totalG / count),
    lines: lines.map(({ lineId }) => ({ lineId, amountG: shares.get(lineId)![i]! })),
  }));
}

/** Shares of one line, g, whole steps of its scale, the larger ones first. */
function shareOf(line: SplitLine, count: number): number[] {
  const stepG = requirePositive('resolutionG', line.resolutionG);
  const steps = Math.floor(line.totalG / stepG + NOISE_G);
  const restG = line.totalG - steps * stepG;
  const [each, over] = [Math.floor(steps / count), steps % count];
  return Array.from({ length: count }, (_, i) => {
    const whole = (each + (i < over ? 1 : 0)) * stepG;
    return exact(i === 0 && Math.abs(restG) > NOISE_G ? whole + restG : whole);
  });
}
