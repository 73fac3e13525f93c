import { forecastLoss } from '../../src/core';
import { trueDrying, type DryingKind } from './other-dryer';
import { normalFrom, randomFrom } from './random';

/** One forecast of one piece beside what happened. */
export type DryingCase = {
  piece: string;
  seen: number;
  missDays: number;
  bandDays: number;
  inBand: boolean;
};

export type DryingRow = {
  runs: number;
  medianMissDays: number;
  medianBandDays: number;
  inBand: number;
};

const DAY = 86_400;
const median = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1] ?? NaN;
const of = { waterFraction: 0.57, fatFraction: 0.21, saltFraction: 0.027 };

/** Pieces, rooms, losses asked for, and how often somebody weighs. */
const USES = [
  { piece: { ...of, diameterMm: 32 }, airC: 14, rh: 0.78, days: 40, loss: 0.25, everyD: 1 },
  { piece: { ...of, diameterMm: 60 }, airC: 13, rh: 0.78, days: 90, loss: 0.32, everyD: 2 },
] as const;

function oneDrying(
  use: (typeof USES)[number],
  kind: DryingKind,
  seed: number,
  shares: readonly number[],
) {
  const truth = trueDrying(use.piece, { ...use, kind, seed });
  let endS = 0;
  while (truth.lossAt(endS) < use.loss && endS < use.days * DAY) endS += 1800;
  if (endS >= use.days * DAY) return [];
  const random = randomFrom(seed + 777);
  const normal = normalFrom(random);
  const startG = 1000 * (1 + 0.2 * (random() - 0.5));
  const weighings: { tS: number; weightG: number }[] = [];
  for (let tS = 0; tS < endS; tS += use.everyD * DAY * (0.7 + 0.6 * random()))
    weighings.push({ tS, weightG: startG * (1 - truth.lossAt(tS)) * (1 + 0.002 * normal()) });
  return shares.map((seen): DryingCase => {
    const nowS = seen * endS;
    const f = forecastLoss({
      piece: use.piece,
      permeability: 0.6,
      weighings: weighings.filter((w) => w.tS <= nowS),
      air: truth.air.filter((a) => a.tS <= nowS),
      ahead: { airC: use.airC, rh: meanLately(truth.air, nowS) ?? use.rh },
      nowS,
      targetLoss: use.loss,
    });
    return {
      piece: `${use.piece.diameterMm} mm to ${100 * use.loss} %`,
      seen,
      missDays: Math.abs((f.p50S ?? 2 * endS) - endS) / DAY,
      bandDays: ((f.p90S ?? Infinity) - (f.p10S ?? 0)) / DAY,
      inBand: (f.p10S ?? Infinity) <= endS && endS <= (f.p90S ?? Infinity),
    };
  });
}

/** How moist the room has been over the last three days. */
function meanLately(air: readonly { tS: number; rh: number }[], nowS: number) {
  const late = air.filter((a) => a.tS <= nowS && a.tS > nowS - 3 * DAY);
  return late.length > 0 ? late.reduce((sum, a) => sum + a.rh, 0) / late.length : null;
}

/** Forecast days of dryings with hidden truths, each at some shares of its way. */
export const dryingStudy = (
  runs: number,
  kind: DryingKind,
  shares: readonly number[],
): DryingCase[] =>
  USES.flatMap((use, k) =>
    Array.from({ length: runs }, (_, i) => oneDrying(use, kind, 1000 * k + i, shares)).flat(),
  );

/** What some cases say together. */
export const dryingRow = (cases: readonly DryingCase[]): DryingRow => ({
  runs: cases.length,
  medianMissDays: median(cases.map((c) => c.missDays)),
  medianBandDays: median(cases.map((c) => c.bandDays)),
  inBand: cases.filter((c) => c.inBand).length / cases.length,
});
