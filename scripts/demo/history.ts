import {
  LivePiece,
  chillStage,
  filmOf,
  heatProduct,
  mediumIn,
  placeOf,
  programOf,
  wetBulbFromRh,
  type ProgramStage,
  type Reading,
  type Recipe,
} from '../../src/core';

/** Deterministic noise, so that a fresh demo always looks the same. */
function noise(seed: number): () => number {
  let x = seed >>> 0;
  return () => {
    x = (Math.imul(x, 1664525) + 1013904223) >>> 0;
    return (x / 2 ** 32 - 0.5) * 0.3;
  };
}

export type ChillPart = { medium: 'ice_bath' | 'shower' | 'cooler'; setC: number; forS: number };
export type ChannelKey = 'air' | 'wet' | 'thick' | 'thin';
export type History = {
  readings: Record<ChannelKey, Reading[]>;
  stages: { index: number; startS: number }[];
  pulledS: number | null;
  chill: { medium: ChillPart['medium']; startS: number }[];
};

const STEP_S = 30;
const AIR_LAG_S = 480;
const OUTSIDE_C = 16;
/** How the demo's houses differ from what the model expects; the simulated house goes on alike. */
const FILM = 1.18;
const OFFSET_C = -1;

/** What probes would have shown along a program and a chill, up to `untilS`: the model of the core with other figures. */
export function makeHistory(
  recipe: Recipe,
  startS: number,
  untilS: number,
  chill: ChillPart[],
  seed: number,
  program: readonly ProgramStage[] = programOf(recipe),
): History {
  const jitter = noise(seed);
  const product = heatProduct(recipe, 3.5);
  const thick = new LivePiece({ ...product, lengthMm: undefined });
  const thin = new LivePiece({
    ...product,
    lengthMm: undefined,
    diameterMm: product.diameterMm * 0.93,
  });
  const h: History = {
    readings: { air: [], wet: [], thick: [], thin: [] },
    stages: [],
    pulledS: null,
    chill: [],
  };
  let airC = 18;
  let rh = 0.5;
  let t = startS;
  const record = (inHouse: boolean) => {
    if (inHouse) {
      h.readings.air.push({ tS: t, tempC: airC + jitter() * 3 });
      h.readings.wet.push({ tS: t, tempC: wetBulbFromRh(airC, rh) + jitter() });
    }
    h.readings.thick.push({ tS: t, tempC: thick.coreC + jitter() });
    h.readings.thin.push({ tS: t, tempC: thin.coreC + jitter() });
  };
  const stay = (stage: ProgramStage, done: (elapsedS: number) => boolean) => {
    const from = t;
    const medium = mediumIn(placeOf(stage));
    const inHouse = placeOf(stage) === 'house';
    const near = 1 - Math.exp(-STEP_S / AIR_LAG_S);
    while (t < untilS && !done(t - from)) {
      record(inHouse);
      airC += ((inHouse ? stage.airC + OFFSET_C : OUTSIDE_C) - airC) * near;
      rh += ((stage.rh ?? 0.4) - rh) * near;
      const setting = {
        medium,
        airC: inHouse ? airC : stage.airC,
        rh: medium === 'air' ? (inHouse ? rh : (stage.rh ?? 0.8)) : undefined,
        hWm2K: filmOf(stage) * FILM,
      };
      thick.stay(STEP_S, setting);
      thin.stay(STEP_S, setting);
      t += STEP_S;
    }
  };
  program.forEach((stage, index) => {
    if (t >= untilS) return;
    h.stages.push({ index, startS: t });
    stay(stage, (s) =>
      stage.endCoreC === undefined ? s >= stage.plannedS : thick.coreC >= stage.endCoreC,
    );
  });
  if (t >= untilS) return h;
  h.pulledS = t;
  for (const part of chill) {
    if (t >= untilS) break;
    h.chill.push({ medium: part.medium, startS: t });
    stay({ ...chillStage(part.medium, part.forS), airC: part.setC }, (s) => s >= part.forS);
  }
  return h;
}
