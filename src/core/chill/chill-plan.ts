import { checkCooling, type CoolingStep } from '../cooling/check-cooling';
import { QuantityError, requirePositive } from '../guard';
import { chillStage, filmOf } from '../run/heat-stage';
import type { HeatProduct } from '../heat/product';
import { simulateProgram, type HeatStage, type Simulation } from '../heat/simulate-program';
import { mediumIn } from '../run/run-stage';
import { placeOf } from '../route/stage-step';
import type { ChillMedium } from '../recipe/recipe';

/** What a chill is made in: temperatures °C, films W/(m²·K); the usual of each where left out. */
export type ChillMedia = {
  /** Where it begins: ice water, a shower, or no bath at all. */
  first: { medium: Exclude<ChillMedium, 'cooler'>; waterC?: number; hWm2K?: number } | null;
  air?: { airC?: number; rh?: number; hWm2K?: number };
};

export type ChillBand = [fast: number, slow: number];

export type ChillPlan = {
  /** Minutes in the water, then in the cooler's air until the rule's last temperature. */
  iceMin: number;
  airMin: number;
  /** Ice for this mass, with what melts for nothing, kg; 0 where there is no ice. */
  iceKg: number;
  /** The same minutes in a brisker and a slower chill. */
  band: { iceMin: ChillBand; airMin: ChillBand };
  /** Core when it leaves the water, °C. */
  leavesC: number;
  /** Does a slow chill keep every step of the rule, does only a usual one, or does none? */
  status: 'safe' | 'close' | 'too_slow';
  /** Each step of the rule in a slow chill, s. */
  steps: { fromC: number; toC: number; maxS: number; takesS: number | null }[];
};

/** Films of a slow and a brisk chill beside the usual, and shells of the model. Model values. */
const SLOW_FILM = 0.6;
const BRISK_FILM = 1.5;
const SHELLS = 24;
/** Nothing is chilled for longer than this, s. */
const LONGEST_S = 48 * 3600;
/** Ice that melts for nothing: the bath, the room, stirring. @source usual practice of the trade for what warms after the cooler: × 1.2 to 1.4 */
const ICE_MORE = 1.3;
const MELT_J_G = 334;
const WATER_J_GK = 4.2;

type Asked = { product: HeatProduct; media: ChillMedia; rule: { steps: readonly CoolingStep[] } };

/** A medium as a stage of the model, with its film taken times `film`. */
function stageOf(
  medium: ChillMedium,
  film: number,
  own: { airC?: number; rh?: number; hWm2K?: number },
): HeatStage {
  const usual = chillStage(medium, 60);
  return {
    name: usual.name!,
    medium: mediumIn(placeOf(usual)),
    airC: own.airC ?? usual.airC,
    rh: own.rh ?? usual.rh,
    hWm2K: (own.hWm2K ?? filmOf(usual)) * film,
  };
}

/** One chill of the model: so long in the water, then air until the last temperature. */
function chillRun({ product, media, rule }: Asked, film: number, waterS: number): Simulation {
  const lastC = rule.steps.at(-1)!.toC;
  const { first } = media;
  const water =
    first && waterS > 0
      ? [
          {
            ...stageOf(first.medium, film, { airC: first.waterC, hWm2K: first.hWm2K }),
            endS: waterS,
          },
        ]
      : [];
  const air = { ...stageOf('cooler', film, media.air ?? {}), endCoreC: lastC, maxS: LONGEST_S };
  return simulateProgram({
    product: film < 1 ? { ...product, casingPermeability: 0 } : product,
    stages: [...water, air],
    outputEveryS: 60,
    shells: SHELLS,
  });
}

/** Seconds in the water until the core is at a temperature; null where it does not get there. */
function waterS({ product, media }: Asked, film: number, toC: number): number | null {
  const { first } = media;
  if (!first || product.startC <= toC) return 0;
  const { stageEnds } = simulateProgram({
    product,
    stages: [
      {
        ...stageOf(first.medium, film, { airC: first.waterC, hWm2K: first.hWm2K }),
        endCoreC: toC,
        maxS: LONGEST_S,
      },
    ],
    outputEveryS: LONGEST_S,
    shells: SHELLS,
  });
  const [end] = stageEnds;
  return end!.reason === 'core' ? end!.tS : null;
}

