import type { CasingKind } from '../recipe';

export type CasingFacts = {
  /** Usual stuffed diameters, mm. */
  fromMm: number;
  toMm: number;
  /** Usual soak: minutes from and to, and the water, °C; null for casings that are used dry. */
  soak: { minMin: number; maxMin: number; waterC: number } | null;
  smokePasses: boolean;
  edible: boolean;
  /** How freely water passes, 0 none to 1 like a bare surface. Model values. */
  permeability: number;
  looped: boolean;
};

const LUKEWARM = 32;
const WARM = 40;
const natural = { smokePasses: true, edible: true } as const;

/** Casings as the trade uses them. @source field standard; soak times after customary practice */
export const CASINGS: Record<CasingKind, CasingFacts> = {
  sheep: {
    permeability: 0.75,
    ...natural,
    fromMm: 18,
    toMm: 26,
    looped: true,
    soak: { minMin: 30, maxMin: 60, waterC: LUKEWARM },
  },
  hog: {
    permeability: 0.65,
    ...natural,
    fromMm: 28,
    toMm: 44,
    looped: true,
    soak: { minMin: 30, maxMin: 120, waterC: LUKEWARM },
  },
  beef_middle: {
    permeability: 0.55,
    ...natural,
    fromMm: 50,
    toMm: 65,
    looped: true,
    soak: { minMin: 60, maxMin: 120, waterC: LUKEWARM },
  },
  bung: {
    permeability: 0.5,
    ...natural,
    fromMm: 90,
    toMm: 120,
    looped: false,
    soak: { minMin: 60, maxMin: 120, waterC: LUKEWARM },
  },
  collagen: {
    permeability: 0.6,
    fromMm: 16,
    toMm: 32,
    looped: true,
    smokePasses: true,
    edible: true,
    soak: null,
  },
  cellulose: {
    permeability: 0.6,
    fromMm: 18,
    toMm: 32,
    looped: true,
    smokePasses: true,
    edible: false,
    soak: null,
  },
  fibrous: {
    permeability: 0.45,
    fromMm: 40,
    toMm: 120,
    looped: false,
    smokePasses: true,
    edible: false,
    soak: { minMin: 20, maxMin: 30, waterC: WARM },
  },
  plastic: {
    permeability: 0,
    fromMm: 30,
    toMm: 150,
    looped: false,
    smokePasses: false,
    edible: false,
    soak: { minMin: 20, maxMin: 30, waterC: 20 },
  },
};
