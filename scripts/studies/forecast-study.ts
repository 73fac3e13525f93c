import { LivePiece, forecastFinish } from '../../src/core';
import { normalFrom, randomFrom } from './random';
import { SETUPS, type Setup } from './setups';

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
