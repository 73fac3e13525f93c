import {
  USUAL_CULTURES,
  forecastPh,
  learnedCulture,
  meatLagS,
  type CultureCourse,
} from '../../src/core';
import { trueFerment, type FermentKind } from './other-ferment';
import { randomFrom } from './random';

/** One forecast of one ferment beside what happened. */
export type FermentCase = {
  culture: string;
  seen: number;
  missH: number;
  missShare: number;
  /** How far the pH was from its target at the hour that was forecast: what the miss is on the meter. */
  missPh: number;
  bandH: number;
  inBand: boolean;
};

export type FermentRow = {
  runs: number;
  medianMissH: number;
  medianMissShare: number;
  medianMissPh: number;
  medianBandH: number;
  inBand: number;
};

const median = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1] ?? NaN;

/** Chamber, sugar and hours that go with each tempo. */
const USES = {
  fast: { setC: 36, sugar: 11, hours: 90, everyH: 1 },
  medium: { setC: 26, sugar: 9, hours: 160, everyH: 1.5 },
  slow: { setC: 21, sugar: 7, hours: 400, everyH: 3 },
} as const;

/** How warm the chamber has been over the last six hours, °C. */
function meanLately(chamber: readonly { tS: number; tempC: number }[], nowS: number) {
  const late = chamber.filter((r) => r.tS <= nowS && r.tS > nowS - 6 * 3600);
  return late.length > 0 ? late.reduce((sum, r) => sum + r.tempC, 0) / late.length : null;
}

type Tempo = keyof typeof USES;
export const TEMPOS = Object.keys(USES) as Tempo[];

/** A ferment with its readings, until its target is met; null where it never is. */
function played(tempo: Tempo, kind: FermentKind, seed: number, siteSeed: number) {
  const culture = USUAL_CULTURES[tempo];
  const { setC, sugar, hours, everyH } = USES[tempo];
  const usualDepth = Math.min(5.8 - culture.floorPh, 0.1 * sugar);
  const truth = trueFerment(culture, { setC, depth: usualDepth, hours, kind, seed, siteSeed });
  const target = Math.round((5.8 - 0.62 * usualDepth) * 20) / 20;
  let endS = 0;
  while (truth.phAt(endS) > target && endS < hours * 3600) endS += 120;
  if (endS >= hours * 3600) return null;
  const random = randomFrom(seed + 9999);
  const readings: { tS: number; ph: number; checked: boolean }[] = [];
  for (let tS = 0; tS < endS; tS += everyH * 3600 * (0.6 + 0.8 * random()))
    readings.push({ tS, ph: truth.meterAt(tS), checked: true });
  const forecastAt = (nowS: number, from: CultureCourse) =>
    forecastPh({
      culture: from,
      dextroseGPerKg: sugar,
      readings: readings.filter((r) => r.tS <= nowS && r.ph > target),
      chamber: truth.chamber.filter((r) => r.tS <= nowS),
      ahead: { tempC: meanLately(truth.chamber, nowS) ?? setC },
      meatStartC: 10,
      meatLagS: meatLagS(60),
      startS: 0,
      nowS,
      targets: [target],
    });
  return { endS, target, phAt: truth.phAt, forecastAt };
}

/** One ferment at a site that has seen `earlier` batches; its forecast at each share of the way. */
function oneFerment(
  tempo: Tempo,
  kind: FermentKind,
  seed: number,
  { earlier, shares }: { earlier: number; shares: readonly number[] },
) {
  const usual = USUAL_CULTURES[tempo];
  const fits = Array.from({ length: earlier }, (_, k) => {
    const before = played(tempo, kind, seed + 50_000 * (k + 1), seed);
    return before?.forecastAt(before.endS, usual).fitted ?? null;
  }).filter((f) => f !== null);
  const now = played(tempo, kind, seed, seed);
  if (!now) return [];
  const culture = learnedCulture(usual, fits);
  return shares.map((seen): FermentCase => {
    const nowS = seen * now.endS;
    const f = now.forecastAt(nowS, culture).targets[0]!;
    const saidS = f.p50S ?? now.endS * 2;
    const missS = Math.abs(saidS - now.endS);
    return {
      culture: tempo,
      seen,
      missH: missS / 3600,
      missShare: missS / (now.endS - nowS),
      missPh: Math.abs(now.phAt(saidS) - now.target),
      bandH: ((f.p90S ?? Infinity) - (f.p10S ?? 0)) / 3600,
      inBand: (f.p10S ?? Infinity) <= now.endS && now.endS <= (f.p90S ?? Infinity),
    };
  });
}

/** Forecast hours of ferments of another kind than the model, each at some shares of its way. */
export const fermentStudy = (
  runs: number,
  kind: FermentKind,
  how: { earlier: number; shares: readonly number[] },
): FermentCase[] =>
  TEMPOS.flatMap((tempo, k) =>
    Array.from({ length: runs }, (_, i) => oneFerment(tempo, kind, 1000 * k + i, how)).flat(),
  );

/** What some cases say together. */
export const fermentRow = (cases: readonly FermentCase[]): FermentRow => ({
  runs: cases.length,
  medianMissH: median(cases.map((c) => c.missH)),
  medianMissShare: median(cases.map((c) => c.missShare)),
  medianMissPh: median(cases.map((c) => c.missPh)),
  medianBandH: median(cases.map((c) => c.bandH)),
  inBand: cases.filter((c) => c.inBand).length / cases.length,
});
