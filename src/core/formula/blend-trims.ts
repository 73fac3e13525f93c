import { solve, type Model } from 'yalps';
import { QuantityError, requireBetween, requireNonNegative, requirePositive } from '../guard';

export type Trim = {
  id: string;
  /** Fat by mass, [0, 1]. */
  fatFraction: number;
  /** g, ≥ 0. */
  availableG: number;
  costPerKg?: number;
  /** Least and most of this trim in the blend, [0, 1]. */
  minFraction?: number;
  maxFraction?: number;
};

export type BlendLine = { id: string; amountG: number; fraction: number };
export type Blend = {
  /** The fat target is met, within 0.01 %. */
  feasible: boolean;
  /** The best blend there is; empty when none can be made. */
  lines: BlendLine[];
  fatFraction: number | null;
  /** Cost of the blend; null when a trim in it has no cost. */
  cost: number | null;
  /** Why the target is not met: out of reach, too little in stock, or shares that contradict each other. */
  reason: 'fat_out_of_reach' | 'stock_short' | 'shares_conflict' | null;
};

/** Fat off by less than this counts as met. */
const MET = 1e-4;
/** Slack of the second pass over the deviation that the first one found, shares of the blend. */
const SLACK = 1e-10;

const noBlend = (reason: Blend['reason']): Blend => ({
  feasible: false,
  lines: [],
  fatFraction: null,
  cost: null,
  reason,
});

type Solved = { deviation: number; shares: Map<string, number> };

function bounds(t: Trim, totalG: number): { min: number; max: number } {
  return {
    min: t.minFraction ?? 0,
    max: Math.min(t.maxFraction ?? 1, t.availableG / totalG),
  };
}

/** One pass of the linear program over shares: least deviation, or least cost at that deviation. */
function pass(
  trims: readonly Trim[],
  target: number,
  totalG: number,
  atMost: number | null,
): Solved | null {
  const dearest = Math.max(0, ...trims.map((t) => t.costPerKg ?? 0));
  const constraints: Record<string, { min?: number; max?: number; equal?: number }> = {
    whole: { equal: 1 },
    fat: { equal: target },
  };
  if (atMost !== null) constraints.off = { max: atMost + SLACK };
  const variables: Record<string, Record<string, number>> = {
    over: { fat: -1, off: 1, goal: atMost === null ? 1 : 0 },
    under: { fat: 1, off: 1, goal: atMost === null ? 1 : 0 },
  };
  trims.forEach((t, i) => {
    const { min, max } = bounds(t, totalG);
    constraints[`limit${i}`] = { min, max };
    const cost = t.costPerKg ?? dearest;
    variables[`trim${i}`] = {
      whole: 1,
      fat: t.fatFraction,
      [`limit${i}`]: 1,
      goal: atMost === null ? 0 : cost,
    };
  });
  const model: Model = { direction: 'minimize', objective: 'goal', constraints, variables };
  const solution = solve(model, { precision: 1e-12, maxPivots: 20_000 });
  if (solution.status !== 'optimal') return null;
  const values = new Map(solution.variables);
  const shares = new Map(trims.map((t, i) => [t.id, values.get(`trim${i}`) ?? 0]));
  return { deviation: (values.get('over') ?? 0) + (values.get('under') ?? 0), shares };
}

function check(input: { trims: readonly Trim[]; targetFatFraction: number; totalG: number }) {
  requirePositive('totalG', input.totalG);
  requireBetween('targetFatFraction', input.targetFatFraction, 0, 1);
  if (new Set(input.trims.map((t) => t.id)).size < input.trims.length)
    throw new QuantityError('trims', 'ids', 'different from each other');
  for (const t of input.trims) {
    requireBetween(`fatFraction of ${t.id}`, t.fatFraction, 0, 1);
    requireNonNegative(`availableG of ${t.id}`, t.availableG);
    requireNonNegative(`costPerKg of ${t.id}`, t.costPerKg ?? 0);
    requireBetween(`minFraction of ${t.id}`, t.minFraction ?? 0, 0, 1);
    requireBetween(`maxFraction of ${t.id}`, t.maxFraction ?? 1, 0, 1);
  }
}

/**
 * Weights of trims that come closest to a fat target within stock and shares: a linear program for the
 * least |fat − target|, then a second one for the least cost at that deviation. A trim without a cost
 * counts as dear as the dearest, so that it is not taken for being unpriced.
 * @param trims any number, ids unique; g, fractions, cost per kg · @param targetFatFraction [0, 1]
 * @param totalG weight of the blend, g, > 0
 * @throws RangeError naming the field that is out of its interval
 * @source linear programming, simplex method (Dantzig 1947), solved by a library
 * @example blendTrims({ trims: [{ id: 'lean', fatFraction: 0.1, availableG: 9e3 }, { id: 'fat', fatFraction: 0.9, availableG: 9e3 }],
 *   targetFatFraction: 0.3, totalG: 8000 }).lines // [{ id: 'lean', amountG: 6000 }, { id: 'fat', amountG: 2000 }]
 */
export function blendTrims(input: {
  trims: readonly Trim[];
  targetFatFraction: number;
  totalG: number;
}): Blend {
  check(input);
  const { trims, targetFatFraction: target, totalG } = input;
  const stockG = trims.reduce((sum, t) => sum + t.availableG, 0);
  if (stockG < totalG * (1 - 1e-9)) return noBlend('stock_short');
  const closest = pass(trims, target, totalG, null);
  if (!closest) return noBlend('shares_conflict');
  const best = pass(trims, target, totalG, closest.deviation) ?? closest;
  const byId = new Map(trims.map((t) => [t.id, t]));
  const lines = trims
    .map((t) => ({ id: t.id, fraction: best.shares.get(t.id)! }))
    .filter((l) => l.fraction > 1e-7)
    .map((l) => ({ ...l, amountG: Math.min(l.fraction * totalG, byId.get(l.id)!.availableG) }));
  const fatFraction = lines.reduce((s, l) => s + l.fraction * byId.get(l.id)!.fatFraction, 0);
  const costs = lines.map((l) => {
    const perKg = byId.get(l.id)!.costPerKg;
    return perKg === undefined ? Number.NaN : (perKg * l.amountG) / 1000;
  });
  const total = costs.reduce((sum, c) => sum + c, 0);
  const feasible = Math.abs(fatFraction - target) <= MET;
  return {
    feasible,
    lines,
    fatFraction,
    cost: Number.isNaN(total) ? null : total,
    reason: feasible ? null : 'fat_out_of_reach',
  };
}
