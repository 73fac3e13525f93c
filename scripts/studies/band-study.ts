import {
  forecastFinish,
  type Forecast,
  type HeatProduct,
  type HeatStage,
  type HousePrior,
  type RunReading,
} from '../../src/core';
import { OtherAirOf, type OtherHouse } from './other-house';
import { OtherSausage, type OtherMeat } from './other-meat';
import { SETUPS, type Setup } from './setups';
import { normalFrom, randomFrom } from './random';

/** What the forecast of a run said when a share of its rise was seen, and what came. */
export type Asked = { covered: number; nowS: number; endS: number; forecast: Forecast };
export type OtherRun = {
  product: HeatProduct;
  stages: HeatStage[];
  readings: RunReading[];
  /** How many readings there were, and when, at each share of the rise. */
  due: { covered: number; nowS: number; count: number }[];
  stageStartsS: number[];
  endS: number;
};

const EVERY_S = 10;
const LONGEST_S = 24 * 3600;
const NOISE_C = 0.3;

/** A house that differs from run to run: swings of 2 to 4 °C, a door opened up to twice an hour. */
function drawnHouse(random: () => number): OtherHouse {
  const doorsS: number[] = [];
  const perHour = 2 * random();
  for (let t = 0; t < LONGEST_S; t += 300)
    if (random() < perHour / 12) doorsS.push(t + 300 * random());
  return {
    swingC: 2 + 2 * random(),
    swingS: 360 + 600 * random(),
    lagS: 240 + 360 * random(),
    dampS: 60 + 540 * random(),
    offC: 1.5 * (2 * random() - 1),
    doorsS,
  };
}

function drawnMeat(product: HeatProduct, random: () => number): OtherMeat {
  const off = (share: number) => 1 + (random() * 2 - 1) * share;
  const casing = Math.min(1, (product.casingPermeability ?? 0.6) * off(0.2));
  return {
    diameterMm: product.diameterMm * off(0.04),
    startC: product.startC,
    kWmK: (product.kWmK ?? 0.383371) * off(0.08),
    kPerC: 0.001 + 0.002 * random(),
    cpJkgK: 3400 * off(0.03),
    hWm2K: 20 * off(0.3),
    casing,
    condenses: casing + (1 - casing) * random(),
    crustKgM2: 0.2 + 0.8 * random(),
    shrink: random(),
  };
}

/** Plays one run of a sausage and a house that the model does not know. */
export function playRun(
  setup: Setup,
  seed: number,
  shares: readonly number[],
  house: Partial<OtherHouse> = {},
): OtherRun {
  const random = randomFrom(seed);
  const gauss = normalFrom(random);
  const { product, stages, coreC } = setup;
  const meat = new OtherSausage(drawnMeat(product, random));
  const drawn = drawnHouse(random);
  const air = new OtherAirOf({ ...drawn, ...house }, 30 + 20 * random(), random());
  const tip = 0.1 * random();
  const damper = 1 + 0.1 * (random() - 0.5);
  const run: OtherRun = { product, stages, readings: [], due: [], stageStartsS: [0], endS: 0 };
  let t = 0;
  while (meat.coreC < coreC && t < LONGEST_S) {
    const stage = stages[run.stageStartsS.length - 1]!;
    const now = air.stay(EVERY_S, { airC: stage.airC, rh: Math.min(0.98, stage.rh! * damper) });
    meat.stay(EVERY_S, now);
    t += EVERY_S;
    run.readings.push(
      { tS: t, channel: 'core', tempC: meat.at(tip) + NOISE_C * gauss() },
      { tS: t, channel: 'air', tempC: now.airC + NOISE_C * gauss() },
    );
    const covered = (meat.coreC - product.startC) / (coreC - product.startC);
    const next = shares[run.due.length];
    if (next !== undefined && covered >= next)
      run.due.push({ covered: next, nowS: t, count: run.readings.length });
    const begun = run.stageStartsS.at(-1)!;
    if (
      stage.endS !== undefined &&
      t - begun >= stage.endS &&
      run.stageStartsS.length < stages.length
    )
      run.stageStartsS.push(t);
  }
  return { ...run, endS: t };
}

/** The forecasts of a run at each share of its rise. */
export function askRun(run: OtherRun, coreC: number, house?: HousePrior): Asked[] {
  return run.due.map(({ covered, nowS, count }) => ({
    covered,
    nowS,
    endS: run.endS,
    forecast: forecastFinish({
      product: run.product,
      stages: run.stages,
      readings: run.readings.slice(0, count),
      nowS,
      stageStartsS: run.stageStartsS.filter((s) => s <= nowS),
      house,
      target: { coreC },
    }),
  }));
}

export type BandRow = {
  product: string;
  covered: number;
  runs: number;
  medianMissMin: number;
  medianMissShare: number;
  medianBandMin: number;
  inBand: number;
};

/** The truth lies in the band. */
export const holds = ({ forecast: f, endS }: Asked): boolean =>
  (f.p10S ?? Infinity) <= endS && endS <= (f.p90S ?? Infinity);

const median = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1] ?? NaN;

/** Forecasts against runs of another kind, by product and by how much of the rise is seen. */
export function bandStudy(runsEach: number, shares: readonly number[], firstSeed = 0): BandRow[] {
  return SETUPS.flatMap((setup, k) => {
    const all = Array.from({ length: runsEach }, (_, i) =>
      askRun(playRun(setup, firstSeed + 10_000 * k + i, shares), setup.coreC),
    );
    return shares.map((covered, j): BandRow => {
      const at = all.flatMap((run) => run[j] ?? []);
      const miss = at.map((a) => Math.abs((a.forecast.p50S ?? Infinity) - a.endS));
      return {
        product: setup.name,
        covered,
        runs: at.length,
        medianMissMin: median(miss) / 60,
        medianMissShare: median(at.map((a, i) => miss[i]! / Math.max(1, a.endS - a.nowS))),
        medianBandMin: median(
          at.map(({ forecast: f }) => ((f.p90S ?? Infinity) - (f.p10S ?? 0)) / 60),
        ),
        inBand: at.filter(holds).length / at.length,
      };
    });
  });
}
