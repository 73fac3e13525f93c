export const CASING_KINDS = [
  'sheep',
  'hog',
  'beef_middle',
  'bung',
  'collagen',
  'cellulose',
  'fibrous',
  'plastic',
] as const;
export type CasingKind = (typeof CASING_KINDS)[number];

/** What may go into the water of a soak. */
export const SOAK_ADDS = ['baking_soda', 'salt', 'vinegar'] as const;
export type SoakAdd = (typeof SOAK_ADDS)[number];

export type Soak = {
  /** Usual minutes from and to, and the water, °C. */
  minMin: number;
  maxMin: number;
  waterC: number;
  /** From here on it gets weak in the water, min. */
  weakFromMin: number;
  /** What goes into the water, grams per litre of it: a unit that nobody can take for another. */
  add: { what: SoakAdd; gPerL: number } | null;
};

export type CasingFacts = {
  /** Usual stuffed diameters, mm. */
  fromMm: number;
  toMm: number;
  /** How much wider it is stuffed than flat, as a share. */
  stretch: number;
  /** Usual soak; null for casings that are used dry. */
  soak: Soak | null;
  /** Warmest water that it may be poached in, °C; null where it is not poached. */
  poachToC: number | null;
  /** A piece that is heavier than this hangs by a second tie, g. */
  tieAboveG: number;
  smokePasses: boolean;
  edible: boolean;
  /** How freely water passes, 0 none to 1 like a bare surface. Model values. */
  permeability: number;
  looped: boolean;
};

const LUKEWARM = 32;
const WARM = 40;
const natural = { smokePasses: true, edible: true } as const;

/** Casings as the trade uses them. @source usual practice of the trade; soak, stretch, ties and poaching after customary practice (usual, model values) */
export const CASINGS: Record<CasingKind, CasingFacts> = {
  sheep: {
    permeability: 0.75,
    ...natural,
    fromMm: 18,
    toMm: 26,
    looped: true,
    soak: {
      minMin: 30,
      maxMin: 60,
      waterC: LUKEWARM,
      weakFromMin: 180,
      add: { what: 'baking_soda', gPerL: 5 },
    },
    stretch: 0.1,
    poachToC: 82,
    tieAboveG: 250,
  },
  hog: {
    permeability: 0.65,
    ...natural,
    fromMm: 28,
    toMm: 44,
    looped: true,
    soak: { minMin: 30, maxMin: 120, waterC: LUKEWARM, weakFromMin: 360, add: null },
    stretch: 0.1,
    poachToC: 85,
    tieAboveG: 800,
  },
  beef_middle: {
    permeability: 0.55,
    ...natural,
    fromMm: 50,
    toMm: 65,
    looped: true,
    soak: { minMin: 60, maxMin: 120, waterC: LUKEWARM, weakFromMin: 480, add: null },
    stretch: 0.08,
    poachToC: 85,
    tieAboveG: 1500,
  },
  bung: {
    permeability: 0.5,
    ...natural,
    fromMm: 90,
    toMm: 120,
    looped: false,
    soak: {
      minMin: 60,
      maxMin: 120,
      waterC: LUKEWARM,
      weakFromMin: 480,
      add: { what: 'vinegar', gPerL: 20 },
    },
    stretch: 0.08,
    poachToC: 85,
    tieAboveG: 2000,
  },
  collagen: {
    permeability: 0.6,
    fromMm: 16,
    toMm: 32,
    looped: true,
    smokePasses: true,
    edible: true,
    soak: null,
    stretch: 0.04,
    poachToC: null,
    tieAboveG: 150,
  },
  cellulose: {
    permeability: 0.6,
    fromMm: 18,
    toMm: 32,
    looped: true,
    smokePasses: true,
    edible: false,
    soak: null,
    stretch: 0.06,
    poachToC: 85,
    tieAboveG: 400,
  },
  fibrous: {
    permeability: 0.45,
    fromMm: 40,
    toMm: 120,
    looped: false,
    smokePasses: true,
    edible: false,
    soak: { minMin: 20, maxMin: 30, waterC: WARM, weakFromMin: 120, add: null },
    stretch: 0.06,
    poachToC: 90,
    tieAboveG: 2500,
  },
  plastic: {
    permeability: 0,
    fromMm: 30,
    toMm: 150,
    looped: false,
    smokePasses: false,
    edible: false,
    soak: { minMin: 20, maxMin: 30, waterC: 20, weakFromMin: 240, add: null },
    stretch: 0.05,
    poachToC: 95,
    tieAboveG: 3000,
  },
};
