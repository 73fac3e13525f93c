import { stepHouse, type HouseState, type Reading, type Recipe } from '../../src/core';

/** Deterministic noise, so that a fresh demo always looks the same. */
function noise(seed: number): () => number {
  let x = seed >>> 0;
  return () => {
    x = (Math.imul(x, 1664525) + 1013904223) >>> 0;
    return (x / 2 ** 32 - 0.5) * 0.3;
  };
}

export type ChillPart = { medium: 'ice_bath' | 'shower' | 'cooler'; setC: number; forS: number };
export type History = {
  readings: Record<'air' | 'core-1' | 'core-2', Reading[]>;
  stages: { index: number; startS: number }[];
  pulledS: number | null;
  chill: { medium: ChillPart['medium']; startS: number }[];
};

const STEP_S = 30;

/** What probes would have shown along a program and a chill, up to `untilS`, by the simple house model. */
export function makeHistory(
  recipe: Recipe,
  startS: number,
  untilS: number,
  chill: ChillPart[],
  seed: number,
): History {
  const jitter = noise(seed);
  const h: History = {
    readings: { air: [], 'core-1': [], 'core-2': [] },
    stages: [],
    pulledS: null,
    chill: [],
  };
  let state: HouseState = { airC: 18, coreC: 3.5, coreThinC: 3.8 };
  let t = startS;
  const record = () => {
    h.readings.air.push({ tS: t, tempC: state.airC + jitter() * 3 });
    h.readings['core-1'].push({ tS: t, tempC: state.coreC + jitter() });
    h.readings['core-2'].push({ tS: t, tempC: state.coreThinC + jitter() });
  };
  const diameterMm = recipe.casing.diameterMm;
  const stay = (medium: string, setC: number, done: (elapsedS: number) => boolean) => {
    const from = t;
    while (t < untilS && !done(t - from)) {
      record();
      state = stepHouse(state, { setC, medium, diameterMm }, STEP_S);
      t += STEP_S;
    }
  };
  recipe.program.forEach((stage, index) => {
    if (t >= untilS) return;
    h.stages.push({ index, startS: t });
    stay('air', stage.airC, (s) =>
      stage.endCoreC === undefined ? s >= stage.plannedS : state.coreC >= stage.endCoreC,
    );
  });
  if (t >= untilS) return h;
  h.pulledS = t;
  for (const part of chill) {
    if (t >= untilS) break;
    h.chill.push({ medium: part.medium, startS: t });
    stay(part.medium, part.setC, (s) => s >= part.forS);
  }
  return h;
}
