import { LivePiece, forecastFinish, type HeatProduct, type HeatStage } from '../../src/core';
import { normalFrom, randomFrom } from './random';

export type StudyRow = {
  product: string;
  runs: number;
  covered: number;
  medianMissMin: number;
  medianMissShare: number;
  inBand: number;
  medianBandMin: number;
  withinClaim: boolean;
};

type Setup = { name: string; product: HeatProduct; stages: HeatStage[]; coreC: number };

const cook = (airC: number, rh: number): HeatStage => ({
  name: 'Cook',
  medium: 'air',
  airC,
  rh,
  endCoreC: 70,
  maxS: 20 * 3600,
});
const smoked = (hours: number, last: HeatStage): HeatStage[] => [
  { name: 'Dry', medium: 'air', airC: 55, rh: 0.3, endS: 3600 },
  { name: 'Smoke', medium: 'air', airC: 65, rh: 0.45, endS: hours * 3600 },
  last,
];
const SETUPS: Setup[] = [
  {
    name: '38 mm, casing passes nothing, 80 °C',
    product: { diameterMm: 38, startC: 4, casingPermeability: 0 },
    stages: [cook(80, 0.5)],
    coreC: 70,
  },
  {
    name: '28 mm, dry, smoke, cook',
    product: { diameterMm: 28, startC: 4 },
    stages: smoked(1.5, cook(82, 0.85)),
    coreC: 70,
  },
  {
    name: '60 mm, dry, smoke, cook',
    product: { diameterMm: 60, startC: 4 },
    stages: smoked(2.5, cook(80, 0.8)),
    coreC: 70,
  },
  {
    name: '95 mm fibrous, steady 78 °C, moist',
    product: { diameterMm: 95, startC: 3, casingPermeability: 0.4 },
    stages: [cook(78, 0.9)],
    coreC: 70,
  },
];

/** One run whose truth differs from the nominal product; the forecast at each covered share of the rise. */
function oneRun(setup: Setup, seed: number, shares: readonly number[]) {
  const random = randomFrom(seed);
  const off = (share: number) => 1 + (random() * 2 - 1) * share;
  const gauss = normalFrom(random);
  const { product, stages, coreC } = setup;
  const kWmK = (product.kWmK ?? 0.383371) * off(0.1);
  const h = 20 * off(0.3);
  const truth = new LivePiece({ ...product, kWmK, diameterMm: product.diameterMm * off(0.05) }, 40);
  const probeAt = random() * 0.1;
  const readings: { tS: number; channel: 'core' | 'air'; tempC: number }[] = [];
  const asked: { share: number; nowS: number; count: number }[] = [];
  let t = 0;
  let stage = 0;
  let stageS = 0;
  const stepS = 10;
  while (truth.coreC < coreC && t < 20 * 3600) {
    const s = stages[stage]!;
    readings.push(
      { tS: t, channel: 'core', tempC: truth.probeC(probeAt) + 0.3 * gauss() },
      { tS: t, channel: 'air', tempC: s.airC + 0.3 * gauss() },
    );
    const covered = (truth.coreC - product.startC) / (coreC - product.startC);
    const due = shares[asked.length];
    if (due !== undefined && covered >= due)
      asked.push({ share: due, nowS: t, count: readings.length });
    truth.stay(stepS, { ...s, hWm2K: h });
    t += stepS;
    if (s.endS !== undefined && t - stageS >= s.endS && stage < stages.length - 1) {
      stage += 1;
      stageS = t;
    }
  }
  return asked.map((a) => {
    const f = forecastFinish({
      product,
      stages,
      readings: readings.slice(0, a.count),
      nowS: a.nowS,
      target: { coreC },
    });
    return { ...a, leftS: t - a.nowS, endS: t, f };
  });
}

const median = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1] ?? NaN;
const CLAIM_SHARE = 0.05;
const CLAIM_S = 180;

/** Forecasts on several hundred runs with hidden truths, by product and by how much of the rise is seen. */
export function forecastStudy(runsEach: number, shares: readonly number[]): StudyRow[] {
  return SETUPS.flatMap((setup, k) => {
    const all = Array.from({ length: runsEach }, (_, i) => oneRun(setup, 1000 * k + i, shares));
    return shares.map((share, j): StudyRow => {
      const at = all.map((r) => r[j]).filter((r) => r !== undefined);
      const missS = at.map((r) => Math.abs((r.f.p50S ?? Infinity) - r.endS));
      const missShare = median(at.map((r, i) => missS[i]! / Math.max(r.leftS, 1)));
      const inside = at.filter(
        (r) => (r.f.p10S ?? Infinity) <= r.endS && r.endS <= (r.f.p90S ?? Infinity),
      );
      return {
        product: setup.name,
        runs: at.length,
        covered: share,
        medianMissMin: median(missS) / 60,
        medianMissShare: missShare,
        inBand: inside.length / at.length,
        medianBandMin: median(at.map((r) => ((r.f.p90S ?? Infinity) - (r.f.p10S ?? 0)) / 60)),
        withinClaim:
          median(missS.map((m, i) => m / Math.max(CLAIM_S, CLAIM_SHARE * at[i]!.leftS))) <= 1,
      };
    });
  });
}