const cores = (run: Simulation) => run.samples.map((s) => ({ tS: s.tS, tempC: s.coreC }));
const keeps = (asked: Asked, run: Simulation) =>
  checkCooling({ readings: cores(run), steps: [...asked.rule.steps] });

/** A run passes where no step fails or is left open; a piece that is never above a step has it. */
function passes(asked: Asked, run: Simulation): boolean {
  const last = asked.rule.steps.at(-1)!.toC;
  if (run.samples.at(-1)!.coreC > last + 0.01) return false;
  return keeps(asked, run).steps.every((s) => s.status === 'pass' || s.startS === null);
}

/** Least water, s, from a start, after which a slow chill keeps the rule: tried longer by halves, at most to the end in water. */
function enoughS(asked: Asked, fromS: number, film: number): number | null {
  if (passes(asked, chillRun(asked, film, fromS))) return fromS;
  if (!asked.media.first) return null;
  const mostS = waterS(asked, film, asked.rule.steps.at(-1)!.toC) ?? LONGEST_S / 2;
  if (!passes(asked, chillRun(asked, film, mostS))) return null;
  let [low, high] = [fromS, Math.max(mostS, fromS)];
  for (let i = 0; i < 8 && high - low > 60; i += 1) {
    const middle = (low + high) / 2;
    if (passes(asked, chillRun(asked, film, middle))) high = middle;
    else low = middle;
  }
  return high;
}

const airS = (run: Simulation, water: number) => Math.max(0, run.stageEnds.at(-1)!.tS - water);

/**
 * A chill that keeps a cooling rule, said before the pull: minutes in the water, then in the cooler, and the ice for it.
 * In the water until the core is below the rule's first step, longer where a slow chill (film × 0.6, nothing lost by
 * evaporation) would otherwise miss a step; then in air until the last temperature. Every run is `simulateProgram`'s, judged by
 * `checkCooling`. Ice: `kg = m·cp·ΔT / (334 + 4.2·t_end) × 1.3`, ΔT and t_end of the mean of the piece.
 * @param product as it comes out: `startC` is its core · @param massG g, > 0
 * @param rule steps fromC > toC, at least one
 * @returns iceMin and airMin of the usual chill, with the band of a brisk and a slow one; `too_slow` where not even water
 * to the end keeps the rule
 * @throws RangeError naming the field
 * @source heat balance of house and chill; USDA FSIS Appendix B by the site's rule
 */
export function chillPlan(input: Asked & { massG: number }): ChillPlan {
  const massG = requirePositive('massG', input.massG);
  const { steps } = input.rule;
  if (steps.length === 0) throw new QuantityError('rule.steps', 0, 'at least one step');
  const usualS = waterS(input, 1, steps[0]!.toC) ?? 0;
  const slow = enoughS(input, usualS, SLOW_FILM);
  const usual = slow ?? enoughS(input, usualS, 1);
  const water = usual ?? (input.media.first ? (waterS(input, 1, steps.at(-1)!.toC) ?? usualS) : 0);
  const run = chillRun(input, 1, water);
  const [brisk, slowRun] = [BRISK_FILM, SLOW_FILM].map((film) => chillRun(input, film, water));
  const left = run.samples.findLast((s) => s.tS <= water + 0.5) ?? run.samples[0]!;
  const wholeC = Math.max(0, input.product.startC - left.meanC);
  const ice = input.media.first?.medium === 'ice_bath';
  return {
    iceMin: water / 60,
    airMin: airS(run, water) / 60,
    iceKg: ice
      ? ((massG / 1000) * (run.cpJkgK / 1000) * wholeC * ICE_MORE) /
        (MELT_J_G + WATER_J_GK * Math.max(0, left.meanC))
      : 0,
    band: {
      iceMin: [
        Math.min(water, waterS(input, BRISK_FILM, left.coreC) ?? water) / 60,
        Math.max(water, waterS(input, SLOW_FILM, left.coreC) ?? water) / 60,
      ],
      airMin: [airS(brisk!, water) / 60, airS(slowRun!, water) / 60],
    },
    leavesC: left.coreC,
    status: slow !== null ? 'safe' : usual !== null ? 'close' : 'too_slow',
    steps: keeps(input, slowRun!).steps.map((s, i) => ({
      fromC: steps[i]!.fromC,
      toC: steps[i]!.toC,
      maxS: steps[i]!.maxS,
      takesS: s.status === 'incomplete' && s.endS === null ? null : s.elapsedS,
    })),
  };
}
