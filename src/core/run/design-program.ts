import { QuantityError, requireBetween, requirePositive } from '../guard';
import type { HeatProduct } from '../heat/product';
import { simulateProgram, type HeatStage, type Simulation } from '../heat/simulate-program';
import type { LethalityModel } from '../lethality/lethality';

/** What is asked the other way round. */
export type DesignGoal = {
  /** Decimal reductions to be reached; or a core temperature. One of the two. */
  logs?: number;
  coreC?: number;
  /** Whole time up to the end of the cook, s. */
  withinS: number;
  /** The core may not pass this, carry-over included, °C. */
  notAboveC?: number;
  /** What comes before the cook, as it is. */
  before?: readonly HeatStage[];
  /** The cook: where, how moist, and, when the set point is fixed, at what; else it is looked for. */
  medium?: 'air' | 'water';
  rh?: number;
  hWm2K?: number;
  airC?: number;
  /** How it is chilled, for the carry-over; ice water when left out. */
  chill?: HeatStage;
  model?: LethalityModel;
};

const AIR_C = { air: { low: 50, high: 120 }, water: { low: 50, high: 98 } } as const;
const SURE_C = 0.25;
const ROUND_C = 0.5;
const ICE: HeatStage = { name: 'Ice bath', medium: 'ice-water', airC: 1, endS: 1800 };

type Tried = { stages: HeatStage[]; run: Simulation; cookedS: number; met: boolean; peakC: number };

function tryAt(product: HeatProduct, goal: DesignGoal, airC: number, shells: number): Tried {
  const before = goal.before ?? [];
  const cook: HeatStage = {
    name: 'Cook',
    medium: goal.medium ?? 'air',
    airC,
    rh: goal.medium === 'water' ? undefined : (goal.rh ?? 0.7),
    hWm2K: goal.hWm2K,
    endLogs: goal.logs,
    endCoreC: goal.coreC,
    maxS: goal.withinS,
  };
  const stages = [...before, cook];
  const run = simulateProgram({
    product,
    stages: [...stages, goal.chill ?? ICE],
    outputEveryS: 120,
    model: goal.model,
    shells,
  });
  const end = run.stageEnds[before.length]!;
  return {
    stages,
    run,
    cookedS: end.tS,
    met: end.reason !== 'max' && end.tS <= goal.withinS,
    peakC: Math.max(...run.samples.map((s) => s.coreC)),
  };
}

/**
 * The gentlest program that reaches a goal: of all set points of the cook that are in time, the lowest,
 * because time falls and the highest core rises with the set point. Found by halving, rounded up to half
 * a degree, and proven by a run of the full model.
 * @param goal one of `logs` and `coreC`; times in s, temperatures in °C
 * @returns the stages up to the end of the cook, with `endLogs` or `endCoreC` and the longest time; empty
 * when no set point does it (too little time, or the core would pass `notAboveC`)
 * @throws RangeError when the goal says neither or both, or a figure is out of range
 * @example designProgram({ diameterMm: 38, startC: 4 }, { logs: 6.5, withinS: 18000, notAboveC: 74 }).at(-1)?.endLogs // 6.5
 */
export function designProgram(product: HeatProduct, goal: DesignGoal): HeatStage[] {
  requirePositive('withinS', goal.withinS);
  if ((goal.logs === undefined) === (goal.coreC === undefined))
    throw new QuantityError('goal', goal.logs ?? 'nothing', 'one of logs and coreC');
  if (goal.logs !== undefined) requirePositive('logs', goal.logs);
  if (goal.coreC !== undefined) requireBetween('coreC', goal.coreC, 20, 95);
  const limitC = requireBetween('notAboveC', goal.notAboveC ?? 100, 30, 100);
  const fits = (t: Tried) => t.met && t.peakC <= limitC;
  const span = AIR_C[goal.medium ?? 'air'];
  if (goal.airC !== undefined) {
    const tried = tryAt(product, goal, goal.airC, 40);
    return fits(tried) ? tried.stages : [];
  }
  let low: number = span.low;
  let high: number = span.high;
  if (!tryAt(product, goal, high, 20).met) return [];
  while (high - low > SURE_C) {
    const middle = (low + high) / 2;
    if (tryAt(product, goal, middle, 20).met) high = middle;
    else low = middle;
  }
  /* Half a degree up is kinder to a thermostat, and the coarse runs may have been a hair too fast. */
  for (
    let airC = Math.ceil(high / ROUND_C) * ROUND_C;
    airC <= high + 2 * ROUND_C;
    airC += ROUND_C
  ) {
    const proof = tryAt(product, goal, airC, 40);
    if (proof.met) return fits(proof) ? proof.stages : [];
  }
  return [];
}
