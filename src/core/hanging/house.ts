import type { HangingGrid, HotDepth, HotLevel, ThickWhere } from './place';

/** How a place hangs besides its sticks: levels, rows, and where it is hot. */
export type HouseLayout = {
  levels: number;
  rows: number;
  rowMm: number;
  hotDepth: HotDepth;
  hotLevel: HotLevel;
  thick: ThickWhere;
  /** An empty stick, g. */
  stickTareG: number | null;
};

/** A bath by its own measures: the water that stands in it and the surface that it has. */
export type BathSize = { volumeL: number; areaCm2: number; rimCm: number };

/** How a place is kept: times s, temperatures °C; null where nobody said. */
export type HouseCare = {
  preheatS: number | null;
  fuelEveryS: number | null;
  woodEveryS: number | null;
  /** Warmer than this its water or air is not to be, °C. */
  ceilingC: number | null;
  bath: BathSize | null;
};

type Room = {
  stickMm: number | null;
  dropMm: number | null;
  capacityG: number | null;
  layout: HouseLayout | null;
};

/** A place as a grid to hang in; null where its room or its layout is not set up. */
export function gridOf({ stickMm, dropMm, capacityG, layout }: Room): HangingGrid | null {
  if (!layout || stickMm === null || dropMm === null || capacityG === null) return null;
  const { stickTareG: _, ...of } = layout;
  return { ...of, stickMm, dropMm, capacityG };
}
