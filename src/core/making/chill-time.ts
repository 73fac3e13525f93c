import { requireBetween } from '../guard';
import { meatAtC, meatHeatJPerG } from '../heat/meat-heat';
import { thermalProperties, type FoodComposition } from '../heat/properties';

export type ChillInput = {
  /**
   * How much meat is put into the freezer at once, g: what it gives off in a second is no more than the freezer takes out.
   * Left out, the freezer keeps its temperature whatever is put into it.
   */
  massG?: number;
  /** What the freezer takes out, W; a usual small one where left out. */
  freezerW?: number;
  /** What chills at this site have really taken, over what was reckoned: see `learnChill`. */
  siteFactor?: number;
  /** How deep the meat lies, mm, 5 to 150. */
  thicknessMm: number;
  /** Of the meat now, and what it is to come to, °C. */
  startC: number;
  targetC: number;
  /** Air of the freezer, °C. */
  freezerC: number;
  composition?: FoodComposition;
  /** Film of the air, W/(m²·K): 8-12 in a still freezer, 20-30 with a fan. */
  filmWm2K?: number;
  /** Sides that the air reaches: on a tray one, on a grid two. */
  sides?: 1 | 2;
  /**
   * What is to come to the target: its surface, as a thermometer shows it that is laid into the outer 5 mm; or all of it
   * on average, as it goes through a machine.
   */
  of?: 'surface' | 'mean';
};

/** A chill before a grinder where nobody says otherwise: spread so deep, in such a freezer. Usual. */
export const USUAL_CHILL = { thicknessMm: 40, freezerC: -18 } as const;

/** Thickness of a cell, m: the same for every layer, so that a thicker one never comes out sooner. */
const CELL_M = 0.0025;
/** What counts as its surface: 5 mm. */
const OUTER_CELLS = 2;
const STILL_AIR = 10;
/** A small freezer at −18 °C takes out about so much, W (usual). */
const USUAL_FREEZER_W = 200;
const USUAL: FoodComposition = { fatFraction: 0.25, waterFraction: 0.57 };
/** Frozen lean conducts so many times as well as thawed (usual). */
const FROZEN_CONDUCTS = 2.7;
/** Share of the way from thawed to hard frozen is taken between these two, °C. */
const FREEZES_C = -1.5;
const HARD_C = -6;
/** A wait longer than this is no chill before a grinder, s. */
const LONGEST_S = 12 * 3600;
/** Least heat capacity of meat at any temperature here, J/(kg·K): it bounds the step. */
const LEAST_CP = 1900;

/** What a square metre of the layer can give off, W, where the freezer is what limits it. */
function mostFlux({ massG, freezerW = USUAL_FREEZER_W, sides = 1 }: ChillInput, kgM2: number) {
  if (massG === undefined) return Infinity;
  const kg = requireBetween('massG', massG, 1, 2e6) / 1000;
  return requireBetween('freezerW', freezerW, 10, 1e6) / ((kg / kgM2) * sides);
}

const frozenShare = (tempC: number) =>
  Math.min(1, Math.max(0, (FREEZES_C - tempC) / (FREEZES_C - HARD_C)));

/**
 * Seconds until a layer of meat has come to a temperature in a freezer, on its surface or on average: conduction in a slab with
 * apparent heat (the water that freezes on the way gives off its heat), cooled from one or both sides.
 * @returns s; null where it does not get there within twelve hours · @throws RangeError naming the field out of range
 * Valid for even layers from −20 to 40 °C. @source heat balance of a slab; apparent heat as in `meatHeatJPerG`
 * @example chillTimeS({ thicknessMm: 40, startC: 5, targetC: -1, freezerC: -18 }) // 1716
 */
export function chillTimeS(input: ChillInput): number | null {
  const thickM = requireBetween('thicknessMm', input.thicknessMm, 5, 150) / 1000;
  const startC = requireBetween('startC', input.startC, -20, 40);
  const targetC = requireBetween('targetC', input.targetC, -15, 40);
  const freezerC = requireBetween('freezerC', input.freezerC, -40, 15);
  const film = requireBetween('filmWm2K', input.filmWm2K ?? STILL_AIR, 2, 200);
  if (startC <= targetC) return 0;
  if (freezerC >= targetC) return null;
  const { kWmK, rhoKgM3 } = thermalProperties(input.composition ?? USUAL);
  const mostWm2 = mostFlux(input, thickM * rhoKgM3);
  const siteFactor = requireBetween('siteFactor', input.siteFactor ?? 1, 0.2, 5);
  /* The innermost cell takes what is over: half a cell to one and a half. */
  const cells = Math.round(thickM / (input.sides ?? 1) / CELL_M);
  const inner = thickM / (input.sides ?? 1) / CELL_M - (cells - 1);
  const conducts = (tempC: number) => kWmK * (1 + (FROZEN_CONDUCTS - 1) * frozenShare(tempC));
  const heat = new Float64Array(cells).fill(meatHeatJPerG(startC));
  const temp = new Float64Array(cells).fill(startC);
  const stepS = (0.4 * rhoKgM3 * LEAST_CP * CELL_M * CELL_M) / (kWmK * FROZEN_CONDUCTS);
  const perCell = stepS / (rhoKgM3 * CELL_M * 1000);
  /** Temperature of so many cells from the outside, if their heat were shared. */
  const meanOf = (count: number) => {
    let [sum, of] = [0, 0];
    for (let i = 0; i < Math.min(count, cells); i += 1) {
      const size = i === cells - 1 ? inner : 1;
      sum += heat[i]! * size;
      of += size;
    }
    return meatAtC(sum / of);
  };
  let lastC = startC;
  for (let tS = 0; tS < LONGEST_S; tS += stepS) {
    const outC = temp[0]!;
    const half = conducts(outC) / (CELL_M / 2);
    const surfaceC = (half * outC + film * freezerC) / (half + film);
    const nowC = meanOf(input.of === 'mean' ? cells : OUTER_CELLS);
    if (nowC <= targetC) {
      const share = (lastC - targetC) / (lastC - nowC);
      return siteFactor * Math.max(0, tS - stepS * (1 - share));
    }
    lastC = nowC;
    let inflow = -Math.min(film * (surfaceC - freezerC), mostWm2);
    for (let i = 0; i < cells; i += 1) {
      const behind = temp[i + 1];
      const between =
        behind === undefined
          ? 0
          : ((conducts(temp[i]!) + conducts(behind)) / 2 / CELL_M) * (behind - temp[i]!);
      heat[i] = heat[i]! + (perCell * (inflow + between)) / (i === cells - 1 ? inner : 1);
      inflow = -between;
    }
    for (let i = 0; i < cells; i += 1) temp[i] = meatAtC(heat[i]!);
  }
  return null;
}
